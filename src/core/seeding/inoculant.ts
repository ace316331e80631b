import type { RecipeLine } from './recipe'

/** Peat inoculant on a kilogram of seed, g: large and middling seed, small seed (extension, 2–10). */
const ON_LARGE_G = 3
const ON_SMALL_G = 8
/** What a level teaspoon of peat inoculant weighs, g (judgement, 1.5–2.5). */
const TEASPOON_G = 2

/** Peat inoculant for a line of a recipe, g. */
export const inoculantG = ({ grams, size }: Pick<RecipeLine, 'grams' | 'size'>): number =>
  (grams / 1000) * (size === 'large' || size === 'medium' ? ON_LARGE_G : ON_SMALL_G)

/** How inoculant is measured by hand: a pinch, or so many eighths of a teaspoon; null where it is worth weighing. */
export function spoonsOf(grams: number): 'pinch' | { eighths: number } | null {
  const eighths = Math.round((grams / TEASPOON_G) * 8)
  if (eighths < 1) return 'pinch'
  // Beyond six teaspoons a scale is quicker.
  return eighths <= 48 ? { eighths: eighths <= 8 ? eighths : Math.round(eighths / 4) * 4 } : null
}
