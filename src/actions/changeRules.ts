import type { Step } from './step'
import type { Rules } from '../core/garden/rules'
import type { Garden } from '../core/garden/schema'
import { changed } from '../data/writes'

/** The grower's own limits on how covers are ended. */
export const changeRules = (garden: Garden, part: Partial<Rules>): Step => ({
  label: 'Changed the rules for ending',
  writes: [changed('gardens', garden, { rules: { ...garden.rules, ...part } })],
})

/** Days from planting to the last weeding of crops for which the grower knows their own. */
export const changeLastWeeding = (garden: Garden, lastWeeding: Rules['lastWeeding']): Step => ({
  label: 'Changed a last weeding',
  writes: [changed('gardens', garden, { rules: { ...garden.rules, lastWeeding } })],
})

/** How much closer a crop is planted when it is late, by the grower's own trials; null puts back the usual. */
export function changeCloser(
  garden: Garden,
  cropId: string,
  own: Rules['closerWhenLate'][string] | null,
): Step {
  const others = Object.entries(garden.rules.closerWhenLate).filter(([id]) => id !== cropId)
  const closerWhenLate = Object.fromEntries(own ? [...others, [cropId, own]] : others)
  return {
    label: 'Changed a distance when late',
    writes: [changed('gardens', garden, { rules: { ...garden.rules, closerWhenLate } })],
  }
}

/** Days to wait between a dead cover and planting. */
export const changeWait = (garden: Garden, part: Partial<Garden['waitDays']>): Step => ({
  label: 'Changed the wait before planting',
  writes: [changed('gardens', garden, { waitDays: { ...garden.waitDays, ...part } })],
})
