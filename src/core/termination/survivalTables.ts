import type { EndingClass } from '../plants/parameters'

/** [BBCH, share of plants alive after one careful pass], ascending; straight between, flat beyond. */
type StageTable = readonly (readonly [number, number])[]

const always = (share: number): StageTable => [[0, share]]

const CEREAL_CRIMPED: StageTable = [
  [31, 0.9],
  [39, 0.8],
  [51, 0.55],
  [61, 0.15],
  [69, 0.08],
  [75, 0.04],
]

/**
 * Survival after one careful pass with a crimp at ground level, by class and stage. Cereals and vetch after
 * published roller-crimper trials (Ashford and Reeves 2003; Mirsky et al. 2009; Mischler et al. 2010), the rest
 * judgement.
 */
export const CRIMP_SURVIVAL: Record<EndingClass, StageTable> = {
  'winter cereal': CEREAL_CRIMPED,
  'spring cereal': CEREAL_CRIMPED,
  ryegrass: [
    [31, 0.95],
    [51, 0.85],
    [61, 0.6],
    [75, 0.35],
  ],
  sorghum: always(0.95),
  millet: [
    [51, 0.8],
    [61, 0.35],
    [75, 0.12],
  ],
  vetch: [
    [51, 0.7],
    [61, 0.45],
    [65, 0.25],
    [71, 0.08],
  ],
  'crimson clover': [
    [51, 0.6],
    [61, 0.3],
    [65, 0.1],
    [71, 0.06],
  ],
  'annual clover': [
    [51, 0.7],
    [61, 0.4],
    [65, 0.2],
    [71, 0.08],
  ],
  'perennial clover': always(0.95),
  pea: [
    [31, 0.6],
    [61, 0.25],
    [65, 0.12],
    [71, 0.06],
  ],
  faba: [
    [31, 0.6],
    [61, 0.3],
    [65, 0.2],
    [75, 0.1],
  ],
  'warm legume': [
    [31, 0.5],
    [61, 0.25],
    [71, 0.12],
  ],
  brassica: [
    [31, 0.8],
    [61, 0.5],
    [71, 0.35],
  ],
  radish: [
    [31, 0.8],
    [61, 0.5],
    [71, 0.35],
  ],
  buckwheat: [
    [31, 0.35],
    [61, 0.08],
  ],
  phacelia: [
    [31, 0.4],
    [61, 0.1],
  ],
  'stalk broadleaf': [
    [31, 0.5],
    [61, 0.2],
    [75, 0.1],
  ],
  'leaf rosette': always(0.8),
}

/** Survival after one chop at ground level, by class and stage (judgement from trials and garden practice). */
export const CHOP_SURVIVAL: Record<EndingClass, StageTable> = {
  'winter cereal': [
    [31, 0.92],
    [50, 0.88],
    [61, 0.25],
    [65, 0.09],
    [75, 0.09],
  ],
  'spring cereal': [
    [31, 0.85],
    [50, 0.75],
    [61, 0.2],
    [65, 0.08],
    [75, 0.08],
  ],
  ryegrass: [
    [51, 0.9],
    [61, 0.5],
    [75, 0.4],
  ],
  sorghum: always(0.9),
  millet: [
    [31, 0.8],
    [51, 0.5],
    [61, 0.15],
    [75, 0.08],
  ],
  vetch: [
    [31, 0.65],
    [51, 0.35],
    [61, 0.16],
    [65, 0.08],
  ],
  'crimson clover': [
    [31, 0.65],
    [51, 0.4],
    [61, 0.06],
    [65, 0.03],
  ],
  'annual clover': [
    [51, 0.75],
    [61, 0.35],
    [65, 0.15],
    [71, 0.06],
  ],
  'perennial clover': always(0.95),
  pea: [
    [39, 0.5],
    [61, 0.1],
    [71, 0.03],
  ],
  faba: [
    [31, 0.4],
    [51, 0.3],
    [61, 0.25],
    [75, 0.1],
  ],
  'warm legume': [
    [31, 0.35],
    [61, 0.15],
    [71, 0.08],
  ],
  brassica: [
    [31, 0.5],
    [51, 0.4],
    [61, 0.15],
  ],
  radish: always(0.2),
  buckwheat: always(0.02),
  phacelia: always(0.05),
  'stalk broadleaf': always(0.06),
  'leaf rosette': [
    [31, 0.4],
    [51, 0.15],
  ],
}

/**
 * What a second chop or crimp a week later leaves of the first one's survivors (judgement): leafy cereals tiller on as
 * before, those in flower do not.
 */
const CEREAL_SECOND: StageTable = [
  [45, 0.9],
  [51, 0.6],
  [61, 0.3],
]
export const SECOND_PASS: Record<EndingClass, StageTable> = {
  'winter cereal': CEREAL_SECOND,
  'spring cereal': CEREAL_SECOND,
  ryegrass: always(0.8),
  sorghum: always(0.8),
  millet: CEREAL_SECOND,
  vetch: [
    [51, 0.6],
    [65, 0.3],
  ],
  'crimson clover': [
    [51, 0.6],
    [65, 0.3],
  ],
  'annual clover': [
    [51, 0.6],
    [65, 0.3],
  ],
  'perennial clover': always(0.8),
  pea: always(0.3),
  faba: always(0.4),
  'warm legume': always(0.3),
  brassica: always(0.4),
  radish: always(0.3),
  buckwheat: always(0.3),
  phacelia: always(0.3),
  'stalk broadleaf': always(0.3),
  'leaf rosette': always(0.4),
}

/** What turning under leaves of cereals: tillering, jointing, from heading on (extension). */
export const CEREAL_TURNED: StageTable = [
  [29, 0.35],
  [31, 0.25],
  [45, 0.25],
  [51, 0.1],
]
