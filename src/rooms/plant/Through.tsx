import { segmentSizeM } from '../../core/garden/area'
import type { CriterionId, ScenarioOutcome } from '../../core/scenario/types'
import type { Aftermath } from '../../core/scenario/after'
import { plantsFor } from '../../core/planting/spacing'
import { plantingMethods, type PlantingMethod } from '../../core/planting/through'
import { hoeingSpared, plantingWork, WAYS } from '../../core/planting/ways'
import type { Crop } from '../../core/plants/crops'
import { Why } from '../../parts/Why'
import { CRITERION_NAMES } from '../../text/criteria'
import { area, centimetres, minutes, volume } from '../../text/format'
import { PLANTING_METHOD_NAME, THROUGH_REASON } from '../../text/planting'
import { OwnFilm } from './OwnFilm'
import type { PlantView } from './usePlant'

const FITS = { well: 'fits well', fair: 'can be done', poorly: 'not here' } as const

/** A criterion that holds in fewer seasons than this is worth opening. */
const SHUT_BELOW = 0.9
/** Young crops want hoeing for about so many weeks, until they close over the ground. */
const HOED_WEEKS = 8

type Props = { after: Aftermath; outcome: ScenarioOutcome; crop: Crop; plant: PlantView }

/** Ways of planting through what lies there: what fits and why, minutes and materials, what each opens; one is planned. */
export function Through({ after, outcome, crop, plant }: Props) {
  const { view, cropPlan } = plant
  const shut = outcome.criteria.filter(({ chance }) => chance < SHUT_BELOW).map(({ detail }) => detail.id)
  const tiesUp = outcome.criteria.some(({ detail, chance }) => detail.id === 'tie-up' && chance < 0.5)
  const establishment = cropPlan?.establishment ?? crop.establishment
  return (
    <>
      <ul className="mt-2 divide-y divide-base-300 border-y border-base-300" data-testid="through">
        {plantingMethods(after.mulchG.p50, crop, establishment, view.bed.soil, tiesUp).map((method) => (
          <WayRow
            key={method.id}
            method={method}
            establishment={establishment}
            shut={shut}
            {...{ after, crop, plant }}
          />
        ))}
      </ul>
      <Why>
        Minutes are usual figures, half as much more or less: setting a plant twelve seconds, a metre of sown
        row a quarter minute, a cubic metre of compost by barrow seventy minutes, a hoeing of a square metre
        twenty seconds a week. What a way opens no longer asks how the residue rots.
      </Why>
    </>
  )
}

function WayRow({
  method,
  establishment,
  shut,
  after,
  crop,
  plant,
}: Omit<Props, 'outcome'> & {
  method: PlantingMethod
  establishment: 'transplant' | 'seed'
  shut: readonly CriterionId[]
}) {
  const { garden, view, cropPlan, planCrop, planted } = plant
  const { id, fits, reason } = method
  const { units } = garden
  const size = segmentSizeM(view.bed, plant.ground)
  const work = plantingWork(
    id,
    size,
    plantsFor(size.lengthM, size.widthM, crop.rowCm, crop.plantCm),
    establishment,
  )
  const weeks = WAYS[id].film
    ? Math.min(HOED_WEEKS, crop.daysInBed / 7)
    : Math.min(HOED_WEEKS, after.holdsWeeks.p50)
  const spared = hoeingSpared(weeks, size, work.holdsShare)
  const opened = WAYS[id].opens.filter((one) => shut.includes(one))
  const planned = cropPlan?.plantingMethod === id
  const facts = [
    `About ${minutes(Math.max(1, work.minutes))}`,
    work.compostM3 > 0 ? `compost ${volume(work.compostM3, units)}` : '',
    work.filmM2 > 0
      ? `film ${area(work.filmM2, units)}, ${work.holes} holes ${centimetres(crop.plantCm / 100, units)} apart`
      : '',
    spared >= 5 ? `spares ${minutes(spared)} of hoeing` : '',
    opened.length > 0 ? `opens: ${opened.map((one) => CRITERION_NAMES[one].toLowerCase()).join(', ')}` : '',
  ].filter(Boolean)
  return (
    <li className="grid gap-x-4 py-1 sm:grid-cols-[18rem_6.5rem_1fr_auto]">
      <strong className={fits === 'poorly' ? 'font-normal' : ''}>{PLANTING_METHOD_NAME[id]}</strong>
      <span>{FITS[fits]}</span>
      <div className="text-sm">
        <p className="quiet">{THROUGH_REASON[reason]}</p>
        {fits !== 'poorly' && <p>{facts.join('; ')}.</p>}
        {fits !== 'poorly' && WAYS[id].film && <OwnFilm crop={crop} plant={plant} />}
      </div>
      {!planted && fits !== 'poorly' && (
        <button
          type="button"
          className="btn btn-sm self-start"
          aria-pressed={planned}
          aria-label={`${planned ? 'Planned' : 'Plan'}: ${PLANTING_METHOD_NAME[id]}`}
          onClick={() => planCrop({ plantingMethod: planned ? null : id })}
        >
          {planned ? 'Planned' : 'Plan so'}
        </button>
      )}
    </li>
  )
}
