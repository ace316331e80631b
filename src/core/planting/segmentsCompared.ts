import { dayNumber } from '../foundations/day'
import { sharesGround, stretchOf, takesAllOf } from '../garden/ground'
import type { Bed, Stand } from '../garden/schema'
import type { EndDetails } from '../garden/ending'
import { latest } from '../garden/timeline'
import { stoodAgain, type StoodAgain } from '../termination/pooling'
import { MOST_PER_ENDING } from '../termination/ownResults'
import { followedBy } from './followed'

/** One part of a bed that was sown as one: how it was ended, or is to be, and what came of it. */
export type ComparedSegment = {
  stand: Stand
  end: EndDetails | null
  done: boolean
  /** Share that stood again by the telling count; null where none was made. */
  stoodAgain: number | null
  /** Work on it as recorded, what stood again finished by hand too, minutes; null where nobody looked at the clock. */
  minutes: number | null
  /** Harvest after it where a crop grew on its ground alone; one over several parts tells nothing of either. */
  yieldKgM2: number | null
}

/** How sure it is that fewer plants stand again on one part than on all others: its stand, and the chance, 0–1. */
export type FewestAgain = { standId: string; chance: number }

const sownAlike = (a: Stand, b: Stand): boolean => {
  const [one, other] = [latest(a.start), latest(b.start)]
  if (!one || one.date !== other?.date || a.content.kind !== 'cover' || b.content.kind !== 'cover')
    return false
  const kinds = ({ content }: Stand) =>
    content.kind === 'cover' ? content.components.map(({ speciesId }) => speciesId).join() : ''
  return kinds(a) === kinds(b)
}

/** The parts of a bed that were sown alike and are ended by themselves, along the bed; none where it is one piece. */
export function segmentsAlike(bed: Bed, stands: readonly Stand[], stand: Stand): ComparedSegment[] {
  const alike = stands.filter(
    (other) =>
      other.bedId === bed.id &&
      other.segment.kind !== 'path' &&
      (other.id === stand.id ||
        (sownAlike(stand, other) && !sharesGround(stand.segment, other.segment, bed))),
  )
  if (alike.length < 2) return []
  const from = ({ segment }: Stand) => stretchOf(segment, bed)?.[0] ?? 0
  const followed = followedBy([bed], stands)
  return alike
    .sort((a, b) => from(a) - from(b))
    .map((part) => {
      const count = stoodAgain(part)
      const minutes = part.end.actual?.minutes
      const finishing = part.finishings.reduce((sum, act) => sum + (act.minutes ?? 0), 0)
      return {
        stand: part,
        end: latest(part.end),
        done: part.end.actual !== null,
        stoodAgain: count ? count.standing / count.before : null,
        minutes: minutes === undefined ? null : minutes + finishing,
        yieldKgM2:
          followed.find(
            ({ cover, crop }) => cover.id === part.id && takesAllOf(part.segment, crop.segment, bed),
          )?.yieldKgM2 ?? null,
      }
    })
}

/** Survivals tried in the integral. */
const STEPS = 400

/**
 * Which of the parts that were counted is likely to be the one on which the fewest stand again. Each count is binomial
 * under a flat prior; as plants of one part share its luck, one part counts for no more than `MOST_PER_ENDING` plants.
 */
export function fewestAgain(parts: readonly ComparedSegment[]): FewestAgain | null {
  const counted = parts.flatMap(({ stand }) => {
    const count = stoodAgain(stand)
    return count ? [{ stand, density: survivalDensity(count) }] : []
  })
  if (counted.length < 2) return null
  const beyond = counted.map(({ density }) => tailOf(density))
  const chances = counted.map(({ density }, i) =>
    density.reduce(
      (sum, weight, at) =>
        sum + weight * beyond.reduce((product, tail, j) => (j === i ? product : product * tail[at]), 1),
      0,
    ),
  )
  const best = chances.indexOf(Math.max(...chances))
  return { standId: counted[best].stand.id, chance: chances[best] }
}

/** Weight of each survival between 0 and 1 after a count. */
function survivalDensity({ standing, before }: StoodAgain): number[] {
  const plants = Math.min(before, MOST_PER_ENDING)
  const again = Math.min(1, standing / before) * plants
  const weights = Array.from({ length: STEPS }, (_, i) => {
    const p = (i + 0.5) / STEPS
    return p ** again * (1 - p) ** (plants - again)
  })
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.map((weight) => weight / total)
}

/** Chance of more than each survival; half of the same. */
function tailOf(density: readonly number[]): number[] {
  let above = 0
  return density
    .toReversed()
    .map((weight) => {
      above += weight
      return above - weight / 2
    })
    .toReversed()
}

/** Days between the endings of the first and the last part that were ended; 0 where all were ended on one day. */
export function endedApartDays(parts: readonly ComparedSegment[]): number {
  const days = parts.flatMap(({ end, done }) => (end && done ? [dayNumber(end.date)] : []))
  return days.length < 2 ? 0 : Math.max(...days) - Math.min(...days)
}
