import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import {
  AVAILABLE_MM_PER_M,
  germinationMoisture,
  soilWater,
  waterCapacity,
  waterDay,
  waterFactor,
  type SoilWater,
} from './soilWater'

const loam = waterCapacity('loam')
/** A day of one member with `water`; returns the mm drained. */
function day(water: SoilWater, rainMm: number, et0Mm: number, cover: number, capacity = loam): number {
  const of = (value: number) => Float64Array.of(value)
  const drained = of(0)
  waterDay(water, capacity, of(rainMm), of(et0Mm), 0, 0, of(cover), of(cover), drained, 0, 1)
  return drained[0]
}
const moisture = (water: SoilWater) =>
  germinationMoisture(water.seedLayerMm[0] / loam.seedMm, water.rootZoneMm[0] / loam.rootMm, 0.5)

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
          const water = soilWater('loam', 1)
          for (const [rain, et0, cover] of days) {
            const drained = day(water, rain, et0, cover)
            expect(drained).toBeGreaterThanOrEqual(0)
            expect(drained).toBeLessThanOrEqual(rain + 1e-9)
            expect(water.seedLayerMm[0]).toBeGreaterThanOrEqual(-1e-9)
            expect(water.seedLayerMm[0]).toBeLessThanOrEqual(loam.seedMm + 1e-9)
            expect(water.rootZoneMm[0]).toBeGreaterThanOrEqual(-1e-9)
            expect(water.rootZoneMm[0]).toBeLessThanOrEqual(loam.rootMm + 1e-9)
          }
        },
      ),
    )
  })
  test('water closes on a day without evaporation', () => {
    const water = soilWater('clay', 1, 0.3)
    const held = () => water.seedLayerMm[0] + water.rootZoneMm[0]
    const before = held()
    const drained = day(water, 200, 0, 0.5, waterCapacity('clay'))
    expect(held() + drained).toBeCloseTo(before + 200, 9)
  })
  test('bare ground dries on top first; a full cover dries the roots', () => {
    const bare = soilWater('loam', 1, 1)
    const green = soilWater('loam', 1, 1)
    for (let i = 0; i < 12; i++) {
      day(bare, 0, 5, 0)
      day(green, 0, 5, 1)
    }
    expect(moisture(bare)).toBeLessThan(moisture(green) + 1e-9)
    expect(green.rootZoneMm[0]).toBeLessThan(bare.rootZoneMm[0])
  })
  test('growth is held back only below 45 % of available water', () => {
    expect(waterFactor(0.5)).toBe(1)
    expect(waterFactor(0.225)).toBeCloseTo(0.5, 6)
  })
  test('what is poured on one day counts as its rain', () => {
    const [rained, poured] = [soilWater('loam', 1, 0.2), soilWater('loam', 1, 0.2)]
    const [none, drained] = [Float64Array.of(0), Float64Array.of(0)]
    waterDay(rained, loam, Float64Array.of(12), none, 0, 0, none, none, drained, 0, 1)
    waterDay(poured, loam, none, none, 0, 12, none, none, drained, 0, 1)
    expect(poured).toEqual(rained)
  })
  test('every texture holds what FAO-56 table 19 spans', () => {
    for (const mm of Object.values(AVAILABLE_MM_PER_M)) {
      expect(mm).toBeGreaterThanOrEqual(50)
      expect(mm).toBeLessThanOrEqual(200)
    }
    expect(AVAILABLE_MM_PER_M.sand).toBeLessThan(AVAILABLE_MM_PER_M.loam)
  })
})
