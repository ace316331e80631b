import { SAFE_CHANCE, type EndingOption } from '../ending/compare'
import { shareOf, spreadOf } from '../foundations/statistics'
import type { StandRun } from '../stand/types'
import type { ChooseQuestion, DatedText } from './types'

/** Chance below which a limit rejects. */
export const REJECT_BELOW = 0.5

/** The ending that leaves the cover standing longest among the safe ones; the most certain one where none is safe. */
export function preferredEnding(endings: EndingOption[]): EndingOption | undefined {
  const open = endings.filter((option) => option.obstacle === null && option.bestStartDay !== null)
  const safe = open.filter((option) => option.chance >= SAFE_CHANCE)
  if (safe.length > 0)
    return safe.reduce((a, b) => ((b.latestSafeDay ?? -1) > (a.latestSafeDay ?? -1) ? b : a))
  return open.length > 0 ? open.reduce((a, b) => (b.chance > a.chance ? b : a)) : undefined
}

/** Rejects covers that winter takes too early, or does not treat as wished; null when winter is no hindrance. */
export function winterVerdict(run: StandRun, question: ChooseQuestion): DatedText | null {
  const { species } = run
  const killed = Float64Array.from({ length: run.members }, (_, m) => {
    for (let day = 1; day < run.days; day++) {
      const at = m * run.days + day
      if (species[0].bbch[at] >= 9 && species[0].bbch[at] < 85 && species[0].alive[at] < 0.15) return day
    }
    return NaN
  })
  const killChance = shareOf(run.members, (m) => !Number.isNaN(killed[m]))
  const small = shareOf(run.members, (m) => !Number.isNaN(killed[m]) && peakMass(run, m, killed[m]) < 80)
  const when = spreadOf(killed.map((day) => run.startDay + day))
  if (small > REJECT_BELOW && when)
    return { text: 'Cold kills it about {0}, while it is still small.', days: [when.mid] }
  if (question.winter === 'must live' && killChance > 0.4 && when)
    return {
      text: `Winter kills it about {0} in ${Math.round(killChance * 100)} of 100 years; you want it alive.`,
      days: [when.mid],
    }
  if (question.winter === 'must die' && killChance < 0.6)
    return {
      text: `It lives through the winter in ${Math.round((1 - killChance) * 100)} of 100 years; you want it dead by {0}.`,
      days: [question.target.plantingDay],
    }
  return null
}

function peakMass(run: StandRun, member: number, untilDay: number): number {
  let peak = 0
  for (let day = 0; day <= untilDay; day++) peak = Math.max(peak, run.massG[member * run.days + day])
  return peak
}
