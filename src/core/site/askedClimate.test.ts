import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { siteClimate } from '../garden/site'
import { askedClimate, RAINS, SUMMERS, WINTERS } from './askedClimate'

const latitude = fc.double({ min: -66, max: 66, noNaN: true })

describe('a climate as people tell it', () => {
  test.each([
    [52, 'light frosts', 'warm', 'all year', /maritime/i],
    [40, 'cold', 'hot', 'all year', /Humid continental/],
    [38, 'light frosts', 'hot', 'mostly in winter', /Mediterranean|valley/],
    [32, 'light frosts', 'hot', 'all year', /subtropical|humid lowland/i],
    [60, 'severe', 'warm', 'all year', /Boreal|continental/],
  ] as const)('at %d° with winters %s, summers %s and rain %s is %s', (at, winter, summer, rain, name) =>
    expect(askedClimate({ winter, summer, rain }, at).type.name).toMatch(name),
  )
  test('whatever is said, the normals hold it and are sound', () =>
    fc.assert(
      fc.property(
        latitude,
        fc.constantFrom(...WINTERS),
        fc.constantFrom(...SUMMERS),
        fc.constantFrom(...RAINS),
        (at, winter, summer, rain) => {
          const { site } = askedClimate({ winter, summer, rain }, at)
          expect(siteClimate.safeParse(site).success).toBe(true)
          const coldest = Math.min(...site.tMinC)
          if (winter === 'no frost') expect(coldest).toBeGreaterThan(2)
          if (winter === 'severe') expect(coldest).toBeLessThan(-4)
          const hottest = Math.max(...site.tMaxC)
          if (summer === 'cool') expect(hottest).toBeLessThan(24)
          if (summer === 'very hot') expect(hottest).toBeGreaterThan(30)
        },
      ),
    ))
  test('south of the equator summer is in January', () => {
    const { site } = askedClimate({ winter: 'light frosts', summer: 'warm', rain: 'all year' }, -41)
    expect(site.tMaxC[0]).toBeGreaterThan(site.tMaxC[6])
  })
})
