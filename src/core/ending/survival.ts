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
    [51, 0.35],
    [61, 0.16],
    [65, 0.08],
  ],
  'crimson clover': [
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
  pea: always(0.05),
  faba: [
    [31, 0.4],
    [51, 0.3],
    [61, 0.1],
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
export function chopSurvivalAt(kind: EndingClass, bbch: number, heightM: number): number {
  return 1 - (1 - chopSurvival(kind, bbch)) * Math.exp(-heightM / NODES_SAVED_M)
}

/** What a second chop a week later leaves of the first one's survivors. */
export const SECOND_PASS = 0.3

/**
 * Thermal time above 0 °C under a black sheet that leaves 5 % alive, °C d, on mown or flattened growth
 * (judgement, ± 20 %).
 */
const TARP_DOSE_CD: Record<EndingClass, number> = {
  'winter cereal': 450,
  'spring cereal': 420,
  ryegrass: 500,
  sorghum: 450,
  millet: 380,
  vetch: 300,
  'crimson clover': 320,
  'annual clover': 380,
  'perennial clover': 650,
  pea: 250,
  faba: 280,
  'warm legume': 280,
  brassica: 320,
  radish: 320,
  buckwheat: 220,
  phacelia: 250,
  'stalk broadleaf': 260,
  'leaf rosette': 280,
}

/** Air under a black sheet lying on the ground is warmer than outside by about this, °C (range 3–6). */
export const SHEET_WARMING_C = 4.5

/** A standing crop holds the sheet up: the dose needed rises by this factor. */
export const STANDING_FACTOR = 1.4

/** Share alive after a dose of thermal time under the sheet; falls exponentially. */
export function tarpSurvival(kind: EndingClass, doseCd: number, flattened: boolean): number {
  const needed = TARP_DOSE_CD[kind] * (flattened ? 1 : STANDING_FACTOR)
  return Math.exp((Math.log(0.05) * doseCd) / needed)
}

/** Thermal time a cut or crimped plant takes to brown and die, °C d above 0 °C (judgement). */
export const BROWNING_CD = { chop: 130, crimp: 230 } as const
