import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { addResidue, decayDay, emptyPools, poolMass, residueCover, weedSuppression } from './pools'

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

function rot(massG: number, nitrogenG: number, days: number, soilC = 18, wetness = 0.7) {
  const pools = emptyPools()
  addResidue(pools, massG, nitrogenG)
  for (let day = 0; day < days; day++) decayDay(pools, soilC, wetness, 10)
  return { pools, lost: pools.decayedG }
}

describe('residue', () => {
  test('mass closes: what was added lies there or is gone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1500, noNaN: true }),
        fc.double({ min: 0.006, max: 0.05, noNaN: true }),
        fc.integer({ min: 0, max: 200 }),
        (mass, share, days) => {
          const { pools, lost } = rot(mass, mass * share, days)
          expect(poolMass(pools) + lost).toBeCloseTo(mass, 6)
          expect(Math.min(...pools.mass, ...pools.nitrogen)).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
  test('nitrogen put in is all in the pools at first', () => {
    const pools = emptyPools()
    addResidue(pools, 500, 14)
    expect(sum(pools.nitrogen)).toBeCloseTo(14, 9)
    expect(poolMass(pools)).toBeCloseTo(500, 9)
  })
  test('soft rich residue goes faster than straw', () => {
    expect(rot(500, 17, 35).lost).toBeGreaterThan(1.5 * rot(500, 4, 35).lost)
  })
  test('straw ties nitrogen up, soft legumes free it', () => {
    expect(rot(800, 7, 28).pools.netReleasedG).toBeLessThan(0)
    expect(rot(500, 16, 28).pools.netReleasedG).toBeGreaterThan(2)
  })
  test('nitrogen closes: what left the pools is with the microbes or in the soil', () => {
    const { pools } = rot(600, 9, 60)
    expect(sum(pools.nitrogen) + pools.microbialNitrogenG + pools.netReleasedG).toBeCloseTo(9, 9)
  })
  test('microbes take no more than the soil has', () => {
    const pools = emptyPools()
    addResidue(pools, 900, 6)
    expect(decayDay(pools, 20, 1, 0)).toBeGreaterThanOrEqual(0)
  })
  test('nothing rots in frost; dry residue rots slowly', () => {
    expect(rot(500, 10, 30, -2).lost).toBe(0)
    expect(rot(500, 10, 30, 18, 0).lost).toBeLessThan(0.5 * rot(500, 10, 30, 18, 1).lost)
  })
  test('nothing added changes nothing', () => {
    const pools = emptyPools()
    addResidue(pools, 0, 5)
    expect(decayDay(pools, 20, 1, 10)).toBe(0)
    expect(poolMass(pools)).toBe(0)
  })
  test('more mulch hides more ground and holds more weeds', () => {
    expect(residueCover(0)).toBe(0)
    expect(residueCover(600)).toBeGreaterThan(0.9)
    expect(weedSuppression(500)).toBeCloseTo(1 - Math.exp(-0.95), 6)
    expect(weedSuppression(900)).toBeGreaterThan(weedSuppression(500))
  })
})
