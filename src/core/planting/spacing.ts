import type { Crop } from '../plants/crops'

/** How a crop bears a later planting: closer by a share for each week, down to a least share of its usual spacing. */
export type LateRule = { closerPerWeek: number; least: number; reason: string }
export type OwnLateRule = Pick<LateRule, 'closerPerWeek' | 'least'>

const STAYS: LateRule = {
  closerPerWeek: 0,
  least: 1,
  reason: 'It needs its room; planted late it gives less, and closer plants would not make up for it.',
}

/** Rules by family, and crops that differ (judgement from variety guides, ± a third). */
const BY_FAMILY: Record<string, LateRule> = {
  Brassicaceae: {
    closerPerWeek: 0.06,
    least: 0.72,
    reason: 'Late plants stay smaller: closer gives smaller heads, as many kilos.',
  },
  Asteraceae: { closerPerWeek: 0.05, least: 0.8, reason: 'Late heads stay smaller and stand closer.' },
  Amaryllidaceae: {
    closerPerWeek: 0.05,
    least: 0.7,
    reason: 'Late bulbs and stems stay thinner and need less room.',
  },
  Apiaceae: { closerPerWeek: 0.05, least: 0.75, reason: 'Late roots and stalks stay smaller.' },
  Amaranthaceae: { closerPerWeek: 0.05, least: 0.75, reason: 'Late roots and leaves stay smaller.' },
  Poaceae: {
    closerPerWeek: 0.03,
    least: 0.88,
    reason: 'Late plants are shorter; a little closer is enough, pollen must still reach.',
  },
  Fabaceae: {
    closerPerWeek: 0.05,
    least: 0.75,
    reason: 'Late plants branch less: closer ones fill the row.',
  },
}
const BY_CROP: Record<string, LateRule> = {
  strawberry: {
    closerPerWeek: 0.08,
    least: 0.6,
    reason: 'Late plants make fewer crowns before winter: closer ones make up for it.',
  },
  potato: {
    closerPerWeek: 0.03,
    least: 0.85,
    reason: 'Fewer days make fewer large tubers; closer keeps them even.',
  },
  basil: { closerPerWeek: 0.06, least: 0.7, reason: 'Late plants branch less.' },
  kale: { closerPerWeek: 0.05, least: 0.75, reason: 'Late plants stay smaller.' },
}

/** The crop's own rule for a late planting. */
export const lateRule = (crop: Pick<Crop, 'id' | 'family'>): LateRule =>
  BY_CROP[crop.id] ?? BY_FAMILY[crop.family] ?? STAYS

/** Plants ordered beyond those that fit, a share (judgement, 5–15 %). */
export const SPARE_PLANTS = 0.1
/** Plants to order or raise for a ground, some to spare. */
export const plantsToOrder = ({ plants }: Spacing): number => Math.ceil(plants * (1 + SPARE_PLANTS))

export type Spacing = { rowCm: number; plantCm: number; rows: number; perRow: number; plants: number }

/** Plants that fit: rows along the bed with half a row's distance to its edges, plants a full distance apart. */
export function plantsFor(lengthM: number, widthM: number, rowCm: number, plantCm: number): Spacing {
  const rows = Math.max(1, Math.floor((widthM * 100) / rowCm + 1e-6))
  const perRow = Math.max(1, Math.floor((lengthM * 100) / plantCm + 1e-6))
  return { rowCm, plantCm, rows, perRow, plants: rows * perRow }
}

/** Where plants stand on a ground of a width: rows side by side in the middle of their own part of it, m from its corner. */
export const placesOf = (
  { rows, perRow, plantCm }: Spacing,
  widthM: number,
): { alongM: number; acrossM: number }[] =>
  Array.from({ length: rows * perRow }, (_, i) => ({
    alongM: (((i % perRow) + 0.5) * plantCm) / 100,
    acrossM: ((Math.floor(i / perRow) + 0.5) * widthM) / rows,
  }))

/** Usual spacing, and the closer one when planting is `daysLate` behind the plan. */
export function spacingFor(
  crop: Crop,
  lengthM: number,
  widthM: number,
  daysLate: number,
  /** The grower's own, from trials of theirs. */
  own: OwnLateRule | null = null,
): { usual: Spacing; late: Spacing; rule: LateRule } {
  const rule = { ...lateRule(crop), ...own }
  const share = Math.max(rule.least, 1 - (rule.closerPerWeek * Math.max(0, daysLate)) / 7)
  return {
    usual: plantsFor(lengthM, widthM, crop.rowCm, crop.plantCm),
    late: plantsFor(lengthM, widthM, crop.rowCm, Math.max(1, Math.round(crop.plantCm * share * 2) / 2)),
    rule,
  }
}
