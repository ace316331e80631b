import { isoDate } from '../core/foundations/day'
import type { LivestockKind } from '../core/garden/rules'
import type { Bed } from '../core/garden/schema'
import type { Crop } from '../core/plants/crops'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import type { Step } from './step'

/** Animals on a bed between two days, the last included. */
export type Stay = { kind: LivestockKind; head: number; from: number; until: number }

/** Longest that what was eaten is given as, characters. */
const LONGEST_TOLD = 60

/** Animals that were, or are to be, on a bed's spent crops or weeds: their manure starts the clock to the harvest. */
export function animalsOn(bed: Bed, { kind, head, from, until }: Stay, crops: readonly Crop[]): Step {
  const found = crops.length > 0 ? crops.map(({ name }) => name.toLowerCase()).join(', ') : 'what grew there'
  const what = `${head} ${kind} on ${found}`.slice(0, LONGEST_TOLD)
  const stay = {
    id: newId('spread'),
    date: isoDate(until),
    what,
    manure: 'raw' as const,
    kg: null,
    animals: { kind, head, from: isoDate(from) },
  }
  return {
    label: `${what} in ${bed.label}`,
    writes: [changed('beds', bed, { spreads: [...bed.spreads, stay] })],
  }
}

export const takeOutAnimals = (bed: Bed, stayId: string): Step => ({
  label: `Took out animals in ${bed.label}`,
  writes: [changed('beds', bed, { spreads: bed.spreads.filter(({ id }) => id !== stayId) })],
})
