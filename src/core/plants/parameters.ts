import { z } from 'zod'

/** Where a value comes from: a paper, an extension guide, or our own judgement. */
export const sourceClass = z.enum(['published', 'extension', 'judgement'])

/** Meaning, unit and plausible range of every growth parameter of a species. */
export const PARAMETERS = {
  emergenceCd: {
    meaning: 'thermal time from sowing to emergence in moist soil',
    unit: '°C d',
    low: 25,
    high: 220,
  },
  emergenceBaseC: {
    meaning: 'soil temperature below which seed does not germinate',
    unit: '°C',
    low: 0,
    high: 13,
  },
  t31Cd: {
    meaning: 'thermal time from emergence to stem elongation (BBCH 31)',
    unit: '°C d',
    low: 60,
    high: 900,
  },
  t51Cd: {
    meaning: 'thermal time from emergence to heading or buds (BBCH 51)',
    unit: '°C d',
    low: 150,
    high: 1300,
  },
  t61Cd: {
    meaning: 'thermal time from emergence to first flower (BBCH 61)',
    unit: '°C d',
    low: 250,
    high: 1500,
  },
  t65Cd: {
    meaning: 'thermal time from first flower to half bloom (BBCH 65)',
    unit: '°C d',
    low: 20,
    high: 250,
  },
  t69Cd: {
    meaning: 'thermal time from first flower to end of flowering (BBCH 69)',
    unit: '°C d',
    low: 60,
    high: 500,
  },
  t71Cd: {
    meaning: 'thermal time from first flower to first pods or grains (BBCH 71)',
    unit: '°C d',
    low: 80,
    high: 520,
  },
  t75Cd: {
    meaning: 'thermal time from first flower to milk or half-grown pods (BBCH 75)',
    unit: '°C d',
    low: 120,
    high: 650,
  },
  t85Cd: {
    meaning: 'thermal time from first flower to soft dough or ripening (BBCH 85)',
    unit: '°C d',
    low: 250,
    high: 900,
  },
  t89Cd: {
    meaning: 'thermal time from first flower to ripe seed (BBCH 89)',
    unit: '°C d',
    low: 350,
    high: 1300,
  },
  developBaseC: { meaning: 'base temperature of development', unit: '°C', low: -2, high: 12 },
  developOptLowC: {
    meaning: 'lower end of the best temperatures for development',
    unit: '°C',
    low: 15,
    high: 34,
  },
  developOptHighC: {
    meaning: 'upper end of the best temperatures for development',
    unit: '°C',
    low: 20,
    high: 38,
  },
  developMaxC: { meaning: 'temperature above which development stands still', unit: '°C', low: 30, high: 48 },
  vernalDays: {
    meaning: 'cold days for full vernalisation; 0 when none is needed',
    unit: 'd',
    low: 0,
    high: 70,
  },
  vernalFloor: {
    meaning:
      'share of the development rate without any cold; 0 for biennials, which feel cold only once they have leaves',
    unit: 'share',
    low: 0,
    high: 1,
  },
  photoLowH: { meaning: 'daylength at which development is slowest', unit: 'h', low: 5, high: 18 },
  photoFullH: { meaning: 'daylength at which development is fastest', unit: 'h', low: 8, high: 18 },
  photoFloor: {
    meaning: 'share of the development rate at the slowest daylength',
    unit: 'share',
    low: 0,
    high: 1,
  },
  leafCm2: { meaning: 'leaf area per plant at emergence', unit: 'cm²', low: 0.05, high: 25 },
  leafGrowthPerCd: {
    meaning: 'relative leaf growth before light limits it',
    unit: '(°C d)⁻¹',
    low: 0.004,
    high: 0.022,
  },
  extinction: { meaning: 'light extinction coefficient of the canopy', unit: '–', low: 0.35, high: 0.9 },
  lightUseGMj: { meaning: 'shoot dry matter per intercepted PAR', unit: 'g MJ⁻¹', low: 0.8, high: 4.5 },
  specificLeafM2G: { meaning: 'leaf area per gram of leaf', unit: 'm² g⁻¹', low: 0.012, high: 0.045 },
  growBaseC: { meaning: 'temperature below which there is no growth', unit: '°C', low: -1, high: 12 },
  growOptLowC: { meaning: 'lower end of the best temperatures for growth', unit: '°C', low: 10, high: 32 },
  growOptHighC: { meaning: 'upper end of the best temperatures for growth', unit: '°C', low: 18, high: 38 },
  growMaxC: { meaning: 'temperature above which growth stops', unit: '°C', low: 28, high: 48 },
  lt50TenderC: {
    meaning: 'crown temperature that kills half of unhardened plants',
    unit: '°C',
    low: -8,
    high: 3,
  },
  lt50HardyC: {
    meaning: 'crown temperature that kills half of fully hardened plants',
    unit: '°C',
    low: -35,
    high: 2,
  },
  crownSoilShare: {
    meaning: 'share of soil temperature in that of the growing point',
    unit: 'share',
    low: 0,
    high: 0.9,
  },
  heatC: { meaning: 'daily maximum above which plants are harmed', unit: '°C', low: 28, high: 50 },
  heightM: { meaning: 'full height', unit: 'm', low: 0.15, high: 4 },
  nitrogenA: { meaning: 'critical nitrogen at 1 t ha⁻¹ (a in a·W^−b)', unit: '%', low: 2.5, high: 6 },
  nitrogenB: { meaning: 'exponent b of critical nitrogen dilution', unit: '–', low: 0.2, high: 0.5 },
  nitrogenPlateau: { meaning: 'critical nitrogen of small stands', unit: '%', low: 3, high: 6 },
  fixationShare: {
    meaning: 'largest share of nitrogen demand met by fixation',
    unit: 'share',
    low: 0,
    high: 0.95,
  },
  rootShare: { meaning: 'roots as a share of all dry matter', unit: 'share', low: 0.08, high: 0.6 },
  seedShare: { meaning: 'ripe seed as a share of shoot dry matter', unit: 'share', low: 0.03, high: 0.55 },
  dormantShare: {
    meaning: 'share of shed seed that does not sprout in the first year',
    unit: 'share',
    low: 0,
    high: 0.9,
  },
  drillKgHa: { meaning: 'drilled seeding rate of the straight species', unit: 'kg ha⁻¹', low: 3, high: 300 },
  thousandSeedG: { meaning: 'weight of a thousand seeds', unit: 'g', low: 0.3, high: 900 },
} as const satisfies Record<string, { meaning: string; unit: string; low: number; high: number }>

export type ParameterName = keyof typeof PARAMETERS
export type SpeciesParameters = Record<ParameterName, number>

export const PARAMETER_NAMES = Object.keys(PARAMETERS) as ParameterName[]

const parameterShape = Object.fromEntries(
  PARAMETER_NAMES.map((name) => [name, z.number().min(PARAMETERS[name].low).max(PARAMETERS[name].high)]),
) as Record<ParameterName, z.ZodNumber>

export const plantGroup = z.enum(['grass', 'legume', 'broadleaf'])
export type PlantGroup = z.infer<typeof plantGroup>

/** Endings treat plants by these classes: how they answer a cut, a crimp or the dark. */
export const endingClass = z.enum([
  'winter cereal',
  'spring cereal',
  'ryegrass',
  'sorghum',
  'millet',
  'vetch',
  'crimson clover',
  'annual clover',
  'perennial clover',
  'pea',
  'faba',
  'warm legume',
  'brassica',
  'radish',
  'buckwheat',
  'phacelia',
  'stalk broadleaf',
  'leaf rosette',
])
export type EndingClass = z.infer<typeof endingClass>

/** Animals, and people, that a cover can harm. */
export const creature = z.enum(['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits', 'people'])
export type Creature = z.infer<typeof creature>

/** Whom a cover can harm, how much care that asks for, why, and from which BBCH stage on; at any where none is given. */
const harm = z.object({
  who: creature,
  level: z.enum(['caution', 'avoid']),
  why: z.string(),
  fromBbch: z.number().optional(),
})
export type Harm = z.infer<typeof harm>

export const species = z.object({
  id: z.string(),
  name: z.string(),
  /** One short word for the loom. */
  shortName: z.string().max(9),
  scientificName: z.string(),
  family: z.string(),
  group: plantGroup,
  endingClass,
  perennial: z.boolean(),
  inoculantGroup: z.string().nullable(),
  /** 0 none – 3 strong: value of its flowers to bees and hoverflies. */
  flowerValue: z.number().min(0).max(3),
  /** 0 none – 3 strong: how well its roots open hard ground. */
  rootPower: z.number().min(0).max(3),
  /** 0 none – 1 as rye: how strongly fresh residue holds back small seed sown into it. */
  allelopathy: z.number().min(0).max(1),
  season: z.enum(['cool', 'warm']),
  habit: z.enum(['upright', 'climbing', 'spreading', 'rosette']),
  rooting: z.enum(['fibrous', 'tap', 'branching']),
  /** What people can eat of it, when, and how; null: not eaten. */
  edible: z.object({ part: z.string(), when: z.string(), how: z.string() }).nullable(),
  harms: z.array(harm).readonly(),
  /** 0 never comes back – 3 a weed once it has seeded. */
  weediness: z.number().int().min(0).max(3),
  /** How it stands to root-knot nematodes; where cultivars differ, only one named as resistant sets them back. */
  rootKnot: z.enum(['host', 'poor host', 'sets back', 'depends on cultivar']),
  /** 0 none – 3 strong: when chopped fine and buried at once. */
  biofumigant: z.number().int().min(0).max(3),
  /** Usual price of seed in small lots per kilogram, in the euro or near it (judgement). */
  pricePerKg: z.object({ low: z.number().positive(), high: z.number().positive() }),
  cautions: z.array(z.string()),
  /** The kind of plants whose set its own was made from; kin err together. */
  archetype: z.string(),
  /** What the catalogue states of its growth, and the same as calibrated: what it grows by. */
  stated: z.object(parameterShape),
  parameters: z.object(parameterShape),
  /** How deep its seed should lie, cm, and the pure, living share of seed that published rates are for. */
  depthCm: z.object({ low: z.number().min(0.1).max(10), high: z.number().min(0.5).max(10) }),
  usualQuality: z.number().min(0.5).max(1),
  /** Source of parameters that are better than judgement, and where it stands. */
  sources: z.partialRecord(
    z.enum(PARAMETER_NAMES as [ParameterName, ...ParameterName[]]),
    z.object({ class: sourceClass, reference: z.string().min(1) }),
  ),
})
export type Species = z.infer<typeof species>
