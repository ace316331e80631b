import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { findSpecies } from '../plants/catalogue'
import { emptyPools, poolMass, poolNitrogen } from '../residue/pools'
import { bbchOf, GROWING, newTally, sownPlants } from './plants'
import { shareAbove, takeTop } from './taking'

const rye = findSpecies('cereal-rye')!
const { parameters } = rye
function standing() {
  const plants = sownPlants(parameters, new Float64Array(1))
  const now = {
    emergence: GROWING,
    massG: 400,
    nitrogenG: 8,
    lai: 3,
    alive: 0.9,
    ageCd: parameters.t51Cd,
  }
  for (const [name, value] of Object.entries(now)) plants[name as keyof typeof now][0] = value
  return plants
}
/** Takes growth off a plant that stands; tells what is left and where the rest went. */
function taken(share: number, gone: number, plant = rye) {
  const plants = standing()
  const pools = emptyPools(1)
  const tally = newTally(1)
  takeTop(plants, 0, plant, share, gone, 0.1, pools, tally)
  return { plants, pools, tally, bbch: bbchOf(plants, 0, parameters) }
}
const share = fc.double({ min: 0, max: 1, noNaN: true })

describe('taking growth off', () => {
  test('what is taken lies on the ground or is gone; mass and nitrogen are all accounted for', () => {
    fc.assert(
      fc.property(share, share, (part, gone) => {
        const { plants, pools, tally } = taken(part, gone)
        expect(plants.massG[0] + poolMass(pools, 0) + tally.exportedG[0]).toBeCloseTo(400, 6)
        expect(plants.nitrogenG[0] + poolNitrogen(pools, 0) + tally.exportedNitrogenG[0]).toBeCloseTo(8, 6)
        expect(tally.exportedG[0]).toBeCloseTo(400 * part * gone, 6)
        expect(plants.massG[0]).toBeGreaterThanOrEqual(0)
      }),
    )
  })
  test('plants live on; leaf goes with the growth', () => {
    const { plants, bbch } = taken(0.4, 0)
    expect(plants.alive[0]).toBe(0.9)
    expect(plants.lai[0]).toBeCloseTo(1.8, 9)
    expect(bbch).toBeCloseTo(51, 9)
  })
  test('after a deep cut plants that tiller anew begin at an earlier stage; all others go on in their course', () => {
    const ryegrass = findSpecies('annual-ryegrass')!
    const { plants } = taken(0.8, 1, ryegrass)
    expect(plants.ageCd[0]).toBeCloseTo(0.6 * ryegrass.parameters.t31Cd, 9)
    expect(taken(0.8, 1).bbch).toBeCloseTo(51, 9)
  })
  test('nothing taken changes nothing', () => expect(taken(0, 1).plants).toEqual(standing()))
})

describe('what stands above a height', () => {
  test('a third of the way up, more than half of the growth is above', () =>
    expect(shareAbove(0.3, 1)).toBeCloseTo(1 - 0.3 ** 0.7, 9))
  test('never more above a higher cut, and nothing above the top', () => {
    fc.assert(
      fc.property(share, share, fc.double({ min: 0.05, max: 3, noNaN: true }), (a, b, height) => {
        expect(shareAbove(Math.max(a, b), height)).toBeLessThanOrEqual(shareAbove(Math.min(a, b), height))
      }),
    )
    expect(shareAbove(1.2, 1)).toBe(0)
  })
})
