import { dayNumber } from '../foundations/day'
import { atOnce, finish, type Steps } from '../foundations/steps'
import type { Stand, StartDetails } from '../garden/schema'
import { latest } from '../garden/timeline'
import { FATES } from '../termination/fates'
import { firstMembers, firstUnknownDay, type WeatherEnsemble } from '../site/weather'
import {
  courseInSteps,
  resumeInSteps,
  runSavingInSteps,
  runStand,
  stateAfter,
  stateOn,
  walkOn,
  type SavedStates,
} from '../stand/kernel'
import type { Ground } from '../soil/ground'
import { joined } from '../stand/joined'
import type { StandState } from '../stand/state'
import type { StandEvent, StandInput, StandRun } from '../stand/types'
import { drawMemberParameters, drawSowing, type MemberParameters } from '../stand/memberParameters'
import { assimilateInSteps } from '../tracking/assimilate'
import { correctionsBy } from '../tracking/correction'
import { observationsOf, type Observation } from '../tracking/observations'
import type { StandAbove, StandCase } from './cases'
import { eventsBefore, eventsFromEnd } from './events'
import { weatherUntil } from './horizon'
import { sownSpecies, wateringOf } from './input'
import { leadComponent } from '../garden/lead'

/** Times that a run is set right by one look at most: what is set right before it grows on until then. */
const CORRECTED_ROUNDS = 2
export type Walk = {
  day: number
  days: number
  members: number
  events: readonly StandEvent[]
  from: StandState | null
}

type Branching = [day: number, events: readonly StandEvent[], days?: number, members?: readonly number[]]

/**
 * A stand's run without its ending, and the weather its members had, which learning may have put in another order.
 * `again` runs the same stand from sowing with further events, for its first `members` only where that is enough.
 * `branch` takes the run up at the beginning of a day with further events from that day on, for some `days`, and for some
 * `members` only where the others do not matter.
 */
export type SeasonRun = {
  run: StandRun
  ensemble: WeatherEnsemble
  /** Day on which each member was sown, where it is not known. */
  sownOn: Float64Array | null
  again: (events: readonly StandEvent[], members?: number) => StandRun
  branch: (...branching: Branching) => StandRun
  /** The same with pauses. */
  branchInSteps: (...branching: Branching) => Steps<StandRun>
  /** Walks on from a day, from the state at its beginning or from one a walk has come to, by its first `members`. */
  walkOn: (walk: Walk) => { run: StandRun; state: StandState }
  /** Its course after the days it was followed, where it was not followed to the end of the weather: stages and plants alive alone. */
  course: () => Steps<StandRun | null>
  /** The state at the beginning of a day, with further events before it. */
  stateOn: (day: number, events: readonly StandEvent[]) => StandState
}

/**
 * Looks at a stand until its end. A look is of the morning: on the day of a cut or of the end it is of what stood before, as the
 * evening before left it.
 */
function looksAt({ end, cuts }: Stand, all: readonly Observation[]): Observation[] {
  const ended = end.actual && dayNumber(end.actual.date)
  const worked = new Set([
    ended,
    ...cuts.flatMap(({ cut: { actual } }) => (actual ? [dayNumber(actual.date)] : [])),
  ])
  return all
    .filter((look) => ended === null || look.day <= ended)
    .map((look) => (worked.has(look.day) ? { ...look, day: look.day - 1 } : look))
}

/** First and last day of sowing, within the weather that is there; the same where the day is known. */
function sowingRange({ date, sownBetween }: StartDetails, firstDay: number): [number, number] {
  if (!sownBetween) return [dayNumber(date), dayNumber(date)]
  return [Math.max(firstDay, dayNumber(sownBetween.from)), dayNumber(sownBetween.to)]
}

/**
 * Runs a cover with its cuts and what was seen of it until its end, as it would stand on if it were not ended, on ground
 * as what stood before left it, under what stands above. What was seen re-weights the members. Days in `saveOn` are those that `branch` can start
 * from without a run of its own. It is followed to the end of the weather, or to `untilDay` and past the last look;
 * branches go on from there all the same. Returns null for crops, unknown species, and stands sown outside the weather.
 */
export const standRunOn = atOnce(standRunOnInSteps)

/** The same with pauses. */
export function* standRunOnInSteps(
  standCase: StandCase,
  ensemble: WeatherEnsemble,
  ground: Ground | null,
  saveOn: readonly number[] = [],
  above: StandAbove | null = null,
  untilDay: number | null = null,
): Steps<SeasonRun | null> {
  const { stand, bed, checks } = standCase
  const start = latest(stand.start)
  const sown = sownSpecies(stand, bed)
  if (!start || sown.length === 0) return null
  const sownDay = dayNumber(start.date)
  if (sownDay < ensemble.startDay || sownDay >= ensemble.startDay + ensemble.days) return null
  const [sowDay, sownBy] = sowingRange(start, ensemble.startDay)
  const { seed } = ensemble
  const looks = looksAt(
    stand,
    observationsOf(
      stand.id,
      checks,
      sown.map(({ plant }) => plant.id),
    ),
  )
  let input: StandInput = {
    sown,
    sowDay,
    soil: bed.soil,
    fertility: bed.fertility,
    stoodBefore: bed.stoodBefore,
    ...(ground && { ground }),
    shade: bed.shade,
    canopyAbove: above?.canopyAbove ?? null,
    ...(above && { crop: above.crop }),
    watering: wateringOf(stand),
    events: [...eventsBefore(standCase, looks), ...(above?.events ?? [])],
    fates: FATES,
  }
  const drawn = drawMemberParameters(sown, ensemble.members.length, seed, { groundSeed: ensemble.seed })
  const prior =
    sownBy > sowDay
      ? { ...drawn, sownAfter: drawSowing(sownBy - sowDay, ensemble.members.length, seed) }
      : drawn
  const inOrder = (order: readonly number[] | null) =>
    order ? { ...ensemble, members: order.map((member) => ensemble.members[member]) } : ensemble
  const unknownFrom = firstUnknownDay(ensemble, sowDay)
  const unseen = looks.some((look) => look.day > unknownFrom)
  const lastLook = Math.max(sownBy, ...looks.map(({ day }) => day))
  const followed = (weather: WeatherEnsemble) =>
    weatherUntil(weather, untilDay === null ? null : Math.max(untilDay, lastLook + 1))
  let saved: SavedStates = new Map()
  const runAlone = function* (memberParameters: MemberParameters, order: readonly number[] | null) {
    const weather = followed(inOrder(order))
    const last = weather.startDay + weather.days
    const saving = yield* runSavingInSteps(input, weather, memberParameters, [...saveOn, last])
    saved = saving.saved
    return saving.run
  }
  const learned = yield* assimilateInSteps(runAlone, prior, leadComponent(stand), looks, seed, unseen)
  const { memberParameters } = learned
  const weather = inOrder(learned.order)
  let { run } = learned
  // What no member explains is seen all the same: what has grown is set right by it, and it goes on from there.
  for (const look of looks)
    for (let round = 0; round < CORRECTED_ROUNDS; round++) {
      const corrections = correctionsBy(run, look)
      if (corrections.length === 0) break
      input = { ...input, events: [...input.events, ...corrections] }
      run = yield* runAlone(memberParameters, learned.order)
    }
  const savedOn = (day: number) => {
    const known = saved.get(day)
    if (known) return known
    const before = Math.max(...[...saved.keys()].filter((other) => other < day))
    const state =
      before > -Infinity
        ? stateAfter(input, weather, memberParameters, saved.get(before)!, before, day)
        : stateOn(input, weather, memberParameters, day)
    saved = new Map([...saved, [day, state]])
    return state
  }
  const withEvents = (events: readonly StandEvent[]) => ({ ...input, events: [...input.events, ...events] })
  const branchInSteps = (...[day, events, days, members]: Branching) =>
    resumeInSteps(
      withEvents(events),
      weather,
      memberParameters,
      savedOn(Math.max(day, sowDay)),
      Math.max(day, sowDay),
      days,
      members,
    )
  const { sownAfter } = memberParameters
  return {
    run,
    ensemble: weather,
    sownOn: sownAfter ? sownAfter.map((days) => sowDay + days) : null,
    again: (events, members = weather.members.length) =>
      runStand(withEvents(events), firstMembers(weather, members), memberParameters),
    branch: (...branching) => finish(branchInSteps(...branching)),
    branchInSteps,
    walkOn: ({ day, days, members, events, from }) =>
      walkOn(withEvents(events), weather, memberParameters, from ?? savedOn(day), day, days, members),
    *course() {
      const day = run.startDay + run.days
      return day < weather.startDay + weather.days
        ? yield* courseInSteps(input, weather, memberParameters, savedOn(day), day)
        : null
    },
    stateOn: (day, events) => stateOn(withEvents(events), weather, memberParameters, day),
  }
}

/** First day on which an ending, or what takes the ground after it, changes the stand; null where nothing does. */
const firstChange = (events: readonly StandEvent[]) =>
  events.length === 0 ? null : Math.min(...events.map((event) => event.day))

/** A stand's run with its planned or recorded ending and what takes the ground after it in it. */
export const endedRun = atOnce(endedRunInSteps)

/** The same with pauses. */
export function* endedRunInSteps(standCase: StandCase, season: SeasonRun): Steps<StandRun> {
  const events = eventsFromEnd(standCase)
  const { run } = season
  const day = firstChange(events)
  if (day === null || day >= run.startDay + run.days) return run
  return joined(run, yield* season.branchInSteps(day, events))
}
