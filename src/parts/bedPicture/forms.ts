import type { Species } from '../../core/plants/parameters'

/** Shapes that covers are drawn by: how they stand, and what their flowers and seed heads are like. */
export type PlantForm =
  | 'ear'
  | 'long-awned ear'
  | 'open panicle'
  | 'slim spike'
  | 'club'
  | 'climber'
  | 'trefoil'
  | 'trefoil cone'
  | 'bush'
  | 'hand'
  | 'crucifer'
  | 'arrow'
  | 'fern'
  | 'sun'
  | 'wisp'
  | 'rosette'

const OWN: Record<string, PlantForm> = {
  'cereal-rye': 'ear',
  'winter-barley': 'long-awned ear',
  'spring-barley': 'long-awned ear',
  oats: 'open panicle',
  'black-oat': 'open panicle',
  'annual-ryegrass': 'slim spike',
  'sorghum-sudangrass': 'open panicle',
  sudangrass: 'open panicle',
  'crimson-clover': 'trefoil cone',
  'white-lupin': 'hand',
  soybean: 'bush',
  'sunn-hemp': 'bush',
  sunflower: 'sun',
  flax: 'wisp',
}

const BY_CLASS: Record<Species['endingClass'], PlantForm> = {
  'winter cereal': 'ear',
  'spring cereal': 'ear',
  ryegrass: 'slim spike',
  sorghum: 'open panicle',
  millet: 'club',
  vetch: 'climber',
  'crimson clover': 'trefoil cone',
  'annual clover': 'trefoil',
  'perennial clover': 'trefoil',
  pea: 'climber',
  faba: 'bush',
  'warm legume': 'climber',
  brassica: 'crucifer',
  radish: 'crucifer',
  buckwheat: 'arrow',
  phacelia: 'fern',
  'stalk broadleaf': 'sun',
  'leaf rosette': 'rosette',
}

/** The shape a species is drawn by. */
export const formOf = ({ id, endingClass }: Pick<Species, 'id' | 'endingClass'>): PlantForm =>
  OWN[id] ?? BY_CLASS[endingClass]
