import { interpolate } from '../foundations/statistics'
import type { EndingClass } from '../plants/parameters'

/** [BBCH, share of plants alive after one careful pass], ascending; straight between, flat beyond. */
type StageTable = readonly (readonly [number, number])[]

const always = (share: number): StageTable => [[0, share]]

/**
 * Survival after one careful pass with a crimp at ground level, by class and stage. Cereals and vetch after
 * published roller-crimper trials (Ashford and Reeves 2003; Mirsky et al. 2009; Mischler et al. 2010), the rest
 * judgement.
 */
export const CRIMP_SURVIVAL: Record<EndingClass, StageTable> = {
  'winter cereal': [
    [31, 0.9],
    [39, 0.8],
    [51, 0.55],
    [61, 0.15],
    [69, 0.08],
    [75, 0.04],
  ],
  'spring cereal': [
    [31, 0.9],
    [39, 0.8],
    [51, 0.55],
    [61, 0.15],
    [69, 0.08],
    [75, 0.04],
  ],
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

export const crimpSurvival = (kind: EndingClass, bbch: number) => interpolate(CRIMP_SURVIVAL[kind], bbch)
export const chopSurvival = (kind: EndingClass, bbch: number) => interpolate(CHOP_SURVIVAL[kind], bbch)

/** Height of stubble at which the nodes left save two thirds of what a cut at the ground would kill, m (judgement, 0.05–0.15). */
const NODES_SAVED_M = 0.08

/** Survival of a cut that leaves stubble, m: higher cuts leave more nodes and leaf to grow from. */
export function chopSurvivalAt(
  kind: EndingClass,
  bbch: number,
  heightM: number,
  atGround = chopSurvival(kind, bbch),
): number {
  return 1 - (1 - atGround) * Math.exp(-heightM / NODES_SAVED_M)
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
const SECOND_PASS: Record<EndingClass, StageTable> = {
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

/** Thermal time a treated plant takes to brown and die, °C d above 0 °C (judgement). */
export const BROWNING_CD: Record<InstantAct, number> = {
  chop: 130,
  crimp: 230,
  bury: 200,
  flip: 250,
  turn: 200,
  pull: 0,
  flame: 60,
}

/** Grasses that tiller and clovers that creep grow up through what would smother an annual. */
const TOUGH: readonly EndingClass[] = [
  'winter cereal',
  'spring cereal',
  'ryegrass',
  'sorghum',
  'millet',
  'perennial clover',
]
export const isTough = (kind: EndingClass) => TOUGH.includes(kind)

/** Depth of compost or soil over chopped growth, m: what soft annuals and what tough plants want (extension). */
export const BURY_DEPTH_M = { soft: 0.06, tough: 0.12 } as const

/** Survival after fine chopping under a covering of `depthM`: 0.1, tough plants 0.5 at 6 cm and 0.1 at 12 cm. */
export const burySurvival = (kind: EndingClass, depthM: number) =>
  isTough(kind)
    ? interpolate(
        [
          [0, 0.95],
          [0.06, 0.5],
          [0.12, 0.1],
          [0.18, 0.05],
        ],
        depthM,
      )
    : interpolate(
        [
          [0, 0.6],
          [0.06, 0.1],
          [0.12, 0.04],
        ],
        depthM,
      )

/** What turning under leaves of cereals: tillering, jointing, from heading on (extension). */
const CEREAL_TURNED: StageTable = [
  [29, 0.35],
  [31, 0.25],
  [45, 0.25],
  [51, 0.1],
]

/** Survival after one pass of turning under (extension for cereals and soft covers; the rest judgement). */
export function turnSurvival(kind: EndingClass, bbch: number): number {
  if (kind === 'ryegrass' || kind === 'perennial clover') return 0.4
  return isTough(kind) ? interpolate(CEREAL_TURNED, bbch) : 0.1
}

/** Survival after chopping and turning the crowns roots up under a cover (judgement, 0.05–0.3). */
const flipSurvival = (kind: EndingClass) => (isTough(kind) ? 0.15 : 0.05)

/** What a wilting pass of a flame leaves of the survivors of a fresh crimp while the growth is green. */
export const FLAME_AFTER_CRIMP = 0.4

/** What a wilting pass leaves of young plants: broadleaf seedlings 0.1, grasses 0.8; grown plants live (engine table). */
const flameSurvival = (kind: EndingClass, bbch: number) =>
  interpolate(
    [
      [14, isTough(kind) ? 0.8 : 0.1],
      [31, 0.95],
    ],
    bbch,
  )

/** Roots left when a stand is pulled (judgement). */
const PULL_SURVIVAL = 0.02

/** Acts that take effect on their day. */
export type InstantAct = 'chop' | 'crimp' | 'bury' | 'flip' | 'turn' | 'pull' | 'flame'

/** Share of plants alive after one careful pass of an act, by class and stage. */
export function actSurvival(act: InstantAct, kind: EndingClass, bbch: number): number {
  switch (act) {
    case 'chop':
      return chopSurvival(kind, bbch)
    case 'crimp':
      return crimpSurvival(kind, bbch)
    case 'bury':
      return burySurvival(kind, isTough(kind) ? BURY_DEPTH_M.tough : BURY_DEPTH_M.soft)
    case 'turn':
      return turnSurvival(kind, bbch)
    case 'flip':
      return flipSurvival(kind)
    case 'pull':
      return PULL_SURVIVAL
    case 'flame':
      return flameSurvival(kind, bbch)
  }
}

/** What a further pass leaves of the survivors, by class and stage. */
export const furtherPass = (act: InstantAct, kind: EndingClass, bbch: number): number =>
  act === 'turn' ? turnSurvival(kind, bbch) : interpolate(SECOND_PASS[kind], bbch)

/** Days to wait for a further pass. */
export const furtherPassAfter = (act: InstantAct): number => (act === 'turn' ? 10 : 7)
