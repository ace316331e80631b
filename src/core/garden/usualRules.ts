import type { LivestockKind, Rules } from './rules'

/** The creature of the cautions that an animal on a bed is. */
export const CREATURE_OF = {
  hens: 'poultry',
  ducks: 'poultry',
  pigs: 'pigs',
  sheep: 'ruminants',
  goats: 'ruminants',
  rabbits: 'rabbits',
} as const satisfies Record<LivestockKind, string>

/** Limits taken until a grower sets their own; the manure interval is the common 120 and 90 days. */
export const USUAL_RULES: Rules = {
  longestSheetDays: null,
  legumeFrom: 'any stage',
  turning: 'when it helps',
  seedSet: 'allowed',
  manureDays: { touching: 120, clear: 90 },
  fireBan: false,
  harvestTouches: {},
  lastWeeding: {},
  closerWhenLate: {},
}
