import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { findSpecies } from '../plants/catalogue'
import { emptyPools, poolMass, poolNitrogen } from '../residue/pools'
import { newState, newTally } from './plantState'
import { shareAbove, takeTop } from './taking'

const rye = findSpecies('cereal-rye')!
const standing = () => ({
  ...newState(),
  emerged: true,
  mass: 400,
  nitrogen: 8,
  lai: 3,
  alive: 0.9,
  ageCd: rye.parameters.t51Cd,
  bbch: 51,
})
const share = fc.double({ min: 0, max: 1, noNaN: true })

describe('taking growth off', () => {
  test('what is taken lies on the ground or is gone; mass and nitrogen are all accounted for', () => {
    fc.assert(
      fc.property(share, share, (taken, gone) => {
        const state = standing()
        const pools = emptyPools()
        const tally = newTally()
        takeTop(state, rye, taken, gone, pools, tally)
        expect(state.mass + poolMass(pools) + tally.exportedMass).toBeCloseTo(400, 6)
        expect(state.nitrogen + poolNitrogen(pools) + tally.exportedNitrogen).toBeCloseTo(8, 6)
        expect(tally.exportedMass).toBeCloseTo(400 * taken * gone, 6)
        expect(state.mass).toBeGreaterThanOrEqual(0)
      }),
    )
  })
  test('plants live on; leaf goes with the growth', () => {
    const state = standing()
    takeTop(state, rye, 0.4, 0, emptyPools(), newTally())
    expect(state).toMatchObject({ alive: 0.9, lai: expect.closeTo(1.8, 9), bbch: 51 })
  })
  test('a deep cut takes the growing points: new shoots begin at an earlier stage', () => {
    const state = standing()
    takeTop(state, rye, 0.8, 1, emptyPools(), newTally())
    expect(state.ageCd).toBeCloseTo(0.6 * rye.parameters.t31Cd, 9)
    expect(state.bbch).toBeLessThan(31)
  })
  test('nothing taken changes nothing', () => {
    const state = standing()
    takeTop(state, rye, 0, 1, emptyPools(), newTally())
    expect(state).toEqual(standing())
  })
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
