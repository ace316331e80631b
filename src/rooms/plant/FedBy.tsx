import { useTold } from '../../state/useTold'
import { Link } from 'react-router'
import { lazy, Suspense } from 'react'
import { segmentAreaM2 } from '../../core/garden/area'
import { feedFor, nitrogenGap, type Feed } from '../../core/planting/feeding'
import type { Aftermath } from '../../core/scenario/after'
import type { NitrogenSource } from '../../core/garden/rules'
import type { Crop } from '../../core/plants/crops'
import { nitrogen, nitrogenAxis, type Told } from '../../text/amounts'
import { centimetres, kilos, litres, type Units } from '../../text/format'
import { SelectField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import { residueSentence } from './nitrogenWords'
import type { PlantView } from './usePlant'
import { Spreads } from './Spreads'
import { late } from '../../state/late'
import { useAfterPaint } from '../../parts/useAfterPaint'

const NitrogenDrawing = lazy(() =>
  late(import('./NitrogenDrawing')).then(({ NitrogenDrawing }) => ({ default: NitrogenDrawing })),
)

/** What the residue and the soil free week by week against what the crop takes up, and what fills the gap. */
export function FedBy({ after, crop, plant }: { after: Aftermath; crop: Crop; plant: PlantView }) {
  const { garden, view, sourceId, setSourceId } = plant
  const { units } = garden
  const told = useTold(view.bed, plant.ground)
  const areaM2 = segmentAreaM2(view.bed, plant.ground)
  const sources = garden.nitrogenSources
  const source = sources.find((entry) => entry.id === sourceId) ?? sources[0]
  const gap = nitrogenGap(after.weeks)
  const freed = Math.max(0, after.weeks.at(-1)?.residue.p50 ?? 0)
  return (
    <section className="mt-6" aria-label="Nitrogen" data-testid="nitrogen">
      <h2>What feeds it</h2>
      <p>{residueSentence(after, crop, told)}</p>
      {after.weeks.length > 2 && (
        <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[1fr_24rem]">
          <Curve after={after} crop={crop} told={told} />
          <div className="flex flex-col gap-2">
            <p>
              {gap.p50 < 0.3 ? (
                <>
                  Cover and soil bring what {crop.name.toLowerCase()} takes up; nothing needs to be added in
                  the middle case.
                </>
              ) : (
                <>
                  At most about <strong>{nitrogen(gap.p50, told)}</strong> are missing (
                  {nitrogen(gap.p10, told)} to {nitrogen(gap.p90, told)}).
                </>
              )}
            </p>
            {sources.length > 1 && (
              <SelectField
                label="Fill it with"
                className="w-64"
                value={source?.id ?? ''}
                onChange={setSourceId}
                options={sources.map((entry) => [entry.id, entry.name] as const)}
              />
            )}
            {source ? (
              <>
                {gap.p50 >= 0.3 && (
                  <FeedText
                    what={`Spread ${source.name.toLowerCase()}`}
                    feed={feedFor(gap.p50, areaM2, source)}
                    units={units}
                  />
                )}
                {gap.p50 >= 0.3 && (
                  <PlanFeed plant={plant} source={source} kg={feedFor(gap.p50, areaM2, source).kg.mid} />
                )}
                {freed > 0.2 && (
                  <p data-testid="saved">
                    The residue saves <strong>{kilos(feedFor(freed, areaM2, source).kg.mid, units)}</strong>{' '}
                    of it on this bed.
                  </p>
                )}
                <Missing feed={feedFor(1, areaM2, source)} name={source.name} />
                <Spreads plant={plant} source={source} crop={crop} />
              </>
            ) : (
              <p role="status">
                No compost or feed is on your list.{' '}
                <Link className="link" to="/shed#feeds">
                  Add it with its analysis in the Shed
                </Link>{' '}
                to see how much to spread.
              </p>
            )}
            <Why>
              The crop’s need follows a logistic course to {nitrogen(crop.nitrogenG, told)} at harvest (± 30
              %). Of what residue and soil free, roots catch about two thirds (judgement). Feed by its
              analysis: weight × nitrogen × the share freed in the first season.
            </Why>
          </div>
        </div>
      )}
    </section>
  )
}

/** Takes a feed into the plan, or out of it: it makes up for what residue ties up. */
function PlanFeed({ plant, source, kg }: { plant: PlantView; source: NitrogenSource; kg: number }) {
  const { cropPlan, planCrop, planted, garden } = plant
  if (!cropPlan || planted) return null
  const { feed } = cropPlan
  return (
    <p>
      {feed ? (
        <>
          The plan spreads {kilos(feed.kg, garden.units)} with the planting.{' '}
          <button type="button" className="btn btn-sm" onClick={() => planCrop({ feed: null })}>
            Leave it out
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            planCrop({ feed: { sourceId: source.id, kg: Math.max(0.1, Math.round(kg * 10) / 10) } })
          }
        >
          Plan to spread it
        </button>
      )}
    </p>
  )
}

function FeedText({ what, feed, units }: { what: string; feed: Feed; units: Units }) {
  return (
    <p data-testid="feed">
      {what}: <strong>{kilos(feed.kg.mid, units)}</strong>
      {feed.kg.high > feed.kg.low * 1.05
        ? ` (${kilos(feed.kg.low, units)} to ${kilos(feed.kg.high, units)})`
        : ''}
      , about {litres(feed.litres, units)} or {centimetres(feed.depthM, units)} deep on this bed.
    </p>
  )
}

const Missing = ({ feed, name }: { feed: Feed; name: string }) =>
  feed.assumed.length === 0 ? null : (
    <p role="status" className="text-sm font-semibold">
      {name} has no {feed.assumed.join(', no ')} yet; usual garden compost is taken, hence the wide range.{' '}
      <Link className="link" to="/shed#feeds">
        Enter its analysis
      </Link>
      , from the label or a laboratory.
    </p>
  )

/** Need and supply since planting, for the bed or per acre or hectare. */
function Curve({ after, crop, told }: { after: Aftermath; crop: Crop; told: Told }) {
  const { unit } = nitrogenAxis(told)
  const painted = useAfterPaint()
  return (
    <figure className="m-0 min-w-0">
      <figcaption className="text-sm">
        Nitrogen since planting, {unit}: dashed what {crop.name.toLowerCase()} takes up; solid what soil and
        residue free, in its range; dotted the soil alone
      </figcaption>
      <div className="h-56" role="img" aria-label={`Nitrogen week by week for ${crop.name.toLowerCase()}`}>
        {painted && (
          <Suspense>
            <NitrogenDrawing after={after} told={told} />
          </Suspense>
        )}
      </div>
    </figure>
  )
}
