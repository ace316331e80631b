import type { TagRate } from '../core/seeding/tagRate'
import {
  GRAMS_PER_OUNCE,
  GRAMS_PER_POUND,
  METRES_PER_FOOT,
  SQUARE_METRES_PER_ACRE,
} from '../core/foundations/units'

const FT2 = METRES_PER_FOOT ** 2
const WEIGHTS: readonly (readonly [RegExp, number])[] = [
  [/^(kg|kilos?|kilograms?)$/, 1000],
  [/^(g|grams?|grammes?)$/, 1],
  [/^(lbs?|pounds?|#)$/, GRAMS_PER_POUND],
  [/^(oz|ounces?)$/, GRAMS_PER_OUNCE],
]
const AREAS: readonly (readonly [RegExp, number])[] = [
  [/^(ha|hectares?)$/, 10_000],
  [/^acres?$/, SQUARE_METRES_PER_ACRE],
  [/^(m2|m²|sqm|square met(?:er|re)s?|sq m)$/, 1],
  [/^(ft2|ft²|sqft|sq ft|square (?:feet|foot))$/, FT2],
  [/^(are|ares)$/, 100],
]
const factor = (table: typeof WEIGHTS, word: string) => table.find(([pattern]) => pattern.test(word))?.[1]

const NUMBER = String.raw`(\d+(?:[.,]\d+)?(?:/\d+)?)`
const RATE = new RegExp(
  String.raw`^${NUMBER}(?:\s*(?:-|–|to)\s*${NUMBER})?\s*([a-z#]+)\s*(?:/|per|for|on|an|a|each)\s*(?:(\d[\d.,]*)\s*)?([a-z²2 ]+)$`,
)

/** `2`, `2,5`, `1/2`; thousands of a ground are never a decimal. */
function read(text: string): number {
  const [above, below] = text.replace(',', '.').split('/')
  return below === undefined ? Number(above) : Number(above) / Number(below)
}
const readGround = (text: string): number => Number(text.replace(/[.,](?=\d{3}\b)/g, '').replace(',', '.'))

/** A rate as a tag states it: `100 lb an acre`, `2–3 lb per 1000 sq ft`, `200 g for 10 m²`; null where it is none. */
export function readTagRate(text: string): TagRate | null {
  const found = RATE.exec(
    text
      .trim()
      .toLowerCase()
      .replace(/\./g, (stop, at: number, all: string) => (/\d/.test(all[at + 1] ?? '') ? stop : '')),
  )
  if (!found) return null
  const [, first, second, weight, ground, area] = found
  const gramsEach = factor(WEIGHTS, weight)
  const m2Each = factor(AREAS, area.trim())
  if (gramsEach === undefined || m2Each === undefined) return null
  const m2 = (ground ? readGround(ground) : 1) * m2Each
  const [low, high] = [read(first), second === undefined ? read(first) : read(second)].sort((a, b) => a - b)
  const rate = { lowGM2: (low * gramsEach) / m2, highGM2: (high * gramsEach) / m2 }
  return Number.isFinite(rate.highGM2) && rate.lowGM2 > 0 ? rate : null
}
