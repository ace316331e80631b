import { dayNumber } from '../foundations/day'
import { stableHash } from '../foundations/hash'
import { findCrop } from '../plants/crops'
import { addResidue } from '../residue/pools'
import { LOOK_BACK_DAYS } from '../season/earlier'
import { latest } from '../garden/timeline'
import type { Brought, EarlierUse, StandAbove, StandCase } from '../season/cases'
import { eventsFromEnd } from '../season/events'
import { endedRun, standRunOn } from '../season/run'
import { FATES } from '../termination/fates'
import { firstMembers, type MemberWeather, type WeatherEnsemble } from '../site/weather'
import type { Ground } from '../soil/ground'
import { stateOn } from '../stand/kernel'
import { pickState, type StandState } from '../stand/state'
import { drawMemberParameters } from '../stand/memberParameters'
import type { GroundCrop, StandEvent } from '../stand/types'
import { coverAbove, cropAbove } from './above'
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
      const untilDay = use.kind === 'cover' ? next : Math.min(next, use.goneDay ?? next)
      return { use, untilDay }
    })
    .filter(({ use, untilDay }) => untilDay > Math.max(use.startDay, day - lookBackDays))
}

/** A bed whose records reach further back than it is followed: what stood there before them no longer tells anything. */
export const withRecords = (bed: StandCase['bed']): StandCase['bed'] => ({ ...bed, stoodBefore: null })

/**
 * What a bed went through from the first of its uses until a day: each use, and the bare times between. Uses that begin
 * before the weather does, and those that ended `lookBackDays` before the day, are left out. Empty where none is left.
 * What is sown that day under `underStandId` finds that stand upright, not on the ground.
 */
export function throughBed(
  uses: readonly EarlierUse[],
  bed: StandCase['bed'],
  ensemble: WeatherEnsemble,
  day: number,
  lookBackDays = LOOK_BACK_DAYS,
  underStandId: string | null = null,
): Period[] {
  const weather = firstMembers(ensemble, PAST_MEMBERS)
  const lastDay = Math.min(day, ensemble.startDay + ensemble.days)
  const followed = usesUntil(uses, ensemble.startDay, lastDay, lookBackDays)
  const answers = followed[0]?.use === uses[0] ? bed : withRecords(bed)
  const periods: Period[] = []
  const follow = (
    of: EarlierUse | null,
    fromDay: number,
    untilDay: number,
    above: StandAbove | null = null,
    under: string | null = null,
  ) => {
    const last = periods.at(-1)
    const ground = last?.ground ?? null
    const state =
      (of?.kind === 'cover' && coverState(of, answers, weather, ground, untilDay, above)) ||
      groundState(of, laidIn(of ?? last?.of ?? null), answers, weather, ground, fromDay, untilDay)
    const goesOn = of?.kind === 'cover' && of.standCase.stand.id === under
    periods.push(periodOf(of, fromDay, untilDay, state, goesOn))
  }
  followed.forEach(({ use, untilDay }, i) => {
    const bareFrom = periods.at(-1)?.untilDay ?? use.startDay
    if (use.startDay > bareFrom) follow(null, bareFrom, use.startDay)
    const above = use.kind === 'cover' ? aboveOn({ ...use.standCase, before: uses }, ensemble) : null
    const next = followed[i + 1]?.use
    const under = next ? (next.kind === 'cover' ? next.standCase.stand.underStandId : null) : underStandId
    follow(use, use.startDay, untilDay, above, under)
  })
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
  above: StandAbove | null,
): StandState | null {
  const until = { ...standCase, bed, nextStartDay: untilDay }
  const events = eventsFromEnd(until)
  const changes = Math.min(untilDay, ...events.map(({ day }) => day))
  const season = standRunOn(until, ensemble, ground, [changes], above, untilDay)
  if (!season) return null
  // An ending before its sowing changes nothing that could be taken up.
  const day = Math.max(changes, season.run.startDay)
  return season.walkOn({ day, days: untilDay - day, members: ensemble.members.length, events, from: null })
    .state
}

/** Mulch that is carried to the ground of a use, and to it while it is bare afterwards. */
const laidIn = (use: EarlierUse | null): Brought =>
  (use?.kind === 'cover' ? use.standCase.brought : use?.brought) ?? []

/** The ground under a crop or a sheet, or bare, at the beginning of a day. */
function groundState(
  use: EarlierUse | null,
  brought: Brought,
  { soil, fertility, stoodBefore, shade }: StandCase['bed'],
  ensemble: WeatherEnsemble,
  ground: Ground | null,
  fromDay: number,
  untilDay: number,
): StandState {
  const known = use?.kind === 'crop' ? findCrop(use.cropId) : null
  const crop: GroundCrop | null = known && cropCourse(known, fertility, fromDay, untilDay)
  const mulch = brought.map((load): StandEvent => ({ kind: 'mulch', ...load }))
  const sheet: StandEvent[] =
    use?.kind === 'bare' && use.sheet
      ? [{ kind: 'sheet', day: fromDay, sheet: { kind: use.sheet, offDay: untilDay } }]
      : []
  return stateOn(
    {
      sown: [],
      sowDay: fromDay,
      soil,
      fertility,
      stoodBefore,
      shade,
      canopyAbove: null,
      events: [...sheet, ...mulch],
      fates: FATES,
      ...(ground && { ground }),
      ...(crop && { crop }),
    },
    ensemble,
    drawMemberParameters([], ensemble.members.length, ensemble.seed),
    untilDay,
  )
}

function periodOf(
  of: EarlierUse | null,
  fromDay: number,
  untilDay: number,
  state: StandState,
  goesOn: boolean,
): Period {
  // A crop that goes on standing has left nothing yet.
  const gone = of?.kind === 'crop' && of.goneDay !== null && of.goneDay <= untilDay
  const crop = gone ? findCrop(of.cropId) : null
  const remains = crop && cropRemains(crop, untilDay - fromDay)
  const ground: Ground = pickState(state, [...Array(state.members).keys()])
  for (let m = 0; m < ground.members; m++) {
    if (!goesOn)
      for (const plants of state.plants) addResidue(ground.surface, m, plants.massG[m], plants.nitrogenG[m])
    if (remains) addResidue(ground.buried, m, remains.massG, remains.nitrogenG)
  }
  return { of, fromDay, untilDay, state, ground }
}

/** What was worked out in the weather of some members, known by the first of them. */
type Remembered<T> = WeakMap<MemberWeather, { members: readonly MemberWeather[]; byKey: Map<string, T> }[]>
const grounds: Remembered<Ground | null> = new WeakMap()
const aboves: Remembered<StandAbove | null> = new WeakMap()

/** What was worked out once for a key in the members that a bed's past is followed in, whatever ensemble they stand in. */
function remembered<T>(of: Remembered<T>, ensemble: WeatherEnsemble, key: string, make: () => T): T {
  const { members } = firstMembers(ensemble, PAST_MEMBERS)
  const [first] = members
  if (!of.has(first)) of.set(first, [])
  const sameFirst = of.get(first)!
  const isSame = (other: readonly MemberWeather[]) =>
    other.length === members.length && other.every((member, i) => member === members[i])
  let known = sameFirst.find((entry) => isSame(entry.members))
  if (!known) sameFirst.push((known = { members, byKey: new Map() }))
  let value = known.byKey.get(key)
  if (value === undefined) known.byKey.set(key, (value = make()))
  return value
}

/**
 * The ground on a day as its past left it, worked out once for each past, bed and day; null where none is known.
 * `underStandId` is the stand under which something is sown that day.
 */
export function groundOn(
  before: readonly EarlierUse[],
  bed: StandCase['bed'],
  ensemble: WeatherEnsemble,
  day: number,
  underStandId: string | null = null,
): Ground | null {
  if (before.length === 0) return null
  const { soil, fertility, stoodBefore, shade } = bed
  const last = Math.min(day, ensemble.startDay + ensemble.days)
  const key = [
    stableHash(before),
    soil,
    fertility,
    stoodBefore,
    shade,
    day,
    last,
    underStandId,
    ensemble.seed,
  ].join(':')
  return remembered(
    grounds,
    ensemble,
    key,
    () => throughBed(before, bed, ensemble, day, LOOK_BACK_DAYS, underStandId).at(-1)?.ground ?? null,
  )
}

/** What a stand was sown under as it feels it, worked out once for each; null where there is nothing, or nothing known. */
export function aboveOn(standCase: StandCase, ensemble: WeatherEnsemble): StandAbove | null {
  const { upper, bed, stand, before = [] } = standCase
  const start = latest(stand.start)
  if (!upper || upper.kind === 'bare' || !start) return null
  if (upper.kind === 'crop') return cropAbove(upper, bed.fertility)
  const earlier = before.filter(({ startDay }) => startDay < upper.startDay)
  const key = stableHash([upper, earlier, start.date, stand.segment, ensemble.days, ensemble.seed])
  return remembered(aboves, ensemble, key, () => {
    const some = firstMembers(ensemble, PAST_MEMBERS)
    const ground = groundOn(earlier, bed, ensemble, upper.startDay)
    const season = standRunOn(upper.standCase, some, ground)
    return (
      season &&
      coverAbove(endedRun(upper.standCase, season), upper.standCase, standCase, dayNumber(start.date))
    )
  })
}
