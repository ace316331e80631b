import { isoDate } from '../foundations/day'
import { compareTerminations, type Ask, type TerminationOption } from '../scenario/compare'
import type { Means, Scenario } from '../scenario/types'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import type { StandEvent, StandRun } from '../stand/types'
import { bareLiving } from '../termination/living'
import type { Stand } from '../garden/schema'
import { testCase, testCover } from './beds'
import { BARE_FACTS, testMeans } from './questions'

/** Every way held against the others for a run that is at hand, from a day on, to be dead by another. */
export function waysFor(
  { run, ensemble }: { run: StandRun; ensemble: WeatherEnsemble },
  {
    from,
    by,
    bed,
    ask,
    ...means
  }: { from: number; by: number; bed?: Scenario['standCase']['bed']; ask?: Ask } & Partial<Means>,
): TerminationOption[] {
  const covered = run.cover.some((cover) => cover >= 0.3) ? run : { ...run, cover: run.cover.map(() => 0.6) }
  const stand: Stand = testCover(run.sown[0].plant.id, isoDate(run.startDay))
  const scenario: Scenario = {
    standCase: testCase(stand, {
      ...(bed && { bed }),
      flattens: (means.tools ?? []).some(({ kind }) => kind !== 'black tarp' && kind !== 'rake'),
    }),
    follows: { kind: 'deadline', day: by, establishment: 'transplant' },
    means: testMeans(means),
    ground: BARE_FACTS,
    today: from,
  }
  /** The stand with events, its plants followed and all else of it as it stands. */
  const withEvents = (day: number, events: readonly StandEvent[], days = Infinity): StandRun => {
    const living = bareLiving(covered, ensemble, events, day)
    const { members } = covered
    const span = Math.min(days, living.toDay - living.fromDay)
    const from = (living.fromDay - covered.startDay) * members
    const on = (series: Float32Array) => series.subarray(from, from + span * members)
    return {
      ...covered,
      startDay: living.fromDay,
      days: span,
      species: covered.species.map((species, c) => ({
        ...species,
        bbch: on(species.bbch),
        massG: on(species.massG),
        alive: Float32Array.from({ length: span * members }, (_, at) =>
          living.alive(c, at % members, living.fromDay + Math.floor(at / members)),
        ),
      })),
      residueG: on(covered.residueG),
      residueNitrogenG: on(covered.residueNitrogenG),
      releasedG: on(covered.releasedG),
      mineralG: on(covered.mineralG),
    }
  }
  const noStates = () => {
    throw new Error('a run that is at hand has no states')
  }
  const season: SeasonRun = {
    run: covered,
    ensemble,
    sownOn: null,
    again: () => covered,
    branch: (day, events, days) => withEvents(day, events, days),
    *branchInSteps(day, events, days) {
      yield
      return withEvents(day, events, days)
    },
    *course() {
      yield
      return null
    },
    stateOn: noStates,
    walkOn: noStates,
  }
  return compareTerminations(scenario, season, ask)
}

/** One way of those compared. */
export const wayOf = (
  options: readonly TerminationOption[],
  method: TerminationOption['method'],
  passes = 1,
): TerminationOption => options.find((option) => option.method === method && option.passes === passes)!
