import { planStretch, type PlanDraft } from './planStretch'
import type { Step } from './step'
import { addDays, dayNumber, isoDate } from '../core/foundations/day'
import type { EndDetails } from '../core/garden/ending'
import type { Bed, CutDetails, GardenData, Stand } from '../core/garden/schema'
import { leadComponent } from '../core/garden/lead'
import { justBefore, stageReached, type StandForecast } from '../core/season/standForecast'
import { findMethod, methodName, type MethodId } from '../core/termination/methods'
import { endFor } from '../core/termination/start'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { standName } from '../text/names'

/** First day on which a stand can have been ended; null where it was never sown. */
export const sownDayOf = ({ start }: Pick<Stand, 'start'>): number | null => {
  const sown = start.actual ?? start.plan
  return sown && dayNumber(sown.date)
}

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

/** What is told of an ending that was done; minutes null where nobody looked at the clock. */
export type EndingDone = {
  method: MethodId
  passes: number
  day: number
  note: string
  by: string
  minutes: number | null
  materials: string
  /** Animals hurt or lost; null where nobody said. */
  hurt?: number | null
}

/**
 * Records an end: as is usual here, or as it was planned for the same way, with the stages the forecast has for that day
 * noted, so that a later count can be placed.
 */
export function recordEnd(
  { garden }: Pick<GardenData, 'garden'>,
  bed: Bed,
  stand: Stand,
  done: EndingDone,
  forecast: StandForecast | null,
): Step {
  const { method, passes, day, note, by, minutes, materials, hurt = null } = done
  const kept = stand.end.plan?.method === method ? stand.end.plan : null
  const place = { bed, segment: stand.segment, livestock: garden.livestock }
  const actual: EndDetails = {
    ...endFor({ method: findMethod(method)!, passes }, day, place),
    note,
    ...(kept?.animals && { animals: kept.animals }),
    ...(kept?.lanes && { lanes: kept.lanes }),
    ...(kept?.untilThin && { untilThin: true }),
    ...(kept?.stubbleCm !== undefined && { stubbleCm: kept.stubbleCm }),
    ...(forecast && stagesOn(stand, forecast, day)),
    ...(by.trim() && { by: by.trim() }),
    ...(minutes !== null && { minutes }),
    ...(materials.trim() && { materials: materials.trim() }),
    ...(hurt !== null && findMethod(method)?.animals && { hurt }),
  }
  return {
    label: `Recorded the end of ${standName(stand).toLowerCase()}`,
    writes: [changed('stands', stand, { end: { ...stand.end, actual } })],
  }
}

/** Plans an ending, not before the day after the sowing, and keeps with it what is being tried on the plan. */
export function planEnd(
  data: Pick<GardenData, 'beds' | 'stands'>,
  stand: Stand,
  end: EndDetails,
  draft: PlanDraft | null,
): Step {
  const sown = sownDayOf(stand)
  const date = sown === null || dayNumber(end.date) > sown ? end.date : isoDate(sown + 1)
  return {
    label: `Planned ${methodName(findMethod(end.method)!, end.passes).toLowerCase()} for ${standName(stand).toLowerCase()}`,
    writes: planStretch(data, stand, { ...draft, end: { ...end, date } }, newId('stand')),
  }
}

/** Plans mowings and the ending after them as one, in the place of the cuts and the ending planned before. */
export function planInTurns(
  data: Pick<GardenData, 'beds' | 'stands'>,
  stand: Stand,
  { cuts, end }: { cuts: readonly CutDetails[]; end: EndDetails },
  draft: PlanDraft | null,
): Step {
  const planned = cuts.map((plan) => ({ id: newId('cut'), cut: { plan, actual: null } }))
  return {
    label: `Planned ${standName(stand).toLowerCase()} in turns`,
    writes: planStretch(data, stand, { ...draft, cuts: planned, end }, newId('stand')),
  }
}

/** Moves the planned cuts and the ending by as many days. */
export function moveTurns(data: Pick<GardenData, 'beds' | 'stands'>, stand: Stand, byDays: number): Step {
  const moved = <T extends { date: string }>(act: T): T => ({ ...act, date: addDays(act.date, byDays) })
  const cuts = stand.cuts.flatMap(({ id, cut }) =>
    cut.plan && !cut.actual ? [{ id, cut: { ...cut, plan: moved(cut.plan) } }] : [],
  )
  const { plan } = stand.end
  return {
    label: `Moved the turns of ${standName(stand).toLowerCase()}`,
    writes: planStretch(data, stand, { cuts, ...(plan && { end: moved(plan) }) }, newId('stand')),
  }
}

/** Takes the planned cuts before an ending out of the plan. */
export const withoutTurns = (data: Pick<GardenData, 'beds' | 'stands'>, stand: Stand): Step => ({
  label: 'Took the mowings out of the plan',
  writes: planStretch(data, stand, { cuts: [] }, newId('stand')),
})

/** The day a sheet came off; null puts back that it lies. */
export function sheetOff(stand: Stand, day: number | null): Step {
  const name = standName(stand).toLowerCase()
  const actual = { ...stand.end.actual!, liftedOn: day === null ? undefined : isoDate(day) }
  return {
    label: day === null ? `The sheet over ${name} lies on` : `Took the sheet off ${name}`,
    writes: [changed('stands', stand, { end: { ...stand.end, actual } })],
  }
}
