import { isoDate } from '../foundations/day'
import { compareTerminations, type Ask, type TerminationOption } from '../scenario/compare'
import type { Means, Scenario } from '../scenario/types'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
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
  const noStates = () => {
    throw new Error('a run that is at hand has no states')
  }
  const season: SeasonRun = {
    run: covered,
    ensemble,
    sownOn: null,
    again: () => covered,
    branch: () => covered,
    *branchInSteps() {
      yield
      return covered
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
