import type { GardenData } from '../core/garden/schema'
import { harrierPoint } from './harrierPoint'
import { marlpitLane } from './marlpitLane'

/** The made-up gardens by the name they have in the address. */
export const DEMO_GARDENS: Record<string, () => GardenData> = { 'marlpit-lane': marlpitLane, 'harrier-point': harrierPoint }
