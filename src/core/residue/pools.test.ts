import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import {
  addResidue,
  decayDay,
  SURFACE_CONTACT,
  emptyPools,
  poolMass,
  poolNitrogen,
  residueCover,
  weedSuppression,
  type ResiduePools,
} from './pools'

const layer = (massG: number, nitrogenG: number) => {
  const pools = emptyPools(1)
  addResidue(pools, 0, massG, nitrogenG)
  return pools
}
const nitrogenOf = (pools: ResiduePools) => poolNitrogen(pools, 0)

/** A day's decay; returns the mineral nitrogen that is there after it. */
function rotDay(pools: ResiduePools, soilC: number, wetness: number, mineralG: number) {
  const mineral = Float64Array.of(mineralG)
  decayDay(
    pools,
    Float64Array.of(soilC),
    Float64Array.of(wetness),
    mineral,
    Float64Array.of(SURFACE_CONTACT),
    0,
    1,
  )
  return mineral[0]
}

function rot(massG: number, nitrogenG: number, days: number, soilC = 18, wetness = 0.7) {
  const pools = layer(massG, nitrogenG)
  for (let day = 0; day < days; day++) rotDay(pools, soilC, wetness, 10)
  return { pools, lost: pools.decayedG[0] }
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
          expect(poolMass(pools, 0) + lost).toBeCloseTo(mass, 6)
          for (const column of Object.values(pools).slice(0, 6)) expect(column[0]).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
  test('nitrogen put in is all in the pools at first', () => {
    const pools = layer(500, 14)
    expect(nitrogenOf(pools)).toBeCloseTo(14, 9)
    expect(poolMass(pools, 0)).toBeCloseTo(500, 9)
  })
  test('soft rich residue goes faster than straw', () => {
    expect(rot(500, 17, 35).lost).toBeGreaterThan(1.5 * rot(500, 4, 35).lost)
  })
  test('straw ties nitrogen up, soft legumes free it', () => {
    expect(rot(800, 7, 28).pools.netReleasedG[0]).toBeLessThan(0)
    expect(rot(500, 16, 28).pools.netReleasedG[0]).toBeGreaterThan(2)
  })
  test('nitrogen closes: what left the pools is with the microbes or in the soil', () => {
    const { pools } = rot(600, 9, 60)
    expect(nitrogenOf(pools) + pools.microbialNitrogenG[0] + pools.netReleasedG[0]).toBeCloseTo(9, 9)
  })
  test('microbes take no more than the soil has', () => {
    expect(rotDay(layer(900, 6), 20, 1, 0)).toBeGreaterThanOrEqual(0)
  })
  test('nothing rots in frost; dry residue rots slowly', () => {
    expect(rot(500, 10, 30, -2).lost).toBe(0)
    expect(rot(500, 10, 30, 18, 0).lost).toBeLessThan(0.5 * rot(500, 10, 30, 18, 1).lost)
  })
  test('nothing added changes nothing', () => {
    const pools = layer(0, 5)
    expect(rotDay(pools, 20, 1, 10)).toBe(10)
    expect(poolMass(pools, 0)).toBe(0)
  })
  test('the poorest residue does not rot, and no depth of it breaks the reckoning', () => {
    expect(rot(60_000, 0, 30).lost).toBeCloseTo(0, 6)
    expect(residueCover(60_000)).toBe(1)
  })
  test('more mulch hides more ground and holds more weeds', () => {
    expect(residueCover(0)).toBe(0)
    expect(residueCover(600)).toBeGreaterThan(0.9)
    expect(weedSuppression(500)).toBeCloseTo(1 - Math.exp(-0.95), 6)
    expect(weedSuppression(900)).toBeGreaterThan(weedSuppression(500))
  })
})
