import { describe, expect, test } from '@jest/globals'
import { readTagRate } from './tagRate'
import { inoculantText } from './format'
import { inoculantG, spoonsOf } from '../core/seeding/inoculant'
import { sowingRecipe } from '../core/seeding/recipe'
import { againstTag } from '../core/seeding/tagRate'

describe('a rate on a tag', () => {
  test.each([
    ['100 lb an acre', 11.21, 11.21],
    ['100 lbs/acre', 11.21, 11.21],
    ['2–3 lb per 1000 sq ft', 9.76, 14.65],
    ['2 to 3 lbs. per 1,000 square feet', 9.76, 14.65],
    ['1/2 lb per 100 ft²', 24.4, 24.4],
    ['200 g for 10 m²', 20, 20],
    ['1,5 kg per 100 m2', 15, 15],
    ['120 kg/ha', 12, 12],
    ['15-20 g/m²', 15, 20],
    ['4 oz per 100 sq ft', 12.2, 12.2],
  ])('%s is understood', (text, low, high) => {
    const rate = readTagRate(text)
    expect(rate!.lowGM2).toBeCloseTo(low, 1)
    expect(rate!.highGM2).toBeCloseTo(high, 1)
  })
  test.each(['', 'plenty', '100', '5 lb', '3 m per kg', '0 kg/ha', '10 lb per bushel'])(
    '%s is none',
    (text) => {
      expect(readTagRate(text)).toBeNull()
    },
  )
})

const recipe = (germination = 0.85, share = 1) => {
  const made = sowingRecipe({
    areaM2: 20,
    covering: 'raked',
    passes: 2,
    scaleStepG: 0.01,
    components: [{ speciesId: 'cereal-rye', share, germination }],
  })
  if (!made.ok) throw new Error('no recipe')
  return made.value
}

describe('beside the recipe', () => {
  const [line] = recipe().lines
  test('the published rate for a drill differs by the throwing alone', () => {
    const tag = { lowGM2: line.drillGM2, highGM2: line.drillGM2 }
    const told = againstTag(recipe(line.usualQuality), tag, false)
    expect(told.ratio).toBeCloseTo(line.broadcastFactor, 2)
    expect(told.reasons).toEqual([{ why: 'broadcast', factor: line.broadcastFactor }])
    expect(told.tagLowG * told.ratio).toBeCloseTo(told.recipeG, 0)
  })
  test('within what the tag says they agree', () => {
    const tag = { lowGM2: line.gramsPerM2 * 0.8, highGM2: line.gramsPerM2 * 1.2 }
    expect(againstTag(recipe(), tag, true)).toMatchObject({ ratio: 1, reasons: [] })
  })
  test('half a rate, worse seed and another source are each named', () => {
    const drilled = { lowGM2: 2 * line.drillGM2, highGM2: 2 * line.drillGM2 }
    const whys = againstTag(recipe(0.6, 0.5), drilled, false).reasons.map(({ why }) => why)
    expect(whys).toEqual(['broadcast', 'share', 'germination', 'source'])
  })
})

describe('inoculant', () => {
  test('small amounts are spoons, not hundredths of an ounce', () => {
    expect(spoonsOf(0.05)).toBe('pinch')
    expect(inoculantText(0.05, 'imperial')).toBe('a pinch')
    expect(inoculantText(0.25, 'imperial')).toBe('1/8\u00a0teaspoon')
    expect(inoculantText(1, 'metric')).toBe('1/2\u00a0teaspoon')
    expect(inoculantText(3, 'metric')).toBe('1 1/2\u00a0teaspoons')
    expect(inoculantText(40, 'metric')).toMatch(/40\sg/)
  })
  test('small seed wants more for its weight', () => {
    expect(inoculantG({ grams: 1000, size: 'large' })).toBe(3)
    expect(inoculantG({ grams: 1000, size: 'tiny' })).toBe(8)
  })
})
