import { describe, expect, test } from '@jest/globals'
import { poundsPerAcre } from '../foundations/units'
import fc from '../testing/property'
import { sowingRecipe, splitPasses } from './recipe'

const order = {
  areaM2: 15,
  covering: 'raked' as const,
  passes: 2,
  scaleStepG: 1,
  components: [{ speciesId: 'cereal-rye', share: 1, germination: 0.9 }],
}

describe('sowing recipe', () => {
  test('worked by hand: rye, 15 m², raked in, 90 % germination', () => {
    const recipe = sowingRecipe(order)
    if (!recipe.ok) throw new Error('refused')
    // 100 kg/ha = 10 g/m² of seed of which 85 % grows; × 1.5 for broadcasting and raking; × 0.85 ÷ 0.9; × 15 m² = 212.5 g.
    expect(recipe.value.totalGrams).toBe(213)
    expect(recipe.value.passTotals).toEqual([107, 106])
  })
  test('seed of usual quality is weighed as the books say: wheat raked and tamped at 130 lb an acre', () => {
    const wheat = sowingRecipe({
      ...order,
      covering: 'raked and tamped',
      components: [{ speciesId: 'winter-wheat', share: 1, germination: 0.85 }],
    })
    if (!wheat.ok) throw new Error('refused')
    expect(poundsPerAcre(wheat.value.lines[0].gramsPerM2)).toBeCloseTo(132.5, 0)
  })
  test('a mix takes each species at its share of the full rate', () => {
    const mix = sowingRecipe({
      ...order,
      components: [
        { speciesId: 'cereal-rye', share: 0.5, germination: 1 },
        { speciesId: 'hairy-vetch', share: 0.6, germination: 1 },
      ],
    })
    if (!mix.ok) throw new Error('refused')
    expect(mix.value.lines.map((line) => line.grams)).toEqual([96, 29])
    expect(mix.value.totalGrams).toBe(125)
  })
  test('germination over 100 % is refused beside its field', () => {
    const result = sowingRecipe({
      ...order,
      components: [{ speciesId: 'cereal-rye', share: 1, germination: 1.4 }],
    })
    expect(result).toMatchObject({
      ok: false,
      problems: [{ path: 'components.0.germination', code: 'germination' }],
    })
  })
  test('no ground, no species and an unknown species are each named', () => {
    expect(sowingRecipe({ ...order, areaM2: 0 })).toMatchObject({ ok: false, problems: [{ path: 'areaM2' }] })
    expect(sowingRecipe({ ...order, components: [] })).toMatchObject({
      ok: false,
      problems: [{ path: 'components' }],
    })
    expect(
      sowingRecipe({ ...order, components: [{ speciesId: 'moss', share: 1, germination: 1 }] }),
    ).toMatchObject({ ok: false, problems: [{ code: 'unknown-species' }] })
  })
})

describe('properties', () => {
  test('passes are whole steps of the scale and add up exactly to the weighed total', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 100_000 }),
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom(0.1, 0.5, 1, 5),
        (steps, passes, step) => {
          const grams = Math.round(steps * step * 1000) / 1000
          const parts = splitPasses(grams, passes, step)
          expect(parts.reduce((sum, part) => sum + part, 0)).toBeCloseTo(grams, 6)
          expect(Math.max(...parts) - Math.min(...parts)).toBeLessThanOrEqual(step + 1e-9)
        },
      ),
    )
  })
  test('grams scale with area and fall as germination rises', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 0.2, max: 0.9, noNaN: true }),
        (areaM2, germination) => {
          const grams = (area: number, g: number) => {
            const recipe = sowingRecipe({
              ...order,
              areaM2: area,
              scaleStepG: 0.1,
              components: [{ speciesId: 'phacelia', share: 1, germination: g }],
            })
            return recipe.ok ? recipe.value.totalGrams : NaN
          }
          expect(grams(areaM2 * 2, germination)).toBeCloseTo(2 * grams(areaM2, germination), -1)
          expect(
            Math.abs(grams(areaM2 * 2, germination) - 2 * grams(areaM2, germination)),
          ).toBeLessThanOrEqual(0.21)
          expect(grams(areaM2, germination + 0.1)).toBeLessThanOrEqual(grams(areaM2, germination))
        },
      ),
    )
  })
})
