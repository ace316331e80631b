import type { Covering } from '../garden/schema'
import type { SeedSize } from './catalogue'

/**
 * Share of viable seed that becomes plants when broadcast into a fine, moist seedbed, by covering and seed size
 * (judgement from extension trials; ± a third). Large seed on the surface mostly fails; small clover succeeds.
 */
export const EMERGENCE_SHARE: Record<Covering, Record<SeedSize, number>> = {
  surface: { tiny: 0.4, small: 0.35, medium: 0.2, large: 0.06 },
  raked: { tiny: 0.55, small: 0.6, medium: 0.6, large: 0.45 },
  'raked and tamped': { tiny: 0.62, small: 0.68, medium: 0.68, large: 0.55 },
  'thin straw': { tiny: 0.5, small: 0.5, medium: 0.45, large: 0.2 },
  compost: { tiny: 0.55, small: 0.62, medium: 0.65, large: 0.4 },
  'crop dropped over': { tiny: 0.42, small: 0.45, medium: 0.4, large: 0.15 },
  'vines put back': { tiny: 0.42, small: 0.45, medium: 0.38, large: 0.15 },
  // Freezing and thawing works small seed in; large seed stays on top and is eaten.
  'frost-seeded': { tiny: 0.5, small: 0.45, medium: 0.18, large: 0.04 },
}

/**
 * Broadcast rate over drilled rate, by covering and seed size (extension: 1.25–2; more on the surface, less for
 * tiny seed).
 */
export const BROADCAST_FACTOR: Record<Covering, Record<SeedSize, number>> = {
  surface: { tiny: 1.4, small: 1.6, medium: 2, large: 2.5 },
  raked: { tiny: 1.25, small: 1.35, medium: 1.5, large: 1.6 },
  'raked and tamped': { tiny: 1.2, small: 1.25, medium: 1.35, large: 1.45 },
  'thin straw': { tiny: 1.3, small: 1.4, medium: 1.6, large: 2 },
  compost: { tiny: 1.25, small: 1.3, medium: 1.4, large: 1.6 },
  'crop dropped over': { tiny: 1.4, small: 1.5, medium: 1.75, large: 2.2 },
  'vines put back': { tiny: 1.4, small: 1.5, medium: 1.75, large: 2.2 },
  'frost-seeded': { tiny: 1.3, small: 1.4, medium: 2, large: 2.5 },
}

/** How deep seed comes to lie when broadcast, cm, by covering and seed size (extension: raking covers 1–3 cm). */
export const DEPTH_CM: Record<Covering, Record<SeedSize, number>> = {
  surface: { tiny: 0.2, small: 0.2, medium: 0.3, large: 0.3 },
  raked: { tiny: 0.8, small: 1.2, medium: 2, large: 2.5 },
  'raked and tamped': { tiny: 1, small: 1.4, medium: 2.2, large: 2.8 },
  'thin straw': { tiny: 0.8, small: 1, medium: 1.2, large: 1.2 },
  compost: { tiny: 1, small: 1.4, medium: 1.8, large: 2 },
  'crop dropped over': { tiny: 0.6, small: 0.6, medium: 0.8, large: 0.8 },
  'vines put back': { tiny: 0.6, small: 0.6, medium: 0.8, large: 0.8 },
  'frost-seeded': { tiny: 0.6, small: 0.6, medium: 0.5, large: 0.3 },
}
