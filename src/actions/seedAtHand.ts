import type { Step } from './step'
import type { Garden } from '../core/garden/schema'
import type { Species } from '../core/plants/parameters'
import { changed } from '../data/writes'

const withOr = (ids: readonly string[], id: string, there: boolean) =>
  there ? [...ids.filter((other) => other !== id), id] : ids.filter((other) => other !== id)

/** Whether seed of a cover is at hand. */
export const markSeed = (garden: Garden, { id, name }: Species, there: boolean): Step => ({
  label: `${name}: seed ${there ? 'at hand' : 'no longer at hand'}`,
  writes: [changed('gardens', garden, { seedAtHand: withOr(garden.seedAtHand, id, there) })],
})

/** Whether the seed is of a cultivar named as resistant to root-knot nematodes. */
export const markResistant = (garden: Garden, { id, name }: Species, resistant: boolean): Step => ({
  label: `${name}: ${resistant ? 'resistant to' : 'no word on'} root-knot nematodes`,
  writes: [changed('gardens', garden, { resistantSeed: withOr(garden.resistantSeed, id, resistant) })],
})
