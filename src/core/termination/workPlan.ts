import type { Tool } from '../garden/tool'
import type { EndingClass } from '../plants/parameters'
import { SHEET_OVERLAP_M, sheetsLaid, type LaidSheets } from './sheetsFor'
import { BURY_DEPTH_M, isTough } from './survival'

/** Length and width of the ground worked on, m. */
export type Ground = { lengthM: number; widthM: number }

/** How far a sheet should reach beyond the ground on every side, m, and the distance between two weights on its edge. */
const OVERHANG_M = 0.2
const WEIGHT_EVERY_M = 1
const WEIGHT_KG = 8
/** Water that dry soil wants before it is covered, mm: a black sheet, and clear film that needs wet soil. */
const WET_MM = { black: 12, clear: 30 } as const

export type SheetPlan = {
  /** The owned sheet used, as laid along and across the ground, or several of them as one; null when none covers it. */
  sheet: { alongM: number; acrossM: number } | null
  /** How many lie as one, whether one after another or side by side, and how far they overlap, m; 0 where one is enough. */
  pieces: number
  lie: LaidSheets<Tool>['lie']
  overlapM: number
  /** Size that would reach over every edge. */
  wantedAlongM: number
  wantedAcrossM: number
  /** What of it hangs over on each side; negative where it falls short of the wanted overhang. */
  overAlongM: number
  overAcrossM: number
  weightsLong: number
  weightsShort: number
  weights: number
  weightKg: number
  waterL: number
}

/** How far some sheets reach along and across a ground that they lie on as one. */
function laidAsOne(
  { pieces, lie }: LaidSheets<Tool>,
  { lengthM, widthM }: Ground,
  wanted: { along: number; across: number },
): { alongM: number; acrossM: number } {
  const long = pieces.map((one) => longSide(one, wanted.along, wanted.across))
  const short = pieces.map((one) => shortSide(one, wanted.along, wanted.across))
  const joined = (sides: readonly number[]) =>
    sides.reduce((sum, side) => sum + side, -SHEET_OVERLAP_M * (sides.length - 1))
  const [far, near] =
    lie === 'along' ? [joined(long), Math.min(...short)] : [Math.min(...long), joined(short)]
  return widthM > lengthM ? { alongM: near, acrossM: far } : { alongM: far, acrossM: near }
}

const longSide = (sheet: Tool, along: number, across: number) =>
  Math.max(sheet.lengthM ?? along, sheet.widthM ?? across)
const shortSide = (sheet: Tool, along: number, across: number) =>
  Math.min(sheet.lengthM ?? along, sheet.widthM ?? across)

/** The smallest owned sheet that covers the ground, how it lies, and what holds it down. */
export function sheetPlan(ground: Ground, sheets: readonly Tool[], kind: keyof typeof WET_MM): SheetPlan {
  const { lengthM, widthM } = ground
  const fits = sheetsLaid(sheets, widthM, lengthM)
  const wantedAlongM = lengthM + 2 * OVERHANG_M
  const wantedAcrossM = widthM + 2 * OVERHANG_M
  const pieces = fits?.pieces.length ?? 1
  const overlapM = pieces > 1 ? SHEET_OVERLAP_M : 0
  const sheet = fits && laidAsOne(fits, ground, { along: wantedAlongM, across: wantedAcrossM })
  const along = sheet?.alongM ?? wantedAlongM
  const across = sheet?.acrossM ?? wantedAcrossM
  const weightsLong = Math.ceil(along / WEIGHT_EVERY_M) + 1
  const weightsShort = Math.max(0, Math.ceil(across / WEIGHT_EVERY_M) - 1)
  return {
    sheet,
    pieces,
    lie: fits?.lie ?? 'along',
    overlapM,
    wantedAlongM,
    wantedAcrossM,
    overAlongM: (along - lengthM) / 2,
    overAcrossM: (across - widthM) / 2,
    weightsLong,
    weightsShort,
    weights: 2 * (weightsLong + weightsShort),
    weightKg: WEIGHT_KG,
    waterL: WET_MM[kind] * lengthM * widthM,
  }
}

/** A flattened box as most shops throw away, m, and how far two overlap. */
const BOX_M = { along: 1.1, across: 0.7 } as const
const BOX_OVERLAP_M = 0.15

export type CardboardPlan = {
  rows: number
  columns: number
  sheets: number
  boxAlongM: number
  boxAcrossM: number
  overlapM: number
  waterL: number
  stones: number
}

/** Boxes in rows and columns over the ground and 15 cm beyond it. */
export function cardboardPlan({ lengthM, widthM }: Ground): CardboardPlan {
  const columns = Math.ceil((lengthM + BOX_OVERLAP_M) / (BOX_M.along - BOX_OVERLAP_M))
  const rows = Math.ceil((widthM + BOX_OVERLAP_M) / (BOX_M.across - BOX_OVERLAP_M))
  return {
    rows,
    columns,
    sheets: rows * columns,
    boxAlongM: BOX_M.along,
    boxAcrossM: BOX_M.across,
    overlapM: BOX_OVERLAP_M,
    waterL: Math.ceil(4 * lengthM * widthM),
    stones: rows * columns,
  }
}

/** A barrow's load, m³. */
export const BARROW_M3 = 0.08

export type CoverPlan = { depthM: number; volumeM3: number; barrows: number }

/** Compost or soil for a depth over an area; deeper when a tough plant stands in it. */
export function coverPlan(areaM2: number, kinds: readonly EndingClass[]): CoverPlan {
  const depthM = kinds.some(isTough) ? BURY_DEPTH_M.tough : BURY_DEPTH_M.soft
  return volumeFor(areaM2, depthM)
}

export function volumeFor(areaM2: number, depthM: number): CoverPlan {
  const volumeM3 = areaM2 * depthM
  return { depthM, volumeM3, barrows: Math.ceil(volumeM3 / BARROW_M3) }
}

/** How high a plant is cut to end it, and above what for it to grow again, m, and why. Judgement from how they grow. */
const CUTS: Record<
  'cereal' | 'tillering' | 'creeping' | 'legume' | 'faba' | 'crown' | 'soft',
  { endM: number; liveM: number; why: string }
> = {
  cereal: {
    endM: 0.03,
    liveM: 0.1,
    why: 'its growing points climb with the ears: after heading a low cut takes them all',
  },
  tillering: {
    endM: 0.02,
    liveM: 0.08,
    why: 'it tillers again from the crown: expect a second cut, or cover it',
  },
  creeping: { endM: 0, liveM: 0.06, why: 'it grows again from the crown; a cut alone does not end it' },
  legume: { endM: 0.02, liveM: 0.1, why: 'buds sit in the lowest leaf axils: cut below them' },
  faba: { endM: 0.01, liveM: 0.15, why: 'it shoots from the lowest nodes at the ground: cut right at it' },
  crown: { endM: 0, liveM: 0.1, why: 'buds sit on the crown: cut through its neck, just under the ground' },
  soft: { endM: 0.04, liveM: 0.15, why: 'it does not come back from below its lowest leaves' },
}

/** Where a class is cut. */
export function cutHeight(kind: EndingClass) {
  if (kind === 'perennial clover') return CUTS.creeping
  if (kind === 'ryegrass' || kind === 'sorghum') return CUTS.tillering
  if (kind === 'faba') return CUTS.faba
  if (kind === 'brassica' || kind === 'radish' || kind === 'leaf rosette') return CUTS.crown
  if (isTough(kind)) return CUTS.cereal
  return ['buckwheat', 'phacelia', 'stalk broadleaf', 'pea'].includes(kind) ? CUTS.soft : CUTS.legume
}

/** A strip of the ground with the day its work begins. */
export type LanePlan = { order: number; fromM: number; toM: number; day: number }

/** Strips across the length, worked from the start of the bed so that flowers stand on beside what is cut. */
export function lanePlan(
  { lengthM }: Ground,
  startDay: number,
  count: number,
  everyDays: number,
): LanePlan[] {
  return Array.from({ length: count }, (_, i) => ({
    order: i + 1,
    fromM: (lengthM * i) / count,
    toM: (lengthM * (i + 1)) / count,
    day: startDay + i * everyDays,
  }))
}
