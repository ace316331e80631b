import { describe, expect, test } from '@jest/globals'
import told from '../../../validation/growers.json'
import known from '../../../validation/towns.json'
import { judgeTown, leftOutErrors } from '../testing/knownTowns'
import fc from '../testing/property'
import { siteClimate } from '../garden/site'
import { doubtsOf, problemsOf } from './doubts'
import { usualNights } from './frostOdds'
import { whereOf, type Where } from './neighbours'
import { dayOfMonthDay, kmBetween, PLACES, type Place } from './places'
import { spreadAt } from './spreads'
import { monthsOfRain, monthsThrough, NO_CORRECTIONS, usualYear, type Known } from './usualYear'

/** Somewhere near a place of the table: a town's neighbour and not the place itself. */
const somewhere = fc
  .record({
    place: fc.constantFrom(...PLACES),
    north: fc.double({ min: -0.9, max: 0.9, noNaN: true }),
    east: fc.double({ min: -0.9, max: 0.9, noNaN: true }),
  })
  .map(({ place, north, east }): Where => ({
    latitude: Math.max(-66, Math.min(66, place.latitude + north)),
    longitude: place.longitude + east,
    elevationM: place.elevationM,
    seaKm: place.seaKm,
  }))
/** Draws of what costs two fits. */
const DRAWS = { numRuns: 12 }
const hottest = (values: readonly number[]) => Math.max(...values)

describe('the table of places', () => {
  test('places lie 150 km apart, and none within 50 km of a town that it is tried on', () => {
    const near = PLACES.flatMap((place, i) =>
      PLACES.slice(i + 1)
        .filter((other) => kmBetween(place, other) < 150)
        .map((other) => `${place.name} and ${other.name}`),
    )
    expect(near).toEqual([])
    expect(PLACES.filter((place) => known.towns.some(({ where }) => kmBetween(place, where) < 50))).toEqual(
      [],
    )
  })
  test('a town gives its usual year from its name alone: 14 of 16', () => {
    const inside = known.towns.filter((town) => judgeTown(town, town.where).inside)
    expect(inside.length).toBeGreaterThanOrEqual(14)
  })
  test('its figures are those of a place on earth', () => {
    for (const place of PLACES) {
      const { name, highC, lowC, rainMm, lastFrost, firstFrost } = place
      for (const q of [0, 1, 2, 3]) {
        expect([name, highC[q] - lowC[q] >= 3 && highC[q] - lowC[q] <= 24]).toEqual([name, true])
        expect([name, highC[q] <= 45 && lowC[q] >= -45]).toEqual([name, true])
        expect([name, rainMm[q] >= 0 && rainMm[q] <= 2500]).toEqual([name, true])
      }
      expect([name, (lastFrost === null) === (firstFrost === null)]).toEqual([name, true])
      const summer = place.latitude > 0 ? [2, 0] : [0, 2]
      if (Math.abs(place.latitude) > 25)
        expect([name, highC[summer[0]] > highC[summer[1]]]).toEqual([name, true])
    }
  })
  test('a place left out is told by its neighbours: half within 1.5 °C, nine in ten within 3.5', () => {
    const errors = PLACES.flatMap(leftOutErrors).sort((a, b) => a - b)
    expect(errors[Math.floor(errors.length / 2)]).toBeLessThan(1.5)
    expect(errors[Math.floor(0.9 * errors.length)]).toBeLessThan(3.5)
  })
  test('where nobody said the height, places around tell it', () => {
    expect(
      whereOf({ latitude: 39.7, longitude: -105, elevationM: null, seaKm: null }).elevationM,
    ).toBeGreaterThan(1200)
    expect(whereOf({ latitude: 39.7, longitude: -105, elevationM: 1580, seaKm: 290 })).toMatchObject({
      elevationM: 1580,
      seaKm: 290,
    })
  })
})

describe('months', () => {
  test('go through the four they are drawn by', () => {
    const months = monthsThrough([-5, 9, 24, 12])
    expect([0, 3, 6, 9].map((month) => months[month])).toEqual(
      [-5, 9, 24, 12].map((c) => expect.closeTo(c, 9)),
    )
    expect(hottest(months)).toBeLessThan(26)
  })
  test('of rain keep each quarter’s sum', () => {
    const months = monthsOfRain([90, 150, 300, 210])
    const sum = (...of: number[]) => of.reduce((all, month) => all + months[month], 0)
    expect([sum(11, 0, 1), sum(2, 3, 4), sum(5, 6, 7), sum(8, 9, 10)]).toEqual(
      [90, 150, 300, 210].map((mm) => expect.closeTo(mm, 9)),
    )
  })
})

describe('a usual year', () => {
  test('is a sound climate anywhere, as the table has it where nothing is corrected', () =>
    fc.assert(
      fc.property(somewhere, (where) => {
        const { site, uncorrected } = usualYear(where)
        expect(siteClimate.safeParse(site).success).toBe(true)
        expect(site).toEqual(uncorrected.site)
      }),
      DRAWS,
    ))
  test.each([
    [
      { latitude: 48.4, longitude: 11.7, elevationM: 450, seaKm: 300 },
      { lastFrost: 135, firstFrost: 275, coldestC: -17 },
    ],
    [
      { latitude: 38, longitude: -84.5, elevationM: 300, seaKm: 300 },
      { lastFrost: 100, hottestHighC: 33, hottestLowC: 21 },
    ],
    [
      { latitude: -43.5, longitude: 172.6, elevationM: 10, seaKm: 8 },
      { lastFrost: 275, firstFrost: 125, coldestC: -5 },
    ],
    [{ latitude: 26, longitude: -80.2, elevationM: 5, seaKm: 8 }, { coldestC: 4 }],
    [
      { latitude: 44, longitude: -93, elevationM: 300, seaKm: 300 },
      { lastFrost: 128, firstFrost: 280, coldestC: -29 },
    ],
  ] as [Where, Known][])('C6 at %j what is known is given back: %j', (where, said) => {
    const { nights, site } = usualYear(where, { ...NO_CORRECTIONS, known: said })
    if (said.lastFrost) expect(Math.abs(nights.lastFrost! - said.lastFrost)).toBeLessThanOrEqual(3)
    if (said.firstFrost) expect(Math.abs(nights.firstFrost! - said.firstFrost)).toBeLessThanOrEqual(3)
    if (said.coldestC) expect(nights.coldestC).toBeCloseTo(said.coldestC, -0.3)
    if (said.hottestHighC) expect(hottest(site.tMaxC)).toBeCloseTo(said.hottestHighC, 0)
    if (said.hottestLowC) expect(hottest(site.tMinC)).toBeCloseTo(said.hottestLowC, 0)
  })
  test.each(told.growers)('C6 what a grower of the $place says is given back', (grower) => {
    const { latitude, elevationM, coastal, coldestNightC, hottestHighC, hottestLowC } = grower
    const unlike = (place: Place) =>
      ((place.latitude - latitude) / 3) ** 2 + ((hottest(place.highC) - hottestHighC) / 3) ** 2
    const { longitude } = PLACES.reduce((best, place) => (unlike(place) < unlike(best) ? place : best))
    const frost = (day: string | null) => (day === null ? null : dayOfMonthDay(day))
    const [lastFrost, firstFrost] = [frost(grower.lastFrost), frost(grower.firstFrost)]
    const { nights, site } = usualYear(
      { latitude, longitude, elevationM, seaKm: coastal ? 5 : 200 },
      {
        ...NO_CORRECTIONS,
        known: { lastFrost, firstFrost, coldestC: coldestNightC, hottestHighC, hottestLowC },
      },
    )
    for (const [is, said] of [
      [nights.lastFrost, lastFrost],
      [nights.firstFrost, firstFrost],
    ])
      if (said === null) expect(is).toBeNull()
      else expect(Math.abs(is! - said)).toBeLessThanOrEqual(4)
    expect(Math.abs(nights.coldestC - coldestNightC)).toBeLessThan(1.5)
    expect(Math.abs(hottest(site.tMaxC) - hottestHighC)).toBeLessThan(1)
    expect(Math.abs(hottest(site.tMinC) - hottestLowC)).toBeLessThan(1)
  })
  test('no frost said is none in most years', () => {
    const coast = { latitude: 41.1, longitude: -8.6, elevationM: 80, seaKm: 6 }
    expect(usualYear(coast).nights.lastFrost).not.toBeNull()
    const { nights } = usualYear(coast, { ...NO_CORRECTIONS, known: { lastFrost: null, firstFrost: null } })
    expect(nights).toMatchObject({ lastFrost: null, firstFrost: null })
  })
})

describe('the spread of days comes with the place', () => {
  // The mean coldest night of a year as maps of plant hardiness have it, middle of a half zone; none of it is fitted to.
  const HARDINESS_C: readonly [string, number, number, number, number, number][] = [
    ['a city on the upper lakes', 46.8, -92.1, 200, 300, -30],
    ['the northern prairie', 49.9, -97.1, 240, 300, -36],
    ['the Ozarks', 37.2, -93.3, 390, 300, -19],
    ['the Bluegrass', 38, -84.5, 300, 300, -19],
    ['the Gulf coast', 30.4, -88.2, 5, 5, -5],
    ['south Florida', 26.7, -80.1, 5, 3, 3],
    ['the lower Rhine', 52.1, 5.1, 5, 50, -9],
    ['Brandenburg', 52.4, 13.5, 40, 150, -14],
    ['the upper Volga', 56.3, 43.9, 100, 300, -28],
    ['south Tasmania', -42.9, 147.3, 50, 2, 0],
    ['the Sydney coast', -33.9, 151.1, 20, 8, 4],
    ['the Rift Valley', -0.3, 36.1, 1850, 300, 7],
  ]
  test.each(HARDINESS_C)('%s', (_, latitude, longitude, elevationM, seaKm, coldestC) => {
    const { nights } = usualYear({ latitude, longitude, elevationM, seaKm })
    expect(Math.abs(nights.coldestC - coldestC)).toBeLessThan(4)
  })
  test('a little further on it is a little different', () => {
    for (const { latitude, longitude } of PLACES) {
      const here = spreadAt({ latitude, longitude })
      const beside = spreadAt({ latitude: latitude + 0.25, longitude })
      expect(Math.abs(here.winterC - beside.winterC)).toBeLessThanOrEqual(0.5)
      expect(Math.abs(here.summerC - beside.summerC)).toBeLessThanOrEqual(0.5)
    }
  })
})

describe('odd places and answers', () => {
  const inland = { latitude: 44, longitude: -93, elevationM: 300, seaKm: 300 }
  const doubts = (where: Where, said: Known = {}) =>
    doubtsOf(usualYear(where, { ...NO_CORRECTIONS, known: said }), said)
  test('are asked about and computed all the same', () => {
    expect(doubts(inland)).toEqual([])
    expect(doubts({ latitude: -48, longitude: 90, elevationM: 0, seaKm: 300 })).toContain(
      'far from all places',
    )
    expect(doubts({ latitude: -16.5, longitude: -68.2, elevationM: 3700, seaKm: 300 })).toContain('high up')
    expect(doubts({ latitude: 64, longitude: -19, elevationM: 900, seaKm: 60 })).toContain('no summer')
    expect(doubts(inland, { lastFrost: 75 })).toEqual(['frosts unlike the table'])
    expect(doubts(inland, { lastFrost: null, firstFrost: null })).toEqual(['frosts unlike the table'])
  })
  test.each([
    [{ lastFrost: 280, firstFrost: 120 }, 45, 'frosts the wrong way round'],
    [{ lastFrost: 120, firstFrost: 280 }, -45, 'frosts the wrong way round'],
    [{ hottestHighC: 15, hottestLowC: 16 }, 45, 'high below low'],
    [{ coldestC: 20, hottestLowC: 18 }, 45, 'night above summer low'],
    [{ lastFrost: 120, coldestC: 4 }, 45, 'frosts without a frosty night'],
    [{ lastFrost: null, firstFrost: null, coldestC: -8 }, 45, 'frosty night without frosts'],
  ] as [Known, number, string][])('%j at %d° is %s', (said, latitude, problem) =>
    expect(problemsOf(said, latitude)).toEqual([problem]),
  )
  test('what agrees is no problem', () =>
    expect(
      problemsOf({ lastFrost: 120, firstFrost: 280, coldestC: -18, hottestHighC: 29, hottestLowC: 17 }, 45),
    ).toEqual([]))
})

test('nights by their odds are those of generated years', async () => {
  const { weatherGenerator } = await import('./generator')
  const { randomStream } = await import('../foundations/random')
  const { site } = usualYear({ latitude: 44, longitude: -93, elevationM: 300, seaKm: 300 })
  const generator = weatherGenerator(site)
  const random = randomStream(5)
  const start = 19358
  const years = Array.from({ length: 400 }, () => {
    const state = generator.start(random)
    let [last, coldestC] = [0, Infinity]
    const unlike = 0.6 * random.normal()
    for (let day = 0; day < 200; day++) {
      generator.next(state, start + day, random)
      if (state.tMinC + unlike <= 0) last = day + 1
      coldestC = Math.min(coldestC, state.tMinC + unlike)
    }
    return { last, coldestC }
  })
  const middle = (values: number[]) => values.sort((a, b) => a - b)[200]
  const nights = usualNights(site)
  expect(Math.abs(middle(years.map(({ last }) => last)) - nights.lastFrost!)).toBeLessThanOrEqual(4)
  expect(Math.abs(middle(years.map(({ coldestC }) => coldestC)) - nights.coldestC)).toBeLessThan(2)
})
