import { describe, expect, test } from '@jest/globals'
import { sowingRecipe } from '../../core/seeding/recipe'
import { afterRunningOut, USUAL_MEASURES } from '../../core/seeding/measures'
import { resowGrams } from '../../core/seeding/resow'
import { ringAreaM2, ringVerdict } from '../../core/seeding/ringCheck'
import { packetSowsM2 } from '../../core/seeding/shopping'
import { marlpitLane } from '../../demo/marlpitLane'
import { typedCounts, typedNumber } from '../../parts/typed'
import { measuresOf, sowerOf, throwingsOf, usualStretches, type HowThrown } from './throwing'

/** The examples of docs/sowing.md, by hand. */
const form: HowThrown = {
  covering: 'raked',
  passes: 2,
  scaleStepG: 1,
  stretches: '',
  sowerId: '',
}
const outcome = sowingRecipe({
  areaM2: 14.4,
  covering: 'raked',
  passes: 2,
  scaleStepG: 1,
  components: [{ speciesId: 'buckwheat', share: 1, germination: 0.88 }],
})
if (!outcome.ok) throw new Error('refused')
const recipe = outcome.value
const bed = { lengthM: 18, widthM: 0.8 }

describe('worked by hand', () => {
  test('126 g of buckwheat, in three stretches of 21 g a pass', () => {
    expect(6 * 1.5 * 0.85 * (14.4 / 0.88)).toBeCloseTo(125.2, 1)
    expect(recipe.totalGrams).toBe(126)
    const [throwing] = throwingsOf(recipe, form, bed, USUAL_MEASURES)
    expect(throwing.passGrams).toEqual([63, 63])
    expect(throwing.portions.slice(0, 3).map((portion) => portion.grams)).toEqual([21, 21, 21])
    expect(throwing.portions[0].handfuls).toBeCloseTo(21 / 38, 9)
    expect(throwing.portions[0].paces).toBe(9)
  })
  test('eleven seeds in a ring of 30 cm after one pass; counts of 30, 34 and 31 are 2.8 times that', () => {
    const expected = (recipe.lines[0].seedsPerM2 / 2) * ringAreaM2(0.3)
    expect(Math.round(expected)).toBe(11)
    const verdict = ringVerdict({ speciesId: 'buckwheat', expected, counts: [30, 34, 31] }, 0.15)
    expect(verdict.ok && verdict.value.ratio.mid).toBeCloseTo(2.77, 1)
  })
  test('a portion that lasted half its stretch lies twice as thick, and 10.5 g are missing', () => {
    const [{ portions }] = throwingsOf(recipe, form, bed, USUAL_MEASURES)
    const after = afterRunningOut(portions, 0, 0.5, 1)
    expect(after.overShare).toBeCloseTo(1, 9)
    expect(after.missingG).toBe(11)
  })
  test('50 g sow 4 m² at 12.5 g/m²; sowing again takes 42 g', () => {
    expect(packetSowsM2(50, 12.5)).toBe(4)
    expect(resowGrams(10, 14, 0.5, 0.4)).toBeCloseTo(42, 9)
  })
})

describe('who throws, and how', () => {
  const { garden } = marlpitLane()
  test('the chosen sower’s hands, else the first one’s, else usual ones', () => {
    expect(sowerOf(garden, { ...form, sowerId: 'tom' })?.name).toBe('Tom')
    expect(sowerOf(garden, form)?.name).toBe('Ada')
    expect(measuresOf(null)).toBe(USUAL_MEASURES)
  })
  test('large seed is thrown apart and first; stretches stay within reason', () => {
    const mix = sowingRecipe({
      areaM2: 14.4,
      covering: 'raked',
      passes: 2,
      scaleStepG: 1,
      components: [
        { speciesId: 'white-clover', share: 0.5, germination: 0.9 },
        { speciesId: 'faba-bean', share: 0.5, germination: 0.9 },
      ],
    })
    if (!mix.ok) throw new Error('refused')
    const throwings = throwingsOf(mix.value, { ...form, stretches: '40' }, bed, USUAL_MEASURES)
    expect(throwings.map((entry) => entry.size)).toEqual(['large', 'tiny'])
    expect(throwings[0].portions).toHaveLength(2 * 12)
    expect([3, 18, 200].map(usualStretches)).toEqual([1, 3, 9])
  })
})

test('numbers as growers type them', () => {
  expect([' 3,5 ', '−2', '4.25'].map(typedNumber)).toEqual([3.5, -2, 4.25])
  expect([typedNumber(''), typedNumber(undefined), typedNumber('x')]).toEqual([NaN, NaN, NaN])
  expect(typedCounts('30, 34;31  2')).toEqual([30, 34, 31, 2])
})
