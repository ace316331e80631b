import { findMethod, type MethodId } from '../../core/termination/methods'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { EndDetails } from '../../core/garden/ending'
import type { Stand } from '../../core/garden/schema'
import { justBefore, stageReached, type StandForecast } from '../../core/season/standForecast'
import { leadComponent } from '../../core/season/lead'
import { typedNumber } from '../../parts/typed'

export type EndForm = {
  /** A start asked for in the comparison; empty: each way at its own best. */
  startDate: string
  doneOn: string
  method: MethodId
  passes: number
  note: string
  by: string
  minutes: string
  materials: string
}

/** What is wrong with the start asked for or the record as filled in, with the fix. */
export function endProblems(
  form: Pick<EndForm, 'startDate' | 'doneOn' | 'minutes'>,
  today: number,
  sownDay: number,
  planting: number | null,
): Partial<Record<'startDate' | 'doneOn' | 'minutes', string>> {
  const problems: ReturnType<typeof endProblems> = {}
  const start = form.startDate === '' ? null : parseDay(form.startDate)
  const done = parseDay(form.doneOn)
  if (form.startDate !== '' && start === null)
    problems.startDate = 'Enter a date that exists, or empty it to see each way at its own best.'
  else if (start !== null && start < sownDay)
    problems.startDate = `It was sown on ${isoDate(sownDay)}. The end must come after.`
  else if (start !== null && planting !== null && start >= planting)
    problems.startDate = 'The work must begin before the planting date. Choose an earlier day.'
  if (done === null) problems.doneOn = 'Enter a date that exists, such as 2026-05-18.'
  else if (done > today)
    problems.doneOn = 'An ending is recorded once it is done. Choose today or an earlier date.'
  else if (done < sownDay) problems.doneOn = `It was sown on ${isoDate(sownDay)}. The end must come after.`
  const minutes = typedNumber(form.minutes)
  if (form.minutes.trim() !== '' && !(minutes >= 0 && minutes <= 10_000))
    problems.minutes = 'Minutes are a number from 0 to 10000, or leave it empty.'
  return problems
}

/** Whether a way can be done more than once. */
export const canRepeat = (method: MethodId) => findMethod(method)?.twice !== null

/** Stage a stand is ended at by the forecast, and that of each species of a mix; nothing where it says none. */
export function stagesOn(
  stand: Stand,
  forecast: StandForecast,
  day: number,
): Pick<EndDetails, 'bbch' | 'stages'> {
  const stage = justBefore(forecast, day)?.bbch
  if (stage === undefined) return {}
  const bbch = Math.round(stage)
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  if (components.length < 2) return { bbch }
  const lead = leadComponent(stand)
  return {
    bbch,
    stages: Object.fromEntries(
      components.map((component, i) => [
        component.speciesId,
        i === lead ? bbch : stageReached(forecast, i, day),
      ]),
    ),
  }
}

/**
 * The ending as it is stored: as is usual here, or as it was planned for the same way, with the stages the forecast has
 * for that day noted, so that a later count can be placed.
 */
export function endFact(
  form: EndForm,
  method: MethodId,
  stand: Stand,
  usual: EndDetails,
  forecast: StandForecast | null,
): EndDetails {
  const kept = stand.end.plan?.method === method ? stand.end.plan : null
  return {
    ...usual,
    passes: method === form.method ? form.passes : 1,
    note: form.note,
    ...(kept?.animals && { animals: kept.animals }),
    ...(kept?.lanes && { lanes: kept.lanes }),
    ...(kept?.stubbleCm !== undefined && { stubbleCm: kept.stubbleCm }),
    ...(forecast && stagesOn(stand, forecast, dayNumber(form.doneOn))),
    ...(form.by.trim() && { by: form.by.trim() }),
    ...(form.minutes.trim() && { minutes: typedNumber(form.minutes) }),
    ...(form.materials.trim() && { materials: form.materials.trim() }),
  }
}
