import { addDays, isoDate, parseDay } from '../../core/foundations/day'
import { clearing, cropContent, cropStand, planting } from '../../core/garden/newStands'
import type { Stand } from '../../core/garden/schema'
import type { CropPlan } from '../../actions/planStretch'
import type { Crop } from '../../core/plants/crops'
import type { StandView } from '../../state/useStand'

export type PlantForm = {
  doneOn: string
  note: string
  /** Lanes planted one after the other, and the days between them; 1 is all at once. */
  lanes: string
  laneDays: string
  /** The compost or feed that fills the gap. */
  sourceId: string
}

/** What is wrong with the record as filled in, with the fix. */
export function plantProblems(
  form: PlantForm,
  cropKnown: boolean,
  today: number,
  coverEndDay: number | null,
): Partial<Record<'cropId' | 'doneOn' | 'lanes', string>> {
  const problems: ReturnType<typeof plantProblems> = {}
  if (!cropKnown) problems.cropId = 'Choose the crop that follows.'
  const done = parseDay(form.doneOn)
  if (done === null) problems.doneOn = 'Enter a date that exists, such as 2026-06-18.'
  else if (done > today)
    problems.doneOn = 'A planting is recorded once it is done. Choose today or an earlier date.'
  else if (coverEndDay !== null && done < coverEndDay)
    problems.doneOn = `The cover was ended on ${isoDate(coverEndDay)}. Choose that day or a later one.`
  const lanes = Number(form.lanes)
  const days = Number(form.laneDays)
  if (
    !(Number.isInteger(lanes) && lanes >= 1 && lanes <= 12) ||
    !(Number.isInteger(days) && days >= 1 && days <= 60)
  )
    problems.lanes = 'From 1 to 12 lanes, 1 to 60 whole days apart.'
  return problems
}

/** The crop's stand with its planting recorded: the one planned to follow, or a new one. */
export function plantedStand(
  form: Pick<PlantForm, 'doneOn' | 'note'>,
  { establishment, plantingMethod, feed }: CropPlan,
  crop: Crop,
  { stand, bed, next }: StandView,
  gardenId: string,
  freshId: string,
): Stand {
  const actual = planting(form.doneOn, form.note)
  const planned = next?.stand
  if (planned && planned.content.kind === 'crop' && !planned.start.actual) {
    const until = planned.end.plan
    return {
      ...planned,
      content: { ...planned.content, cropId: crop.id, establishment, plantingMethod, feed },
      start: { ...planned.start, actual },
      end: {
        ...planned.end,
        plan: until && until.date > form.doneOn ? until : clearing(addDays(form.doneOn, crop.daysInBed)),
      },
    }
  }
  return cropStand(
    { id: freshId, gardenId, bedId: bed.id, segment: stand.segment },
    cropContent(crop.id, establishment, { plantingMethod, feed }),
    { plan: null, actual },
    crop.daysInBed,
  )
}
