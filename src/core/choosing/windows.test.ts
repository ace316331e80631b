import { USUAL_RULES } from '../garden/usualRules'
import { FRESH_STAND } from '../garden/fresh'
import { describe, expect, test } from '@jest/globals'
import { cropContent } from '../garden/newStands'
import { dayNumber, isoDate } from '../foundations/day'
import { bareLedger } from '../garden/ledger'
import type { EndMethodId } from '../garden/ending'
import type { Stand } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import { grownFrostC, shadeByDay } from '../plants/shade'
import { findCrop } from '../plants/crops'
import { generatedEnsemble } from '../site/ensemble'
import { testBed, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { lightWindows, windowInto } from './lightWindows'
import { plantYear } from './plantYear'

const crop = (
  id: string,
  cropId: string,
  from: string,
  until: string,
  extra: Partial<Stand> = {},
): Stand => ({
  id,
  gardenId: 'g',
  bedId: testBed.id,
  segment: { kind: 'whole' },
  ...FRESH_STAND,
  content: cropContent(cropId, 'transplant'),
  start: {
    plan: {
      date: from,
      covering: null,
      passes: null,
      keptMoistDays: 0,
      sownBetween: null,
      components: [],
      note: '',
    },
    actual: null,
  },
  end: { plan: { date: until, method: 'harvest', passes: 1, note: '' }, actual: null },
  ...extra,
})
const today = dayNumber('2026-05-01')
const horizon = dayNumber('2027-04-01')
const windowsOf = (...stands: Stand[]) => lightWindows(testBed, stands, today, horizon, USUAL_RULES)

describe('light under standing crops', () => {
  const tomato = crop('t', 'tomato', '2026-06-01', '2026-10-10')
  test('opens at the last weeding, closes three weeks before light returns, and counts the weeks recovered', () => {
    const [window] = windowsOf(tomato)
    expect(isoDate(window.sowFromDay)).toBe('2026-07-16')
    expect(isoDate(window.lastWeedingDay!)).toBe('2026-07-16')
    expect(isoDate(window.lightDay)).toBe('2026-09-20')
    expect(isoDate(window.sowUntilDay)).toBe('2026-08-30')
    expect(window.by).toBe('frost')
    // On a half of the bed as on all of it; what follows on the other half is not waited for.
    const half = (which: 'first' | 'second') => ({ segment: { kind: 'half' as const, which } })
    const beside = crop('k', 'kale', '2026-11-01', '2027-01-10', half('second'))
    const [onHalf] = windowsOf({ ...tomato, ...half('first') }, beside)
    expect(onHalf).toMatchObject({ sowFromDay: window.sowFromDay, recoveredWeeks: window.recoveredWeeks })
    expect(windowsOf({ ...tomato, ...half('second') }, beside)[0].neededByDay).toBe(dayNumber('2026-11-01'))
    // Half a year where nothing is planned after it, whoever asks; until what is planned otherwise.
    expect(window.recoveredWeeks).toBe(26)
    const [until] = windowsOf(tomato, crop('o', 'onion', '2027-01-23', '2027-07-01'))
    expect(until.recoveredWeeks).toBe(15)
    for (const seen of ['2026-10-20', '2028-01-01'])
      expect(lightWindows(testBed, [tomato], today, dayNumber(seen), USUAL_RULES)[0].recoveredWeeks).toBe(26)
  })
  test('moves with the harvest', () => {
    const [window] = windowsOf(crop('t', 'tomato', '2026-06-01', '2026-09-26'))
    expect(isoDate(window.sowUntilDay)).toBe('2026-08-16')
  })
  test('none where the crop is dense, the bed is taken soon after, something is under it, or it is over', () => {
    expect(windowsOf(crop('l', 'potato', '2026-06-01', '2026-09-20'))).toEqual([])
    expect(windowsOf(tomato, crop('g', 'garlic', '2026-10-18', '2027-07-01'))).toEqual([])
    const under = crop('u', 'kale', '2026-08-01', '2026-12-01', { underStandId: 't' })
    expect(windowsOf(tomato, under).filter((window) => window.above.id === 't')).toEqual([])
    expect(lightWindows(testBed, [tomato], dayNumber('2026-11-01'), horizon, USUAL_RULES)).toEqual([])
  })
  test('the last weeding is the grower’s own where said, and quick crops have one', () => {
    const rules = { ...USUAL_RULES, lastWeeding: { tomato: 60 } }
    const [own] = lightWindows(testBed, [tomato], today, horizon, rules)
    expect(isoDate(own.sowFromDay)).toBe('2026-07-31')
    const [quick] = windowsOf(crop('q', 'lettuce', '2026-06-01', '2026-07-20'))
    expect(isoDate(quick.sowFromDay)).toBe('2026-07-01')
    expect(isoDate(quick.sowUntilDay)).toBe('2026-07-15')
  })
  test('opens under a cover that is cut, rolled or killed by cold before bare weeks, and under no other end', () => {
    const rye = (method: EndMethodId, until = '2026-06-01') =>
      testCover('cereal-rye', '2025-09-20', {
        bedId: testBed.id,
        end: { plan: { date: until, method, passes: 1, note: '' }, actual: null },
      })
    const [window] = windowsOf(rye('chop'))
    expect(window).toMatchObject({ crop: null, lastWeedingDay: null, by: 'cut', recoveredWeeks: 26 })
    expect([isoDate(window.sowFromDay), isoDate(window.sowUntilDay)]).toEqual(['2026-05-01', '2026-06-01'])
    expect(windowsOf(rye('crimp'))).toHaveLength(1)
    for (const method of ['tarp', 'turn', 'hens', 'clear-sheet'] as const)
      expect(windowsOf(rye(method))).toEqual([])
    expect(windowsOf(rye('chop'), crop('s', 'squash', '2026-06-15', '2026-09-30'))).toHaveLength(1)
    expect(windowsOf(rye('chop'), crop('s', 'squash', '2026-06-15', '2026-09-30'))[0].above.id).toBe('s')
    expect(windowsOf(testCover('cereal-rye', '2025-09-20', { bedId: testBed.id }))).toEqual([])
  })
  test('into any cover that grows, cut over the seed that day, whatever was planned for it', () => {
    const rye = testCover('cereal-rye', '2025-09-20', { id: 'rye', bedId: testBed.id })
    const into = (stand: Stand, ...more: Stand[]) => windowInto(testBed, [stand, ...more], stand.id, today)
    const tarped = {
      plan: { date: '2026-06-20', method: 'tarp' as const, passes: 1, note: '' },
      actual: null,
    }
    for (const stand of [rye, { ...rye, end: tarped }])
      expect(into(stand)).toMatchObject({
        sowFromDay: today,
        sowUntilDay: today,
        by: 'cut',
        recoveredWeeks: 26,
      })
    expect(into(rye, crop('s', 'squash', '2026-05-15', '2026-09-30'))!.recoveredWeeks).toBe(2)
    const gone = { plan: null, actual: tarped.plan }
    expect(into({ ...rye, end: gone })).toBeNull()
    expect(into({ ...rye, start: { plan: rye.start.actual, actual: null } })).toBeNull()
    expect(into(rye, testCover('oats', '2026-04-20', { id: 'o', underStandId: 'rye' }))).toBeNull()
    expect(into(tomato)).toBeNull()
  })
  test('what is under it feels its shade until the light returns', () => {
    const planted = dayNumber('2026-06-01')
    const shares = shadeByDay(findCrop('tomato')!, planted, dayNumber('2026-10-10'))
    expect(isoDate(planted + shares.length)).toBe('2026-09-20')
    expect(shares[0]).toBe(0)
    expect(shares.at(-1)).toBeCloseTo(0.6)
    expect(grownFrostC(findCrop('tomato')!)).toBe(-1)
  })
})

test('the ledger counts bare weeks gone by, ahead, and those that can be filled', () => {
  const stands = [
    crop('a', 'onion', '2026-03-01', '2026-04-03'),
    crop('b', 'tomato', '2026-05-15', '2026-10-01'),
    crop('c', 'garlic', '2026-10-29', '2027-03-25'),
  ]
  const rowOf = (begunOn: string | null, own: Stand[]) =>
    bareLedger(
      { garden: { begunOn }, beds: [testBed], stands: own },
      dayNumber('2026-04-03'),
      today,
      dayNumber('2027-03-25'),
    )[0]
  const row = rowOf(null, stands)
  expect(row.past).toBeCloseTo(28 / 7, 6)
  expect(row.ahead).toBeCloseTo((14 + 28) / 7, 6)
  expect(row.fillable).toBeCloseTo(28 / 7, 6)
  // Weeks before the records began are nobody's to answer for.
  expect(rowOf('2026-04-24', stands.slice(1)).past).toBeCloseTo(7 / 7, 6)
  expect(rowOf('2026-04-24', stands).past).toBeCloseTo(28 / 7, 6)
  expect(rowOf(isoDate(today), []).past).toBe(0)
  expect(rowOf(null, []).past).toBe(0)
})

test('a plant’s year: spring sowings flower the same year, autumn ones after winter, summer ones of tender plants die', () => {
  const from = dayNumber('2026-03-01')
  const weather = generatedEnsemble(TEST_SITES.pennsylvania, from - 40, 700, 20, 2)
  const [spring, autumn] = plantYear(findSpecies('crimson-clover')!, weather, [
    from + 35,
    dayNumber('2026-09-01'),
  ])
  expect(isoDate(Math.round(spring.flower.quantiles!.p50)) < '2026-09-01').toBe(true)
  expect(isoDate(Math.round(autumn.flower.quantiles!.p50)) > '2027-04-01').toBe(true)
  const [late] = plantYear(findSpecies('buckwheat')!, weather, [dayNumber('2026-09-05')])
  expect(late.lives).toBeLessThan(0.1)
})
