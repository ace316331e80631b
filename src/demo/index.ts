import type { GardenData } from '../core/garden/schema'
import type { SeedLot } from '../core/garden/seed'
import { harrierPoint } from './harrierPoint'
import { marlpitLane } from './marlpitLane'

/** The made-up gardens by the name they have in the address. */
export const DEMO_GARDENS: Record<string, () => GardenData & { lots?: SeedLot[] }> = { 'marlpit-lane': marlpitLane, 'harrier-point': harrierPoint }

/** A made-up garden by name; undefined for any other name, whatever it is. */
export const findDemo = (name: string) => (Object.hasOwn(DEMO_GARDENS, name) ? DEMO_GARDENS[name] : undefined)
