import { atOnce, finish, type Steps } from '../foundations/steps'
import type { WeatherEnsemble } from '../site/weather'
import { BLOCK, weatherBlocks } from './block'
import { courseDay, drainDay, stepDay } from './day'
import type { MemberParameters } from './memberParameters'
import { closeAccounts, emptyCourse, emptyRun, record, recordCourse } from './recording'
import { copyState, pickState, sownState, type StandState } from './state'
import type { StandInput, StandRun } from './types'
import { newWork, type Work } from './work'

/** States at the beginning of some days of a run, by day number: where a what-if begins. */
export type SavedStates = ReadonlyMap<number, StandState>

/** Days of a block between two pauses. */
const PAUSE_DAYS = 64

/**
 * Steps all members of `work` from `startDay` on for so many days, a block of them after another, each through all its
 * days, with pauses. The days are written into `run` where one is given, and states copied into those of
 * `saved` by day.
 */
function* runDays(
  work: Work,
  startDay: number,
  days: number,
  run: StandRun | null,
  saved: SavedStates,
): Steps<void> {
  const { ensemble, members, state } = work
  const offset = startDay - ensemble.startDay
  for (const [i, weather] of weatherBlocks(ensemble, members, offset, days).entries()) {
    const begin = i * BLOCK
    const end = Math.min(members.length, begin + BLOCK)
    for (let d = 0; d < days && begin < end; d++) {
      const at = (offset + d - weather.firstDay) * weather.size - begin
      const kept = saved.get(startDay + d)
      if (kept) copyState(kept, state, begin, end)
      stepDay(work, weather, startDay + d, at, begin, end)
      if (run) record(run, d, state, begin, end)
      drainDay(work, weather, startDay + d, at, begin, end)
      if ((d + 1) % PAUSE_DAYS === 0) yield
    }
    const kept = saved.get(startDay + days)
    if (kept) copyState(kept, state, begin, end)
    yield
  }
  if (run) for (let m = 0; m < members.length; m++) closeAccounts(run, state, m)
}

/** All members of an ensemble, in order. */
const everyMember = (ensemble: WeatherEnsemble) => [...ensemble.members.keys()]

/** Days from one to the last of an ensemble. */
const daysFrom = (ensemble: WeatherEnsemble, day: number) => ensemble.startDay + ensemble.days - day

/** A stand about to be sown, with places for its states on some days. */
function sownWork(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saveOn: readonly number[],
): { work: Work; days: number; saved: Map<number, StandState> } {
  const members = everyMember(ensemble)
  const state = sownState(input, ensemble, memberParameters)
  const days = daysFrom(ensemble, input.sowDay)
  return {
    work: newWork(input, ensemble, memberParameters, members, state),
    days,
    saved: new Map(
      saveOn
        .filter((day) => day >= input.sowDay && day <= input.sowDay + days)
        .map((day) => [day, pickState(state, members)]),
    ),
  }
}

/**
 * Runs a stand from its sowing day to the end of the ensemble, every member with its own weather and parameters.
 * Light-use-efficiency growth of the LINTUL family (Spitters 1990), light shared in mixes by k·LAI weighted by
 * height (Spitters and Aerts 1983). `sowDay` must lie inside the ensemble.
 */
export function runStand(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
): StandRun {
  return runSaving(input, ensemble, memberParameters, []).run
}

/** The same, with the states kept that stand at the beginning of the days in `saveOn`; the day after the last is its end. */
export const runSaving = atOnce(runSavingInSteps)

/** The same with pauses. */
export function* runSavingInSteps(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saveOn: readonly number[],
): Steps<{ run: StandRun; saved: SavedStates }> {
  const run = emptyRun(input, input.sowDay, daysFrom(ensemble, input.sowDay), ensemble.members.length)
  const { work, days, saved } = sownWork(input, ensemble, memberParameters, saveOn)
  yield* runDays(work, input.sowDay, days, run, saved)
  return { run, saved }
}

/** The state of a stand at the beginning of a day, without writing down the days before. */
export function stateOn(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  day: number,
): StandState {
  const { work } = sownWork(input, ensemble, memberParameters, [])
  finish(runDays(work, input.sowDay, day - input.sowDay, null, new Map()))
  return work.state
}

/** The state of a stand at the beginning of a day, from an earlier one. */
export function stateAfter(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saved: StandState,
  fromDay: number,
  day: number,
): StandState {
  const members = everyMember(ensemble)
  const work = newWork(input, ensemble, memberParameters, members, pickState(saved, members))
  finish(runDays(work, fromDay, day - fromDay, null, new Map()))
  return work.state
}

/**
 * Runs a stand on from a saved state: `input` may hold other events from `day` on, all else as in the run that was saved.
 * The result begins on `day` and goes on for `days`, or to the end of the ensemble. It holds the `members` asked for, in
 * their order; all of them when left out.
 */
export const resumeStand = atOnce(resumeInSteps)

/** The same with pauses. */
export function* resumeInSteps(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saved: StandState,
  day: number,
  days = Infinity,
  members: readonly number[] = everyMember(ensemble),
): Steps<StandRun> {
  const span = Math.min(days, daysFrom(ensemble, day))
  const run = emptyRun(input, day, span, members.length)
  const state = pickState(saved, members)
  yield* runDays(newWork(input, ensemble, memberParameters, members, state), day, span, run, new Map())
  return run
}

/** The course of a stand from a saved state to the end of the ensemble: its stages and the plants alive, nothing else of it. */
export function* courseInSteps(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saved: StandState,
  day: number,
): Steps<StandRun> {
  const members = everyMember(ensemble)
  const days = daysFrom(ensemble, day)
  const run = emptyCourse(input, day, days, members.length)
  const work = newWork(input, ensemble, memberParameters, members, pickState(saved, members))
  const offset = day - ensemble.startDay
  for (const [i, weather] of weatherBlocks(ensemble, members, offset, days).entries()) {
    const begin = i * BLOCK
    const end = Math.min(members.length, begin + BLOCK)
    for (let d = 0; d < days; d++) {
      const at = (offset + d - weather.firstDay) * weather.size - begin
      courseDay(work, weather, day + d, at, begin, end)
      recordCourse(run, d, work.state, begin, end)
    }
    yield
  }
  return run
}

/** A stand taken up from a saved state for some days, and the state at the end of them, from which it can be taken up again. */
export function walkOn(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saved: StandState,
  day: number,
  days: number,
  members: number,
): { run: StandRun; state: StandState } {
  const span = Math.min(days, daysFrom(ensemble, day))
  const picked = everyMember(ensemble).slice(0, members)
  const run = emptyRun(input, day, span, picked.length)
  const work = newWork(input, ensemble, memberParameters, picked, pickState(saved, picked))
  finish(runDays(work, day, span, run, new Map()))
  return { run, state: work.state }
}
