import { describe, expect, test } from '@jest/globals'
import { scaleSteps, usualStep } from './scaleSteps'

describe('what the scale shows', () => {
  test.each([
    [4, 0.1],
    [77, 1],
    [900, 1],
    [3200, 5],
    [200_000, 500],
  ])('%d g are weighed in steps of %d g', (grams, step) => expect(usualStep(grams, false)).toBe(step))
  test('in ounces the steps are those of an ounce scale', () => {
    expect(usualStep(4, true)).toBeCloseTo(0.283, 2)
    expect(usualStep(200, true)).toBeCloseTo(2.835, 2)
    expect(scaleSteps(true)).toContain(usualStep(50_000, true))
  })
})
