import type { Species } from './parameters'

/** Kinds of covers by when they are sown; growers' guides agree on this far more than models do. */
export type SeasonKind =
  | 'winter cereal'
  | 'spring cereal'
  | 'ryegrass'
  | 'winter legume'
  | 'spring legume'
  | 'perennial legume'
  | 'warm'
  | 'buckwheat'
  | 'mustard'

/** What grows in cool weather. Source of all of these: growers' guides, put together; ranges are judgement. */
export type CoolSeason = {
  by: 'warmth'
  kind: SeasonKind
  /** Usual while the year grows warmer, at a smoothed daily mean from and to, °C; null where it is not sown then. */
  rising: readonly [number, number] | null
  /** Usual while it grows colder: down from and to, °C. */
  falling: readonly [number, number]
  /** Weeks before the first frost (50 % at 0 °C), most and least; negative is after it. Null where frost is no matter. */
  weeksBefore: readonly [number, number] | null
  /** Usual in autumn at any time before frost where the coldest night of a usual winter stays above this, °C; null for nowhere. */
  mildWinterC: number | null
  /** Above this mean it is unusual: it bolts small, rusts or stops, °C. */
  hotC: number
  /** Rising above this it is unusual though it is not hot, °C. */
  risingTooWarmC: number
  /** Crowns die below this coldest night of a usual winter, °C. */
  winterKillC: number | null
}

/** What wants warm soil and no frost. */
export type WarmSeason = {
  by: 'soil'
  kind: SeasonKind
  /** Soil at 5 cm that it needs, °C. */
  soilC: number
  /** Mean of the warmest weeks that it wants, °C. */
  summerC: number
  /** Weeks without frost ahead: usual, possible, and none below. */
  freeWeeks: readonly [number, number, number]
  /** Above this mean it is unusual, °C. */
  hotC: number
}

/** When a cover is usually sown, by the garden's usual year. */
export type SowingSeason = CoolSeason | WarmSeason

const COOL = {
  by: 'warmth',
  rising: null,
  weeksBefore: null,
  mildWinterC: null,
  hotC: 24,
  risingTooWarmC: 18,
  winterKillC: null,
} as const

const KINDS = {
  'winter cereal': {
    ...COOL,
    kind: 'winter cereal',
    falling: [18, 4],
    weeksBefore: [8, -4],
    mildWinterC: -5,
    hotC: 22,
    risingTooWarmC: 12,
  },
  'spring cereal': {
    ...COOL,
    kind: 'spring cereal',
    rising: [4, 14],
    falling: [22, 12],
    weeksBefore: [10, 6],
    mildWinterC: -8,
  },
  ryegrass: { ...COOL, kind: 'ryegrass', rising: [5, 14], falling: [22, 8] },
  'winter legume': {
    ...COOL,
    kind: 'winter legume',
    falling: [22, 10],
    weeksBefore: [7, 1],
    mildWinterC: -5,
    hotC: 22,
    risingTooWarmC: 12,
  },
  'spring legume': {
    ...COOL,
    kind: 'spring legume',
    rising: [4, 13],
    falling: [22, 13],
    weeksBefore: [10, 7],
    mildWinterC: -6,
  },
  'perennial legume': {
    ...COOL,
    kind: 'perennial legume',
    rising: [-6, 15],
    falling: [22, 14],
    weeksBefore: [18, 7],
    hotC: 23,
  },
  warm: { by: 'soil', kind: 'warm', hotC: Infinity, soilC: 16, summerC: 18, freeWeeks: [9, 6, 5] },
  buckwheat: { by: 'soil', kind: 'buckwheat', hotC: 30, soilC: 12, summerC: 13, freeWeeks: [5, 4, 4] },
  mustard: {
    ...COOL,
    kind: 'mustard',
    rising: [6, 14],
    falling: [24, 11],
    weeksBefore: [10, 5],
    mildWinterC: -5,
  },
} as const satisfies Record<SeasonKind, SowingSeason>

const warm = (soilC: number): WarmSeason => ({ ...KINDS.warm, soilC })

/** When each cover is sown: its kind's, or its own where it differs. */
const SEASONS: Record<string, SowingSeason> = {
  // The latest of all: it comes up in soil hardly above freezing.
  'cereal-rye': { ...KINDS['winter cereal'], falling: [18, 2], weeksBefore: [8, -6] },
  triticale: KINDS['winter cereal'],
  'winter-wheat': KINDS['winter cereal'],
  'winter-barley': KINDS['winter cereal'],
  oats: KINDS['spring cereal'],
  'black-oat': KINDS['spring cereal'],
  'spring-barley': KINDS['spring cereal'],
  'annual-ryegrass': KINDS.ryegrass,
  // The latest of the legumes.
  'hairy-vetch': { ...KINDS['winter legume'], falling: [22, 8], weeksBefore: [8, 0] },
  'winter-pea': KINDS['winter legume'],
  'crimson-clover': KINDS['winter legume'],
  'subterranean-clover': { ...KINDS['winter legume'], winterKillC: -12 },
  'field-pea': KINDS['spring legume'],
  'common-vetch': KINDS['spring legume'],
  'faba-bean': KINDS['spring legume'],
  'berseem-clover': KINDS['spring legume'],
  'white-lupin': KINDS['spring legume'],
  'red-clover': KINDS['perennial legume'],
  'white-clover': KINDS['perennial legume'],
  alfalfa: KINDS['perennial legume'],
  sweetclover: KINDS['perennial legume'],
  'sorghum-sudangrass': warm(18),
  sudangrass: warm(18),
  'pearl-millet': warm(18),
  'foxtail-millet': warm(16),
  cowpea: warm(16),
  soybean: warm(12),
  'sunn-hemp': warm(18),
  lablab: warm(18),
  sunflower: { ...warm(10), summerC: 15 },
  buckwheat: KINDS.buckwheat,
  'white-mustard': KINDS.mustard,
  'brown-mustard': KINDS.mustard,
  'oilseed-radish': KINDS.mustard,
  'tillage-radish': KINDS.mustard,
  'winter-rape': KINDS.mustard,
  turnip: KINDS.mustard,
  phacelia: KINDS.mustard,
  flax: KINDS.mustard,
  'winter-spinach': { ...KINDS.mustard, falling: [20, 8], weeksBefore: [9, 2], rising: [5, 12] },
  'corn-salad': { ...KINDS.mustard, falling: [20, 6], weeksBefore: [9, 0], rising: null },
}

/** When a cover is usually sown. */
export function sowingSeasonOf({ id }: Pick<Species, 'id'>): SowingSeason {
  const season = SEASONS[id]
  if (!season) throw new Error(`No sowing season for ${id}.`)
  return season
}

/** Roots so deep, and leaves so sparing, that a dry season does not stop them where water is in reach. */
export const DEEP_IN_DRY: readonly string[] = ['sorghum-sudangrass', 'sudangrass', 'pearl-millet', 'cowpea']

/** Whether a cover is a small grain, whose seed cannot be parted from a crop of grain. */
export const isCereal = (plant: Pick<Species, 'id'>): boolean => /cereal$/.test(sowingSeasonOf(plant).kind)
