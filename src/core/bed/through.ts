import { findCrop } from '../plants/crops'
import { addResidue } from '../residue/pools'
import { LOOK_BACK_DAYS } from '../season/earlier'
import { eventsFromEnd, standRunOn, type EarlierUse, type StandCase } from '../season/run'
import { FATES } from '../termination/fates'
import { firstMembers, type WeatherEnsemble } from '../site/weather'
import type { Ground } from '../soil/ground'
import { stateOn } from '../stand/kernel'
import { pickState, type StandState } from '../stand/state'
import { drawMemberParameters } from '../stand/memberParameters'
import type { GroundCrop } from '../stand/types'
import { cropCourse, cropRemains } from './cropCourse'

/** Members that a bed's past is followed in; those of the stand on it take its ground from them in turn. */
export const PAST_MEMBERS = 40

/** A time in the life of a bed, with how it stands at the beginning of the day after it. */
export type Period = {
  of: EarlierUse | null
  fromDay: number
  untilDay: number
  state: StandState
  /** The ground that the next period begins on: what still stood lies on it now. */
  ground: Ground
}

/** The uses that a ground is followed through until a day, each with the day after its last. */
function usesUntil(uses: readonly EarlierUse[], firstDay: number, day: number, lookBackDays: number) {
  const begun = uses.filter(({ startDay }) => startDay >= firstDay && startDay < day)
  return begun
    .map((use, i) => {
      const next = begun[i + 1]?.startDay ?? day
      // What a cover leaves lies on until the next thing begins.
      const untilDay = use.kind === 'crop' ? Math.min(next, use.goneDay ?? next) : next
      return { use, untilDay }
    })
    .filter(({ use, untilDay }) => untilDay > Math.max(use.startDay, day - lookBackDays))
}

/** A bed whose records reach further back than it is followed: what stood there before them no longer tells anything. */
export const withRecords = (bed: StandCase['bed']): StandCase['bed'] => ({ ...bed, stoodBefore: null })

/**
 * What a bed went through from the first of its uses until a day: each use, and the bare times between. Uses that begin
 * before the weather does, and those that ended `lookBackDays` before the day, are left out. Empty where none is left.
 */
export function throughBed(
  uses: readonly EarlierUse[],
  bed: StandCase['bed'],
  ensemble: WeatherEnsemble,
  day: number,
  lookBackDays = LOOK_BACK_DAYS,
): Period[] {
  const weather = firstMembers(ensemble, PAST_MEMBERS)
  const lastDay = Math.min(day, ensemble.startDay + ensemble.days)
  const followed = usesUntil(uses, ensemble.startDay, lastDay, lookBackDays)
  const answers = followed[0]?.use === uses[0] ? bed : withRecords(bed)
  const periods: Period[] = []
  const follow = (of: EarlierUse | null, fromDay: number, untilDay: number) => {
    const ground = periods.at(-1)?.ground ?? null
    const state =
      (of?.kind === 'cover' && coverState(of, answers, weather, ground, untilDay)) ||
      groundState(of, answers, weather, ground, fromDay, untilDay)
    periods.push(periodOf(of, fromDay, untilDay, state))
  }
  for (const { use, untilDay } of followed) {
    const bareFrom = periods.at(-1)?.untilDay ?? use.startDay
    if (use.startDay > bareFrom) follow(null, bareFrom, use.startDay)
    follow(use, use.startDay, untilDay)
  }
  const bareFrom = periods.at(-1)?.untilDay ?? lastDay
  if (lastDay > bareFrom) follow(null, bareFrom, lastDay)
  return periods
}

/** A cover with all that was done to it, at the beginning of a day; null where it cannot be run. */
function coverState(
  { standCase }: Extract<EarlierUse, { kind: 'cover' }>,
  bed: StandCase['bed'],
  ensemble: WeatherEnsemble,
  ground: Ground | null,
  untilDay: number,
): StandState | null {
  const until = { ...standCase, bed, nextStartDay: untilDay }
  const season = standRunOn(until, ensemble, ground)
  return season && season.stateOn(untilDay, eventsFromEnd(until))
}

/** The ground under a crop, or bare, at the beginning of a day. */
function groundState(
  use: EarlierUse | null,
  { soil, fertility, stoodBefore, shade }: StandCase['bed'],
  ensemble: WeatherEnsemble,
  ground: Ground | null,
  fromDay: number,
  untilDay: number,
): StandState {
  const known = use?.kind === 'crop' ? findCrop(use.cropId) : null
  const crop: GroundCrop | null = known && cropCourse(known, fertility, fromDay, untilDay)
  return stateOn(
    {
      sown: [],
      sowDay: fromDay,
      soil,
      fertility,
      stoodBefore,
      shade,
      canopyAbove: null,
      events: [],
      fates: FATES,
      ...(ground && { ground }),
      ...(crop && { crop }),
    },
    ensemble,
    drawMemberParameters([], ensemble.members.length, ensemble.seed),
    untilDay,
  )
}

function periodOf(of: EarlierUse | null, fromDay: number, untilDay: number, state: StandState): Period {
  // A crop that goes on standing has left nothing yet.
  const gone = of?.kind === 'crop' && of.goneDay !== null && of.goneDay <= untilDay
  const crop = gone ? findCrop(of.cropId) : null
  const remains = crop && cropRemains(crop, untilDay - fromDay)
  const ground: Ground = pickState(state, [...Array(state.members).keys()])
  for (let m = 0; m < ground.members; m++) {
    for (const plants of state.plants) addResidue(ground.surface, m, plants.massG[m], plants.nitrogenG[m])
    if (remains) addResidue(ground.buried, m, remains.massG, remains.nitrogenG)
  }
  return { of, fromDay, untilDay, state, ground }
}
