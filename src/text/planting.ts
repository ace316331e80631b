import type { PlantingMethodId } from '../core/garden/schema'
import type { ThroughReason } from '../core/planting/through'

/** Names of the ways of planting through a mulch. */
export const PLANTING_METHOD_NAME: Record<PlantingMethodId, string> = {
  slot: 'Plant through the mulch',
  dibble: 'Dibble through it',
  rake: 'Rake rows free',
  'compost row': 'Compost over the mulch, in rows',
  'compost blanket': 'A blanket of compost over all of it',
  pockets: 'A pocket of compost for each plant',
  film: 'Film or fabric with holes',
  plank: 'A board on the sown rows until they come up',
  loosen: 'Fork loose without turning',
}

/** Why a way of planting fits or does not. */
export const THROUGH_REASON: Record<ThroughReason, string> = {
  'closes over': 'So thick a mulch closes over the slot: open a hand’s width.',
  'stays put': 'The mulch stays where it is and the soil is hardly moved.',
  'seed in mulch': 'Seed would lie in the mulch, not in the soil.',
  smears: 'In heavy soil a dibble smears the sides of the hole.',
  'quick for many': 'Quick for many small plants.',
  'single seeds': 'Only for seed dropped one by one, such as beans.',
  'little to move': 'There is little to move; seed finds the soil.',
  'warmer rows': 'Bare, warmer rows for seed; put the mulch back once it stands.',
  'weeds in rows': 'Bare rows warm sooner, yet weeds come up in them.',
  'makes a seedbed': 'Two or three centimetres of compost make the seedbed that the mulch is not.',
  'feeds through tie-up': 'It feeds the plants while the residue ties nitrogen up.',
  'costs compost': 'It works at once; the compost is the cost.',
  'tight soil': 'Heavy soil under a cover is often tight; loosen before planting, when it crumbles.',
  'only where hard': 'Only where a fork goes in hard.',
  'too thick to bury': 'So much mulch slides under compost and dries it; rake some aside first.',
  'few large plants': 'A spadeful of compost each for few large plants.',
  'too many holes': 'The plants stand too near: too many holes.',
  'holds a season':
    'It holds weeds until the crop is off, and warms the ground a little; burn the holes, cuts fray.',
  'gone too soon': 'It works, for a crop that leaves it again soon.',
  'keeps seed moist': 'Shade and damp for slow seed; look daily, and lift it as the first come up.',
  'only for seed': 'It is for sown rows.',
}
