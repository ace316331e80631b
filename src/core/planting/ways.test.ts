import { describe, expect, test } from '@jest/globals'
import { plantingMethodId } from '../garden/schema'
import { CROPS, findCrop } from '../plants/crops'
import fc from '../testing/property'
import { plantsFor } from './spacing'
import { plantingMethods } from './through'
import { canPlantSo, hoeingSpared, plantingWork, WAYS } from './ways'

const size = { lengthM: 10, widthM: 1.2 }
const spacing = plantsFor(size.lengthM, size.widthM, 40, 40)

describe('what planting in a way takes', () => {
  test('plants set in slots: twelve seconds and the slot each, no compost', () => {
    expect(plantingWork('slot', size, spacing, 'transplant')).toEqual({
      minutes: expect.closeTo(75 * 0.35),
      compostM3: 0,
      filmM2: 0,
      holes: 0,
      holdsShare: 1,
    })
  })
  test('compost by the plant, the row and the bed, each with its barrows', () => {
    const [pockets, row, blanket] = (['pockets', 'compost row', 'compost blanket'] as const).map((id) =>
      plantingWork(id, size, spacing, 'transplant'),
    )
    expect(pockets.compostM3).toBeCloseTo(0.15)
    expect(row.compostM3).toBeCloseTo(0.18)
    expect(blanket.compostM3).toBeCloseTo(0.6)
    expect(blanket.minutes).toBeCloseTo(75 * 0.2 + 12 * 1.5 + 0.6 * 70)
  })
  test('film wants a hole for each plant, and rows raked free no longer hold weeds', () => {
    const film = plantingWork('film', size, spacing, 'transplant')
    expect([film.filmM2, film.holes, film.holdsShare]).toEqual([12, 75, 1])
    const raked = plantingWork('rake', size, spacing, 'seed')
    expect(raked.holdsShare).toBeCloseTo(1 - (3 * 0.15) / 1.2)
    expect(hoeingSpared(4, size, raked.holdsShare)).toBeLessThan(hoeingSpared(4, size, 1))
    expect(hoeingSpared(-1, size, 1)).toBe(0)
  })
  test('more ground never takes less, in any way', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...plantingMethodId.options),
        fc.constantFrom(...CROPS),
        fc.double({ min: 1, max: 60, noNaN: true }),
        (id, crop, lengthM) => {
          const work = (longM: number) => {
            const ground = { lengthM: longM, widthM: 1.2 }
            return plantingWork(id, ground, plantsFor(longM, 1.2, crop.rowCm, crop.plantCm), 'transplant')
          }
          const [less, more] = [work(lengthM), work(lengthM * 1.5)]
          expect(more.minutes).toBeGreaterThanOrEqual(less.minutes)
          expect(more.compostM3).toBeGreaterThanOrEqual(less.compostM3)
          expect(less.holdsShare).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
})

describe('which way is for what', () => {
  test('small seed goes into no slot, hole or film; plants under no board', () => {
    const carrot = findCrop('carrot')!
    const ways = plantingMethodId.options.filter((id) => canPlantSo(id, 'seed', carrot))
    expect(ways).toEqual(['rake', 'compost row', 'compost blanket', 'plank', 'loosen'])
    expect(canPlantSo('plank', 'transplant', carrot)).toBe(false)
    expect(canPlantSo('film', 'seed', findCrop('squash')!)).toBe(true)
  })
  test('no way is offered that the plan would refuse, for any crop, mulch or soil', () => {
    for (const crop of CROPS)
      for (const establishment of ['transplant', 'seed'] as const)
        for (const mulchG of [0, 300, 900])
          for (const { id, fits } of plantingMethods(mulchG, crop, establishment, 'loam', true))
            if (fits !== 'poorly') expect([crop.id, id, canPlantSo(id, establishment, crop)]).toContain(true)
  })
  test('every way is told of for every crop', () => {
    const told = plantingMethods(300, findCrop('squash')!, 'transplant', 'clay', false)
    expect(told.map(({ id }) => id).sort()).toEqual(Object.keys(WAYS).sort())
    expect(told.find(({ id }) => id === 'film')!.fits).toBe('well')
    expect(told.find(({ id }) => id === 'plank')!.fits).toBe('poorly')
  })
})
