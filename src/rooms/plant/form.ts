import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { findCrop, type Crop } from '../../core/plants/crops'
import type { StandView } from '../../state/useStand'

export type PlantForm = {
  cropId: string
  establishment: 'transplant' | 'seed'
  plantingDate: string
  doneOn: string
  note: string
  /** Lanes planted one after the other, and the days between them; 1 is all at once. */
  lanes: string
  laneDays: string
  /** The compost or feed that fills the gap. */
  sourceId: string
}

/** What is wrong with the planting as filled in, with the fix. */
export function plantProblems(
  form: PlantForm,
  today: number,
  coverEndDay: number | null,
  planted: boolean,
): Partial<Record<'cropId' | 'plantingDate' | 'doneOn' | 'lanes', string>> {
  const problems: ReturnType<typeof plantProblems> = {}
  if (!findCrop(form.cropId)) problems.cropId = 'Choose the crop that follows.'
  const planting = parseDay(form.plantingDate)
  if (planting === null) problems.plantingDate = 'Enter a date that exists, such as 2026-06-18.'
  else if (!planted && planting < today)
    problems.plantingDate = 'The planting date is past. Choose today or later, or record the planting below.'
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
  form: PlantForm,
  crop: Crop,
  { stand, bed, next }: StandView,
  gardenId: string,
  freshId: string,
): Stand {
  const fact = { date: form.doneOn, covering: null, passes: null, components: [], note: form.note }
  const content: Stand['content'] = { kind: 'crop', cropId: crop.id, establishment: form.establishment }
  const until = isoDate(dayNumber(form.doneOn) + crop.daysInBed)
  const harvest = (date: string) => ({ date, method: 'harvest' as const, passes: 1, note: '' })
  const planned = next?.stand
  if (planned && planned.content.kind === 'crop' && !planned.start.fact)
    return {
      ...planned,
      content,
      start: { ...planned.start, fact },
      end: {
        ...planned.end,
        plan: harvest(
          planned.end.plan && planned.end.plan.date > form.doneOn ? planned.end.plan.date : until,
        ),
      },
    }
  return {
    id: freshId,
    gardenId,
    bedId: bed.id,
    part: stand.part,
    underStandId: null,
    cuts: [],
    note: '',
    content,
    start: { plan: null, fact },
    end: { plan: harvest(until), fact: null },
  }
}
