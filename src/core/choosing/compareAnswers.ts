import { lessIsBetter } from './purposes'
import type { Candidate, Difference } from './types'

/** Differences smaller than this share of the larger value are not worth a word. */
const NOTICEABLE = 0.08
const NOTICEABLE_CHANCE = 0.04

/** What one candidate has over another, and the other over it; the larger differences first. */
export function differences(
  ours: Candidate,
  theirs: Candidate,
): { better: Difference[]; worse: Difference[] } {
  const found: { difference: Difference; gain: number }[] = ours.purposes.map((entry, i) => {
    const other = theirs.purposes[i]?.amount.p50 ?? 0
    const scale = Math.max(1e-9, entry.amount.p50, other)
    const gain = ((entry.amount.p50 - other) / scale) * (lessIsBetter(entry.id) ? -1 : 1)
    return {
      difference: { of: entry.id, ours: entry.amount.p50, theirs: other },
      gain: Math.abs(gain) < NOTICEABLE ? 0 : gain,
    }
  })
  const chance = ours.chance - theirs.chance
  found.push({
    difference: { of: 'chance', ours: ours.chance, theirs: theirs.chance },
    gain: Math.abs(chance) < NOTICEABLE_CHANCE ? 0 : chance,
  })
  const price = (theirs.cost.mid - ours.cost.mid) / Math.max(1e-9, theirs.cost.mid, ours.cost.mid)
  found.push({
    difference: { of: 'cost', ours: ours.cost.mid, theirs: theirs.cost.mid },
    gain: Math.abs(price) < 3 * NOTICEABLE ? 0 : price * 0.5,
  })
  found.sort((a, b) => Math.abs(b.gain) - Math.abs(a.gain))
  return {
    better: found.filter(({ gain }) => gain > 0).map(({ difference }) => difference),
    worse: found.filter(({ gain }) => gain < 0).map(({ difference }) => difference),
  }
}
