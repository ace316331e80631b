import type { EndMethodId } from '../garden/ending'
import type { Job } from './jobs'

/** A day ahead: chance of 1 mm or more, 0–1. */
export type DayAhead = { day: number; wetChance: number }

/** Methods that want a dry day: fire, heat of the sun, growth that is to wilt. */
const DRY_METHODS: readonly EndMethodId[] = ['flame', 'crimp-flame', 'clear-sheet', 'crimp', 'chop', 'turn']
/** Days by which work may move for its weather, and the gain in chance that is worth it (judgement). */
const MOVES_DAYS = 4
const WORTH_IT = 0.25
/** Days after a sowing in which rain still helps it at once. */
const RAIN_AFTER_DAYS = 2

/** A day that suits a job better than its own, with the chance of what it wants that day. */
export type BetterDay = { day: number; wants: 'rain after' | 'dry'; chance: number }

/**
 * The best day near a job's own for work that hangs on the weather: rain after a sowing, a dry day for what must wilt or
 * burn. Null where its own is as good, or nothing is known of the days.
 */
export function betterDay(
  job: Pick<Job, 'kind' | 'dueDay'>,
  method: EndMethodId | null,
  ahead: readonly DayAhead[],
  today: number,
  /** What is carried off has to dry first. */
  hay = false,
): BetterDay | null {
  const wants =
    job.kind === 'sow'
      ? 'rain after'
      : (job.kind === 'end' && method && DRY_METHODS.includes(method)) || (job.kind === 'cut' && hay)
        ? 'dry'
        : null
  if (!wants) return null
  const wet = new Map(ahead.map(({ day, wetChance }) => [day, wetChance]))
  const chance = (day: number): number | null => {
    if (wants === 'dry') return wet.has(day) ? 1 - wet.get(day)! : null
    const after = Array.from({ length: RAIN_AFTER_DAYS }, (_, i) => wet.get(day + 1 + i))
    return after.some((share) => share === undefined)
      ? null
      : 1 - after.reduce((dry: number, share) => dry * (1 - share!), 1)
  }
  const own = Math.max(today, job.dueDay)
  const ownChance = chance(own)
  if (ownChance === null) return null
  let best: BetterDay | null = null
  for (let day = Math.max(today, own - MOVES_DAYS); day <= own + MOVES_DAYS; day++) {
    const share = chance(day)
    if (share !== null && share >= ownChance + WORTH_IT && (!best || share > best.chance + 0.01))
      best = { day, wants, chance: share }
  }
  return best
}
