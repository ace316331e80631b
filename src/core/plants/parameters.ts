import { z } from 'zod'
import { PARAMETERS, PARAMETER_NAMES, type ParameterName } from './parameterRanges'

export type { ParameterName, SpeciesParameters } from './parameterRanges'

/** Where a value comes from: a paper, an extension guide, or our own judgement. */
export const sourceClass = z.enum(['published', 'extension', 'judgement'])

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
  /** Share of a perennial’s plants that a year of age and rot takes, 0–1 (judgement from how long stands last). */
  yearlyLoss: z.number().min(0).max(0.9),
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
