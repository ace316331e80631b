import { isoDate } from '../foundations/day'
import { latest } from '../garden/timeline'
import type { WeatherEnsemble } from '../site/weather'
import { atOnce, type Steps } from '../foundations/steps'
import { evaluateInSteps } from './evaluate'
import { SAFE_CHANCE } from './starts'
import type { Scenario, ScenarioOutcome } from './types'

/** What a plan comes to when its cover is sown on another day, all else as planned. */
export type SowingOutlookDay = {
  day: number
  chance: number
  established: number
  failures: ScenarioOutcome['failures']
}

/** The scenario with its sowing planned for another day. */
export function sownOn(scenario: Scenario, day: number): Scenario {
  const { standCase } = scenario
  const start = latest(standCase.stand.start)
  return start
    ? {
        ...scenario,
        standCase: {
          ...standCase,
          stand: {
            ...standCase.stand,
            start: { plan: { ...start, date: isoDate(day) }, actual: null },
          },
        },
      }
    : scenario
}

/** A plan over sowing days: the same evaluation as everywhere, once for each day. */
export const sowingOutlook = atOnce(sowingOutlookInSteps)

/** The same with pauses. */
export function* sowingOutlookInSteps(
  scenario: Scenario,
  ensemble: WeatherEnsemble,
  days: readonly number[],
  told?: (share: number, soFar: SowingOutlookDay[]) => void,
): Steps<SowingOutlookDay[]> {
  const outlook: SowingOutlookDay[] = []
  for (const [i, day] of days.entries()) {
    const evaluated = yield* evaluateInSteps(sownOn(scenario, day), ensemble)
    if (evaluated) {
      const { chance, failures } = evaluated.outcome
      outlook.push({ day, chance: chance.whole, established: chance.established, failures })
    }
    told?.((i + 1) / days.length, [...outlook])
  }
  return outlook
}

/** Chances of sowing days that lie within so much count as equal; then the earlier stands first. */
const CHANCE_STEP = 0.05
const stepOf = ({ chance }: SowingOutlookDay) => Math.round(chance / CHANCE_STEP)

/** Sowing days, the best first: by the chance in steps of five points, then the earlier. A total order. */
export const bestSowingDays = (outlook: readonly SowingOutlookDay[]): SowingOutlookDay[] =>
  [...outlook].sort((a, b) => stepOf(b) - stepOf(a) || a.day - b.day)

/** The last day looked at that still gives a chance to rely on; null where none does. */
export const latestSowing = (outlook: readonly SowingOutlookDay[]): number | null =>
  outlook.filter(({ chance }) => chance >= SAFE_CHANCE).at(-1)?.day ?? null
