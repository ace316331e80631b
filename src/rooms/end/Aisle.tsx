import { useMemo, useState } from 'react'
import { planAisle } from '../../actions/cutStand'
import type { JobArgs } from '../../compute/protocol'
import { useAnswer } from '../../compute/useAnswer'
import { COLLAR_M, neighboursOf, type AisleMowing, type Neighbour } from '../../core/scenario/aisle'
import { AISLE_YEARS, AISLE_YEARS_MEMBERS, THIN_BELOW } from '../../core/scenario/aisleYears'
import type { Stand } from '../../core/garden/schema'
import { Fold } from '../../parts/Fold'
import { Scroll } from '../../parts/Scroll'
import { SelectField } from '../../parts/SelectField'
import { useOnce } from '../../parts/once'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useAct, useGarden } from '../../state/garden'
import { centimetres, grams, kilos, longDate, percent, shortDate } from '../../text/format'
import { plantsOf } from '../../text/names'
import { AisleAfter } from './AisleAfter'
import { AisleDrawing } from './AisleDrawing'
import type { EndView } from './useEnd'

/** A living aisle: mown before it outgrows the crop beside it, with what its cuttings bring to the strips. */
export function Aisle({ end }: { end: EndView }) {
  const { view, spec, today } = end
  const { expected } = useGarden()
  const { bed } = view
  const neighbours = useMemo(() => neighboursOf(bed, expected.stands), [bed, expected.stands])
  const asked = useMemo(
    (): JobArgs<'aisle'> => [spec, withoutCuts(view.standCase), neighbours, today],
    [spec, view.standCase, neighbours, today],
  )
  const answer = useAnswer('aisle', asked, `aisle ${view.stand.id}`)
  const mowings = answer.value ?? answer.last
  const beside = nextBeside(neighbours, today)
  return (
    <section className="mb-6" aria-label="Living aisle" data-testid="aisle">
      <h2>A living aisle</h2>
      <Waiting
        what="Growing it between its mowings"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      <AisleAfter end={end} />
      {mowings?.length === 0 && <p>It outgrows nothing in the months ahead: no mowing is due.</p>}
      {mowings && mowings.length > 0 && <Mowings end={end} mowings={mowings} />}
      {beside && <AisleDrawing bed={bed} crop={beside.crop} units={end.garden.units} />}
      <Fold title={`Over ${AISLE_YEARS} years`} testid="aisle-years">
        {() => <Years end={end} asked={asked} />}
      </Fold>
    </section>
  )
}

/** The crop that stands beside the aisle now, or next. */
const nextBeside = (neighbours: readonly Neighbour[], today: number): Neighbour | null =>
  neighbours
    .filter(({ goneDay }) => goneDay > today)
    .sort((a, b) => a.plantedDay - b.plantedDay)
    .at(0) ?? null

/** The stand as it grew until now: what is planned is what is asked for here. */
const withoutCuts = (standCase: EndView['view']['standCase']) => ({
  ...standCase,
  stand: { ...standCase.stand, cuts: standCase.stand.cuts.filter(({ cut }) => cut.actual) },
  nextStartDay: null,
})

/** What a year of age takes of the plants that were sown. */
const agingText = (stand: Stand): string =>
  plantsOf(stand)
    .map(({ name, perennial, yearlyLoss }) =>
      perennial && yearlyLoss > 0
        ? `Age takes about ${percent(yearlyLoss)} of ${name.toLowerCase()} a year (judgement).`
        : `${name} does not live on once it has seeded.`,
    )
    .join(' ')

/** The aisle year by year, as it is mown by what stands beside it. */
function Years({ end, asked }: { end: EndView; asked: JobArgs<'aisleYears'> }) {
  const { units } = end.garden
  const answer = useAnswer('aisleYears', asked, `aisle years ${end.stand.id}`)
  const years = answer.value ?? answer.last
  const thin = years?.find(({ thin }) => thin)
  return (
    <>
      <Waiting
        what="Growing it for years"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {years && (
        <>
          <div>
            {thin
              ? `From ${longDate(thin.fromDay)} on it closes over ${percent(thin.closed)} of the ground at best: sow into it, or begin it anew, before then.`
              : 'It stays closed through these years.'}{' '}
            <Why>
              Mown each time it outgrows the crop beside it, in {AISLE_YEARS_MEMBERS} made-up courses of this
              garden’s weather. The crops of the coming year are taken to come again each year where none are
              planned. {agingText(end.stand)} Below {percent(THIN_BELOW)} weeds come in (judgement).
            </Why>
          </div>
          <Scroll label="The aisle by years">
            <table className="table table-sm mt-1 w-auto">
              <thead>
                <tr>
                  <th>Year from</th>
                  <th className="text-right">Mowings</th>
                  <th className="text-right">Cuttings, dry</th>
                  <th className="text-right">Nitrogen in them</th>
                  <th className="text-right">Green at its best</th>
                </tr>
              </thead>
              <tbody>
                {years.map((year) => (
                  <tr key={year.fromDay}>
                    <td>{longDate(year.fromDay)}</td>
                    <td className="text-right">{year.mowings}</td>
                    <td className="text-right">{kilos(year.massKg, units)}</td>
                    <td className="text-right">{grams(year.nitrogenG, units)}</td>
                    <td className="text-right">{percent(year.closed)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Scroll>
        </>
      )}
    </>
  )
}

function Mowings({ end, mowings }: { end: EndView; mowings: AisleMowing[] }) {
  const { units } = end.garden
  const { stand, view } = end
  const act = useAct()
  const [to, setTo] = useState<'bed' | 'aisle'>('bed')
  const { run: plan } = useOnce(() => act(planAisle(stand, mowings, to === 'bed' ? view.bed.id : null)))
  return (
    <>
      <div>
        Mown {mowings.length} times in the months ahead, to {centimetres(mowings[0].cutToM, units)}. Keep{' '}
        {centimetres(COLLAR_M, units)} clear around stems.{' '}
        <Why>
          It is kept below a third of the crop beside it (judgement, a quarter to a half), never lower than it
          lives on, and below {centimetres(0.4, units)} where no crop stands. Each mowing grows on from the
          one before, in forty seasons of this garden.
        </Why>
      </div>
      <Scroll label="Mowings">
        <table className="table table-sm mt-1 w-auto">
          <thead>
            <tr>
              <th>About</th>
              <th>Grown to</th>
              <th>Beside</th>
              <th className="text-right">Cuttings, dry</th>
              <th className="text-right">Nitrogen in them</th>
            </tr>
          </thead>
          <tbody>
            {mowings.map((mowing) => (
              <tr key={mowing.day}>
                <td>{shortDate(mowing.day)}</td>
                <td>{centimetres(mowing.reachedM, units)}</td>
                <td>{mowing.beside?.toLowerCase() ?? 'no crop'}</td>
                <td className="text-right">{kilos(mowing.massKg, units)}</td>
                <td className="text-right">{grams(mowing.nitrogenG, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="The cuttings land"
          className="w-48"
          value={to}
          onChange={setTo}
          options={[
            ['bed', `on ${view.bed.label}`],
            ['aisle', 'in the aisle'],
          ]}
        />
        <button className="btn btn-primary" onClick={plan}>
          Plan these mowings
        </button>
      </div>
    </>
  )
}
