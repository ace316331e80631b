import { describe, expect, test } from '@jest/globals'
import {
  daylightHours,
  extraterrestrialRadiation,
  hargreavesEt0,
  radiationFromRange,
  solarDeclination,
} from './sun'

describe('FAO-56 worked examples', () => {
  test('example 8: extraterrestrial radiation at 20° S on 3 September', () => {
    expect(solarDeclination(246)).toBeCloseTo(0.12, 2)
    expect(extraterrestrialRadiation(-20, 246)).toBeCloseTo(32.2, 1)
  })
  test('example 9: daylight hours at 20° S on 3 September', () => {
    expect(daylightHours(-20, 246)).toBeCloseTo(11.7, 1)
  })
  test('example 15: radiation from temperature, Lyon in July (45.72° N, 200 m)', () => {
    const ra = extraterrestrialRadiation(45.72, 196)
    expect(ra).toBeCloseTo(40.6, 1)
    expect(radiationFromRange(ra, 14.8, 26.6, 200, false)).toBeCloseTo(22.3, 1)
  })
  test('example 20: Hargreaves ET₀, Lyon in July, 5.0 mm', () => {
    const ra = extraterrestrialRadiation(45.72, 196)
    expect(hargreavesEt0(ra, 14.8, 26.6)).toBeCloseTo(5.0, 1)
  })
})

test('both hemispheres mirror each other half a year apart when the distance factor is 1', () => {
  const north = extraterrestrialRadiation(45, 100, 1)
  const south = extraterrestrialRadiation(-45, 100 + 182.5, 1)
  expect(south).toBeCloseTo(north, 6)
})

test('radiation stays below the clear-sky value and is defined at ±66°', () => {
  for (const latitude of [-66, 0, 66])
    for (let day = 1; day <= 365; day += 7) {
      const ra = extraterrestrialRadiation(latitude, day)
      expect(ra).toBeGreaterThanOrEqual(0)
      expect(radiationFromRange(ra, -5, 35, 0, true)).toBeLessThanOrEqual(0.75 * ra + 1e-9)
    }
})
