import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { AVAILABLE_MM_PER_M, germinationMoisture, soilWater, waterDay, waterFactor } from './soilWater'

describe('soil water', () => {
  test('stays between empty and full whatever the weather', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0, max: 120, noNaN: true }),
            fc.double({ min: 0, max: 10, noNaN: true }),
            fc.double({ min: 0, max: 1, noNaN: true }),
          ),
          { maxLength: 60 },
        ),
        (days) => {
          const water = soilWater('loam')
          for (const [rain, et0, cover] of days) {
            const drained = waterDay(water, rain, et0, cover, cover)
            expect(drained).toBeGreaterThanOrEqual(0)
            expect(drained).toBeLessThanOrEqual(rain + 1e-9)
            expect(water.seedLayerMm).toBeGreaterThanOrEqual(-1e-9)
            expect(water.seedLayerMm).toBeLessThanOrEqual(water.seedCapacityMm + 1e-9)
            expect(water.rootZoneMm).toBeGreaterThanOrEqual(-1e-9)
            expect(water.rootZoneMm).toBeLessThanOrEqual(water.rootCapacityMm + 1e-9)
          }
        },
      ),
    )
  })
  test('water closes on a day without evaporation', () => {
    const water = soilWater('clay', 0.3)
    const before = water.seedLayerMm + water.rootZoneMm
    const drained = waterDay(water, 200, 0, 0.5, 0.5)
    expect(water.seedLayerMm + water.rootZoneMm + drained).toBeCloseTo(before + 200, 9)
  })
  test('bare ground dries on top first; a full cover dries the roots', () => {
    const bare = soilWater('loam', 1)
    const green = soilWater('loam', 1)
    for (let day = 0; day < 12; day++) {
      waterDay(bare, 0, 5, 0, 0)
      waterDay(green, 0, 5, 1, 1)
    }
    expect(germinationMoisture(bare)).toBeLessThan(germinationMoisture(green) + 1e-9)
    expect(green.rootZoneMm).toBeLessThan(bare.rootZoneMm)
  })
  test('growth is held back only below 45 % of available water', () => {
    expect(waterFactor(soilWater('loam', 0.5))).toBe(1)
    expect(waterFactor(soilWater('loam', 0.225))).toBeCloseTo(0.5, 6)
  })
  test('every texture holds what FAO-56 table 19 spans', () => {
    for (const mm of Object.values(AVAILABLE_MM_PER_M)) {
      expect(mm).toBeGreaterThanOrEqual(50)
      expect(mm).toBeLessThanOrEqual(200)
    }
    expect(AVAILABLE_MM_PER_M.sand).toBeLessThan(AVAILABLE_MM_PER_M.loam)
  })
})
