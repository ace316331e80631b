import type { Creature, Harm } from './parameters'

/** The same harm to several animals. */
const to = (
  who: readonly Creature[],
  level: Harm['level'],
  why: string,
  stage: Pick<Harm, 'fromBbch'> = {},
): Harm[] => who.map((creature) => ({ who: creature, level, why, ...stage }))

const GRAZERS = ['ruminants', 'horses', 'rabbits'] as const
const ALL_ANIMALS = ['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits'] as const
/** Stages in BBCH from which heads are out, flowers are full, pods fill. */
const HEADS_OUT = { fromBbch: 55 }
const FULL_BLOOM = { fromBbch: 65 }
const PODS_FILL = { fromBbch: 73 }

const ergot = to(
  ALL_ANIMALS,
  'caution',
  'Once headed, look for ergot, dark horns among the grain, poison to animals and people. Do not feed such heads.',
  HEADS_OUT,
)
const nitrate = to(
  GRAZERS,
  'caution',
  'Stressed by drought, cold or rich feeding it holds nitrate that can kill. Wait a week after rain, and have it tested.',
)
const brassica = [
  ...to(
    ['ruminants', 'horses'],
    'caution',
    'As the only feed it harms blood and thyroid, and stressed growth holds nitrate; give it with hay.',
  ),
  ...to(['rabbits'], 'caution', 'Much of it bloats rabbits: a little, beside hay.'),
]
const bloat = [
  ...to(['ruminants'], 'caution', 'Lush growth can bloat ruminants.'),
  ...to(['rabbits'], 'caution', 'Lush or wet it bloats rabbits: a little, beside hay.'),
]
const sorghum = [
  ...to(
    ['ruminants'],
    'caution',
    'Young, regrown or frosted leaves release prussic acid, and stressed stalks hold nitrate. Both can kill.',
  ),
  ...to(['horses'], 'avoid', 'Grazing it can harm the bladder and nerves of horses.'),
  ...to(['rabbits'], 'avoid', 'Its leaves release prussic acid.'),
  ...to(['pigs'], 'caution', 'Young or frosted leaves release prussic acid.'),
]
const spoiled = 'Mouldy or spoiled it stops blood from clotting and can kill.'
const vetchSeed = [
  ...to(['poultry', 'pigs'], 'avoid', 'The seed in its filling pods is poisonous.', PODS_FILL),
  ...to(['dogs'], 'caution', 'Seed and pods can poison dogs.'),
  ...to(['rabbits'], 'avoid', 'Growth and seed can poison rabbits.'),
]
const sunburn = 'Much of it makes light-skinned animals burn in the sun.'

/**
 * What each cover can do to whom: `avoid` where it must not be given, at any stage or from the stage named on;
 * `caution` where care is enough. Extension and veterinary guides; every line defers to a vet.
 */
export const HARMS: Readonly<Record<string, readonly Harm[]>> = {
  'cereal-rye': ergot,
  triticale: ergot,
  'annual-ryegrass': ergot,
  oats: nitrate,
  'black-oat': nitrate,
  'sorghum-sudangrass': sorghum,
  sudangrass: sorghum,
  'pearl-millet': nitrate,
  'foxtail-millet': to(
    ['horses'],
    'caution',
    'Fed alone for long it harms the joints and kidneys of horses.',
  ),
  'oilseed-radish': brassica,
  'tillage-radish': brassica,
  'white-mustard': brassica,
  'brown-mustard': [
    ...brassica,
    ...to(['ruminants', 'pigs'], 'caution', 'Seed-bearing growth irritates the gut.', PODS_FILL),
  ],
  'winter-rape': brassica,
  turnip: brassica,
  'crimson-clover': [
    ...bloat,
    ...to(['horses'], 'caution', 'From full bloom on its hairs can block the gut of horses.', FULL_BLOOM),
  ],
  'red-clover': [...bloat, ...to(['horses'], 'caution', 'Spotted with black mould it makes horses slobber.')],
  'white-clover': bloat,
  'berseem-clover': [
    ...to(['ruminants'], 'caution', 'Bloats less than other clovers, yet it can.'),
    ...to(['rabbits'], 'caution', 'Lush or wet it bloats rabbits: a little, beside hay.'),
  ],
  'subterranean-clover': [
    ...bloat,
    ...to(['ruminants'], 'caution', 'Some kinds upset the fertility of ewes.'),
  ],
  alfalfa: [...bloat, ...to(['rabbits'], 'caution', 'Rich in calcium: for grown rabbits only now and then.')],
  sweetclover: [
    ...to(['ruminants', 'horses', 'rabbits'], 'avoid', spoiled),
    ...to(['dogs', 'pigs', 'poultry'], 'caution', spoiled),
  ],
  'hairy-vetch': [
    ...to(
      ['ruminants'],
      'caution',
      'Cattle can sicken and die of it weeks later; sheep and goats seldom. Never much of it, and none in seed.',
    ),
    ...to(['horses'], 'avoid', 'Growth and seed can poison horses.'),
    ...vetchSeed,
  ],
  'common-vetch': [
    ...to(['ruminants', 'horses'], 'caution', 'Growth in quantity and seed can poison livestock.'),
    ...vetchSeed,
  ],
  'faba-bean': [
    ...to(['people'], 'caution', 'Raw beans and pollen harm people with favism (G6PD deficiency).'),
    ...to(['rabbits', 'poultry'], 'caution', 'Raw beans are hard on them.', PODS_FILL),
  ],
  'white-lupin': [
    ...to(['ruminants'], 'avoid', 'Bitter kinds are poisonous, to unborn calves and lambs above all.'),
    ...to(['horses', 'pigs', 'rabbits'], 'avoid', 'Bitter kinds are poisonous.'),
    ...to(['poultry'], 'avoid', 'The seed of bitter kinds is poisonous.', PODS_FILL),
    ...to(['dogs'], 'caution', 'Seed and pods can poison dogs.'),
    ...to(
      ['people'],
      'caution',
      'The seed is bitter and poisonous unless debittered; it can set off peanut allergy.',
    ),
  ],
  soybean: to(
    ['rabbits', 'pigs', 'poultry', 'people'],
    'caution',
    'Raw beans harm; they must be heated.',
    PODS_FILL,
  ),
  'sunn-hemp': [
    ...to(
      ['horses', 'pigs', 'poultry', 'rabbits'],
      'avoid',
      'The seed is poisonous, and the leaves in quantity.',
    ),
    ...to(['ruminants'], 'caution', 'Sheep and goats sicken of much of it, and of its seed.'),
  ],
  lablab: [
    ...to(['people'], 'caution', 'Dry beans are poisonous unless boiled in changed water.'),
    ...to(['dogs', 'rabbits'], 'caution', 'Raw seed can poison them.', PODS_FILL),
  ],
  buckwheat: [
    ...to(['ruminants', 'horses', 'pigs', 'rabbits'], 'caution', sunburn),
    ...to(['poultry'], 'caution', 'Much of it makes white birds burn in the sun.'),
  ],
  flax: to(['ruminants', 'horses', 'rabbits'], 'caution', 'Stressed young growth can release cyanide.'),
}

/** Lowest height, m, at which a prussic-acid grass may be grazed, and days it must not be after a frost (extension). */
export const PRUSSIC_ACID: Readonly<Record<string, { fromM: number }>> = {
  sudangrass: { fromM: 0.45 },
  'sorghum-sudangrass': { fromM: 0.6 },
}
/** Longest that frosted sorghum stays dangerous, days (extension, 7–14). */
export const AFTER_FROST_DAYS = 14
