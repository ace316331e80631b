import type { PlantingMethodId } from '../garden/schema'
import type { Spacing } from './spacing'

/** Criteria of a planting that a way of planting can open. */
export type OpenedByWay = 'seedbed' | 'residue-hold' | 'tie-up'

/** What a way of planting does and takes. Figures of work are judgement, ± a half. */
type Way = {
  /** What of the residue no longer stands in the crop’s way. */
  opens: readonly OpenedByWay[]
  /** What it is for. */
  takes: 'plants' | 'seed' | 'both'
  /** Minutes of the way itself, the planting or sowing in it counted apart. */
  minutes: { perPlant?: number; perRowM?: number; perM2?: number }
  /** Compost, m³. */
  compost?: { perPlant?: number; perRowM?: number; perM2?: number }
  /** Width along each row that lies bare of mulch, m, and grows weeds. */
  bareRowM?: number
  film?: boolean
  /** How much cooler the ground may be, °C. */
  warmsC?: number
}

export const WAYS: Record<PlantingMethodId, Way> = {
  slot: { opens: [], takes: 'plants', minutes: { perPlant: 0.15 } },
  dibble: { opens: [], takes: 'plants', minutes: { perPlant: 0.03 } },
  rake: {
    opens: ['seedbed', 'residue-hold'],
    takes: 'both',
    minutes: { perRowM: 0.7 },
    bareRowM: 0.15,
  },
  'compost row': {
    opens: ['seedbed', 'residue-hold', 'tie-up'],
    takes: 'both',
    minutes: { perRowM: 0.4 },
    // Fifteen centimetres wide and four deep.
    compost: { perRowM: 0.006 },
  },
  'compost blanket': {
    opens: ['seedbed', 'residue-hold', 'tie-up'],
    takes: 'both',
    minutes: { perM2: 1.5 },
    compost: { perM2: 0.05 },
  },
  pockets: {
    opens: ['tie-up'],
    takes: 'plants',
    minutes: { perPlant: 0.4 },
    compost: { perPlant: 0.002 },
  },
  // Film on soil warms its top by two or three degrees (Lamont 2005), on residue that keeps it off the soil by less.
  film: { opens: [], takes: 'plants', minutes: { perM2: 0.8, perPlant: 0.15 }, film: true, warmsC: 1 },
  plank: { opens: [], takes: 'seed', minutes: { perRowM: 0.35 } },
  loosen: { opens: [], takes: 'both', minutes: { perM2: 4 } },
}

/** Setting a plant, and sowing a metre of row, minutes. */
const PLANT_MINUTES = 0.2
const SOW_ROW_MINUTES = 0.25
/** Fetching and spreading a cubic metre of compost by barrow, minutes. */
const COMPOST_MINUTES_PER_M3 = 70
/** Hoeing a square metre once, minutes; young crops want it about once a week. */
const HOE_MINUTES_PER_M2 = 0.3

/** What planting a ground in a way takes, and what it spares. */
export type PlantingWork = {
  minutes: number
  compostM3: number
  filmM2: number
  holes: number
  /** Share of the ground on which the mulch, or the film, goes on holding weeds, 0–1. */
  holdsShare: number
}

type Size = { lengthM: number; widthM: number }

const amount = (
  each: { perPlant?: number; perRowM?: number; perM2?: number } | undefined,
  { rows, plants }: Pick<Spacing, 'rows' | 'plants'>,
  { lengthM, widthM }: Size,
): number =>
  (each?.perPlant ?? 0) * plants +
  (each?.perRowM ?? 0) * rows * lengthM +
  (each?.perM2 ?? 0) * lengthM * widthM

/** Minutes and materials of planting a ground in a way, with so many plants or rows of seed. */
export function plantingWork(
  id: PlantingMethodId,
  size: Size,
  spacing: Pick<Spacing, 'rows' | 'plants'>,
  establishment: 'transplant' | 'seed',
): PlantingWork {
  const way = WAYS[id]
  const compostM3 = amount(way.compost, spacing, size)
  const itself =
    establishment === 'seed' ? SOW_ROW_MINUTES * spacing.rows * size.lengthM : PLANT_MINUTES * spacing.plants
  return {
    minutes: itself + amount(way.minutes, spacing, size) + compostM3 * COMPOST_MINUTES_PER_M3,
    compostM3,
    filmM2: way.film ? size.lengthM * size.widthM : 0,
    holes: way.film ? spacing.plants : 0,
    holdsShare: Math.max(0, 1 - (spacing.rows * (way.bareRowM ?? 0)) / size.widthM),
  }
}

/** Minutes of hoeing that a mulch spares on a ground in so many weeks. */
export const hoeingSpared = (weeks: number, { lengthM, widthM }: Size, holdsShare: number): number =>
  Math.max(0, weeks) * HOE_MINUTES_PER_M2 * lengthM * widthM * holdsShare

/** Whether a way can be used for a crop as it is established. */
export const canPlantSo = (
  id: PlantingMethodId,
  establishment: 'transplant' | 'seed',
  { smallSeed }: { smallSeed: boolean },
): boolean => {
  const { takes } = WAYS[id]
  if (establishment === 'transplant') return takes !== 'seed'
  return takes !== 'plants' || !smallSeed
}
