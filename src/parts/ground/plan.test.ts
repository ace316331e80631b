import { describe, expect, test } from '@jest/globals'
import { edgeNear, planOf, stepsAlong } from './plan'

describe('a bed from above', () => {
  test('a place on the page is the same place on the bed, and back; a narrow bed is drawn wide enough', () => {
    const plan = planOf({ lengthM: 30, widthM: 0.75 }, 400)
    expect(plan.height).toBeGreaterThan(72)
    for (const atM of [0, 3.3, 30]) expect(plan.along(plan.x(atM))).toBeCloseTo(atM)
    for (const atM of [0, 0.2, 0.75]) expect(plan.across(plan.y(atM))).toBeCloseTo(atM)
    expect(plan.x(30)).toBeLessThanOrEqual(400)
  })
  test('edges lie on whole steps of the garden’s units, and on an end where they are near it', () => {
    expect(edgeNear(4.234, 10, 'metric')).toBe(4.2)
    expect(edgeNear(4.234, 10, 'imperial')).toBeCloseTo(14 * 0.3048, 3)
    expect([edgeNear(0.2, 10, 'metric'), edgeNear(9.9, 10, 'metric'), edgeNear(12, 10, 'metric')]).toEqual([
      0, 10, 10,
    ])
  })
  test('figures under it stand apart, in whole units', () => {
    const steps = (lengthM: number, units: 'metric' | 'imperial') =>
      stepsAlong(planOf({ lengthM, widthM: 1 }, 390), units)
    expect(steps(10, 'metric')).toEqual([0, 2, 4, 6, 8])
    expect(steps(100, 'metric')).toEqual([0, 20, 40, 60, 80])
    expect(steps(6.5, 'imperial').map((m) => Math.round(m / 0.3048))).toEqual([0, 5, 10, 15])
  })
})
