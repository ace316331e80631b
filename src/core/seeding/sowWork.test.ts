import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { testTool } from '../testing/beds'
import { sowWork } from './sowWork'

const bed = { areaM2: 12, widthM: 1.2 }
const field = { areaM2: 5000, widthM: 50 }

describe('work of sowing', () => {
  test('by hand and rake on a bed; thrown only, it takes no tool and less time', () => {
    const raked = sowWork('raked', bed, [testTool('rake')])
    expect(raked.tools).toEqual(['rake'])
    expect(raked.minutes).toBeCloseTo(7 + 3.6 + 1 + 4.36, 1)
    const thrown = sowWork('surface', bed, [testTool('rake')])
    expect(thrown.tools).toEqual([])
    expect(thrown.minutes).toBeLessThan(raked.minutes)
  })
  test('a cranked spreader would throw beside a narrow bed, a drop spreader has to fit it', () => {
    const owned = [testTool('rake'), testTool('cranked spreader'), testTool('drop spreader', 0.5)]
    expect(sowWork('surface', { areaM2: 60, widthM: 1.2 }, owned).tools).toEqual(['drop spreader'])
    expect(sowWork('surface', { areaM2: 60, widthM: 0.4 }, owned).tools).toEqual([])
    expect(sowWork('surface', field, owned).tools).toEqual(['cranked spreader'])
  })
  test('a field is harrowed and rolled, half a hectare in a morning', () => {
    const owned = ['cranked spreader', 'harrow', 'garden roller', 'rake'] as const
    const work = sowWork(
      'raked and tamped',
      field,
      owned.map((kind) => testTool(kind)),
    )
    expect(work.tools).toEqual(['cranked spreader', 'harrow', 'garden roller'])
    expect(work.minutes / 60).toBeGreaterThan(4)
    expect(work.minutes / 60).toBeLessThan(12)
  })
  test('another tool never makes it slower', () => {
    const kinds = [
      'rake',
      'wheel hoe',
      'harrow',
      'cranked spreader',
      'drop spreader',
      'garden roller',
    ] as const
    fc.assert(
      fc.property(
        fc.subarray([...kinds]),
        fc.constantFrom(...kinds),
        fc.integer({ min: 1, max: 30_000 }),
        fc.integer({ min: 1, max: 100 }),
        (some, another, areaM2, tenths) => {
          const ground = { areaM2, widthM: tenths / 10 }
          const minutes = (owned: readonly (typeof kinds)[number][]) =>
            sowWork(
              'raked and tamped',
              ground,
              ['rake' as const, ...owned].map((kind) => testTool(kind)),
            ).minutes
          expect(minutes([...some, another])).toBeLessThanOrEqual(minutes(some) + 1e-9)
        },
      ),
    )
  })
})
