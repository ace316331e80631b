import type { SeedSize } from '../plants/catalogue'

/** How one person throws: grams in a handful by seed size, width of a cast, length of a pace. */
export type Measures = {
  gramsPerHandful: Partial<Record<SeedSize, number>>
  castWidthM: number
  paceM: number
}

/** Handfuls of ordinary hands, g (judgement; ± a third, so own ones are better). */
export const USUAL_HANDFUL_G: Record<SeedSize, number> = { tiny: 25, small: 32, medium: 38, large: 42 }
export const USUAL_MEASURES: Measures = { gramsPerHandful: {}, castWidthM: 1.5, paceM: 0.7 }

/** Grams of a handful of this size: own where measured, else the usual one. */
export const handfulOf = (measures: Measures, size: SeedSize) =>
  measures.gramsPerHandful[size] ?? USUAL_HANDFUL_G[size]

/** One stretch of one pass: where it lies along the bed, what to throw there, in handfuls and paces. */
export type Portion = {
  pass: number
  stretch: number
  /** Along the direction of the pass, m from its start. */
  fromM: number
  toM: number
  grams: number
  handfuls: number
  paces: number
}

export type PortionOrder = {
  /** Grams of each pass, as weighed. */
  passGrams: readonly number[]
  lengthM: number
  widthM: number
  stretches: number
  gramsPerHandful: number
  castWidthM: number
  paceM: number
  scaleStepG: number
}

/** Share of a cast's width from one lane to the next: the thin edges of casts overlap. */
const LANE_SHARE = 0.75

/** Lanes needed to cover a width with casts of this width, their edges overlapping. */
export const lanesOf = (widthM: number, castWidthM: number) =>
  widthM <= castWidthM ? 1 : Math.ceil(widthM / (LANE_SHARE * castWidthM) - 1e-9)

/**
 * Splits each pass over stretches of the bed. Grams are whole steps of the scale and add up to the pass exactly; odd
 * passes go along the bed, even ones across it.
 */
export function portionsOf(order: PortionOrder): Portion[] {
  const { lengthM, widthM, stretches, gramsPerHandful, castWidthM, paceM, scaleStepG } = order
  return order.passGrams.flatMap((grams, pass) => {
    const along = pass % 2 === 0
    const [way, side] = along ? [lengthM, widthM] : [widthM, lengthM]
    const lanes = lanesOf(side, castWidthM)
    const steps = Math.round(grams / scaleStepG)
    const base = Math.floor(steps / stretches)
    const extra = steps - base * stretches
    // Stretches are cut along the bed's length in both directions, so that each has its own portion.
    const walked = along ? (way / stretches) * lanes : (way * lanes) / stretches
    return Array.from({ length: stretches }, (_, stretch): Portion => {
      const own = Math.round((base + (stretch < extra ? 1 : 0)) * scaleStepG * 1000) / 1000
      return {
        pass,
        stretch,
        fromM: (lengthM * stretch) / stretches,
        toM: (lengthM * (stretch + 1)) / stretches,
        grams: own,
        handfuls: own / gramsPerHandful,
        paces: Math.max(1, Math.round(walked / paceM)),
      }
    })
  })
}

/** Grams still needed so that the rest gets what the whole should have had, and how much thicker the done part lies. */
export function ranOut(plannedG: number, doneShare: number): { overShare: number; extraG: number } {
  const share = Math.min(1, Math.max(0.01, doneShare))
  return { overShare: 1 / share - 1, extraG: plannedG * (1 - share) }
}

/** Dry sand to bulk small seed, as a share of the seed's volume, and grams of it (sand 1.6 kg per litre, seed 0.75). */
export function sandFor(grams: number, size: SeedSize): { litres: number; parts: number } | null {
  const parts = size === 'tiny' ? 4 : size === 'small' ? 2 : 0
  return parts === 0 ? null : { parts, litres: (grams / 750) * parts }
}

/** What a portion that ended early comes to: the portions still to throw, and what is missing for the full rate. */
export type AfterRunningOut = { portions: Portion[]; missingG: number; overShare: number }

/**
 * Shares the seed still in the bag over the ground still bare: the rest of the stretch whose portion ended early, and
 * all that was to come, each thinner by the same share. `doneInStretch` is how far into the stretch it lasted, 0–1.
 */
export function afterRunningOut(
  portions: readonly Portion[],
  current: number,
  doneInStretch: number,
  scaleStepG: number,
): AfterRunningOut {
  const now = portions[current]
  const later = portions.slice(current + 1)
  const leftG = later.reduce((sum, portion) => sum + portion.grams, 0)
  const { extraG, overShare } = ranOut(now.grams, doneInStretch)
  const thinner = leftG > 0 ? leftG / (leftG + extraG) : 0
  const thin = (portion: Portion, planned: number): Portion => {
    const grams = Math.round(Math.floor((planned * thinner) / scaleStepG + 1e-9) * scaleStepG * 1000) / 1000
    return { ...portion, grams, handfuls: portion.grams > 0 ? (portion.handfuls * grams) / portion.grams : 0 }
  }
  return {
    portions: [thin(now, extraG), ...later.map((portion) => thin(portion, portion.grams))],
    missingG: Math.round(extraG),
    overShare,
  }
}
