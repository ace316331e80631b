import type { Obstacle, Sized } from '../core/termination/obstacles'
import { metres, type Units } from './format'

const size = ({ widthM, lengthM }: Sized, units: Units) =>
  [widthM, lengthM].map((side) => (side === null ? 'unknown' : metres(side, units))).join(' × ')

const KEPT = {
  'be covered':
    'Kept plants stand here; a sheet would kill them. Part the bed beside them and cover the rest.',
  'be flattened': 'Kept plants stand here; a roller or board would flatten them. Part the bed beside them.',
  'be burnt': 'Kept plants or drip lines here would be burnt.',
  'be eaten': 'Kept plants stand here; animals would eat them. Part the bed beside them.',
} as const

const KEPT_OUT = {
  slope: 'on ground so steep',
  posts: 'between the posts',
  frame: 'into a frame',
  planter: 'into a planter',
} as const

const ANIMALS = { hens: 'hens', pigs: 'pigs', grazers: 'sheep, goats or rabbits' } as const

/** Why a way cannot be done here, with the fix. */
export function obstacleText(obstacle: Obstacle, units: Units): string {
  switch (obstacle.code) {
    case 'tools':
      return `Needs ${obstacle.oneOf.join(' or ')}; none is on your list of tools.`
    case 'cannot enter':
      return `Your ${obstacle.keptOut.join(' and ')} cannot go ${KEPT_OUT[obstacle.by]}; needs ${obstacle.oneOf.filter((kind) => !obstacle.keptOut.includes(kind)).join(' or ') || 'another way'}.`
    case 'sheet too small':
      return `No ${obstacle.sheet} of yours covers ${size(obstacle.wanted, units)}; the largest is ${size(obstacle.largest, units)}. End a part of the bed, or add a bigger one in the Garden room.`
    case 'kept plants':
      return KEPT[obstacle.would]
    case 'posts':
      return 'Posts in the bed keep the board from lying flat.'
    case 'drip lines':
      return 'Drip lines lie in the bed; lift them first.'
    case 'animals in a planter':
      return 'A planter is no place for animals: they fall, and predators reach them.'
    case 'pigs in a frame':
      return 'Pigs would lift the frame.'
    case 'no soil from the path':
      return obstacle.because === 'no path'
        ? 'There is no path beside this bed to take soil from.'
        : `A ${obstacle.because === 'framed' ? 'frame' : 'planter'} stands between the path and this bed: soil is not thrown over it. Bury under compost instead.`
    case 'a strip already':
      return 'This is a strip already.'
    case 'not biofumigant':
      return 'Only mustards and oilseed radish give off enough when they are buried.'
    case 'stalks under compost':
      return 'Stalks do not rot under compost; chop and pull them.'
    case 'hardy':
      return 'It is hardy: no usual winter kills it.'
    case 'likes heat':
      return 'It likes heat.'
    case 'pen without size':
      return 'The pen has no size yet. Measure it and enter its length and width in the Shed.'
    case 'pen too large':
      return 'The pen is larger than this frame. Make one that stands inside it, or end it another way.'
    case 'no animals':
      return `Needs ${ANIMALS[obstacle.wanted]}; none are on your list in the Shed.`
    case 'harms animals':
      return `${obstacle.plant} is not for ${obstacle.kind}: ${obstacle.why} Ask a vet.`
    case 'no frost ahead':
      return 'No killing frost is in sight before planting.'
    case 'no heat ahead':
      return 'No heat that would kill it is in sight before planting.'
    case 'fire ban':
      return 'You have set a fire ban. Take it off under End once it is lifted.'
  }
}

/** Why a way is left out by the grower's own rules. */
export const RULE_TEXT = { 'never turned': 'You never turn the ground.' } as const
