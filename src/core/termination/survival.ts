import { interpolate } from '../foundations/statistics'
import type { EndingClass } from '../plants/parameters'
import { CEREAL_TURNED, CHOP_SURVIVAL, CRIMP_SURVIVAL, SECOND_PASS } from './survivalTables'

export const crimpSurvival = (kind: EndingClass, bbch: number) => interpolate(CRIMP_SURVIVAL[kind], bbch)
export const chopSurvival = (kind: EndingClass, bbch: number) => interpolate(CHOP_SURVIVAL[kind], bbch)

/** Height of stubble at which the nodes left save two thirds of what a cut at the ground would kill, m (judgement, 0.05–0.15). */
const NODES_SAVED_M = 0.08

/**
 * How much of its growing points a class holds in low stubble, 0–1: once a cereal heads they stand in its ears, and a hay
 * cut at pollen takes nearly all of them (extension: 0.12 live).
 */
const inStubble = (kind: EndingClass, bbch: number): number =>
  kind === 'winter cereal' || kind === 'spring cereal' || kind === 'millet'
    ? interpolate(
        [
          [45, 1],
          [65, 0.035],
        ],
        bbch,
      )
    : 1

/** Survival of a cut that leaves stubble, m: higher cuts leave more nodes and leaf to grow from. */
export function chopSurvivalAt(
  kind: EndingClass,
  bbch: number,
  heightM: number,
  atGround = chopSurvival(kind, bbch),
): number {
  return 1 - (1 - atGround) * Math.exp((-heightM / NODES_SAVED_M) * inStubble(kind, bbch))
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
