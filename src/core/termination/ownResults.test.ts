import { describe, expect, test } from '@jest/globals'
import { isoDate, dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { testCover } from '../testing/beds'
import { stillStand } from '../testing/stillStand'
import { findSpecies } from '../plants/catalogue'
import { TEST_SITES } from '../testing/sites'
import { coverDays, nextStep } from './followUp'
import { endingOf } from '../testing/ended'
import { ownCount, stageBand, withOwn } from './ownResults'
import { ownResults, stoodAgain } from './pooling'

const ENDED = dayNumber('2026-05-20')
function ended(
  counts: [after: number, standing: number, before: number][],
  own: Partial<Stand['end']['actual']> = {},
) {
  return testCover('cereal-rye', '2025-09-25', {
    end: {
      plan: null,
      actual: { date: isoDate(ENDED), method: 'crimp', passes: 1, note: '', bbch: 63, ...own },
    },
    followUps: counts.map(([after, standing, before], i) => ({
      id: `c${i}`,
      date: isoDate(ENDED + after),
      standing,
      before,
      groundM2: 1,
      note: '',
    })),
  })
}

describe('own counts move the tables as beta-binomial arithmetic says', () => {
  test('20 p + standing over 20 + counted', () => {
    const own = ownResults([ended([[21, 6, 18]])])
    const count = ownCount(own, 'crimp', 'winter cereal', 65)!
    expect(count).toEqual({ before: 18, standing: 6, endings: 1 })
    expect(withOwn(0.15, count)).toBeCloseTo((20 * 0.15 + 6) / (20 + 18), 12)
    expect(withOwn(0.15, null)).toBe(0.15)
  })
  test('one ending never counts for more than twenty plants; two endings add up', () => {
    const one = ownCount(ownResults([ended([[21, 50, 200]])]), 'crimp', 'winter cereal', 65)!
    expect(one.before).toBeCloseTo(20, 9)
    expect(one.standing).toBeCloseTo(5, 9)
    const two = ownCount(
      ownResults([ended([[21, 50, 200]]), { ...ended([[20, 0, 40]]), id: 'b' }]),
      'crimp',
      'winter cereal',
      61,
    )!
    expect(two).toMatchObject({ endings: 2 })
    expect(withOwn(0.15, two)).toBeCloseTo((3 + 5 + 0) / (20 + 40), 9)
  })
  test('counts of the first week and of a second pass do not teach; the last of weeks two to five does', () => {
    expect(
      stoodAgain(
        ended([
          [7, 30, 40],
          [14, 9, 40],
          [22, 4, 40],
          [60, 30, 40],
        ]),
      )!.standing,
    ).toBe(4)
    expect(stoodAgain(ended([[7, 30, 40]]))).toBeNull()
    expect(ownResults([ended([[21, 6, 18]], { passes: 2 })])).toEqual({})
    expect(ownResults([ended([[21, 6, 18]], { bbch: undefined })])).toEqual({})
  })
  test('only the same way, class and band is moved', () => {
    const own = ownResults([ended([[21, 6, 18]])])
    expect(ownCount(own, 'chop', 'winter cereal', 65)).toBeNull()
    expect(ownCount(own, 'crimp', 'vetch', 65)).toBeNull()
    expect(ownCount(own, 'crimp', 'winter cereal', 75)).toBeNull()
    expect([40, 55, 65, 80].map(stageBand)).toEqual([
      'before heading',
      'heading or buds',
      'in flower',
      'seed filling',
    ])
  })
  test('a count of one species of a mix is placed by that species’ own stage', () => {
    const components = ['cereal-rye', 'hairy-vetch'].map((speciesId, i) => ({
      speciesId,
      share: 0.8 - 0.3 * i,
      germination: 0.9,
      grams: null,
    }))
    const mix = {
      ...ended([[21, 6, 18]], { bbch: 65, stages: { 'cereal-rye': 65, 'hairy-vetch': 51 } }),
      content: { kind: 'cover' as const, components, purposes: [] },
    }
    const vetch = {
      ...mix,
      followUps: mix.followUps.map((count) => ({ ...count, speciesId: 'hairy-vetch' })),
    }
    // Of all plants of a mix together nobody knows which stood again.
    expect(ownResults([mix])).toEqual({})
    expect(Object.keys(ownResults([vetch]))).toEqual(['crimp|vetch|heading or buds'])
    // Each is learnt from its own plants, and the stand is told by both.
    const [count] = mix.followUps
    const both = {
      ...mix,
      followUps: [
        { ...count, id: 'a', speciesId: 'cereal-rye', standing: 3, before: 60 },
        { ...count, id: 'b', speciesId: 'hairy-vetch', standing: 16, before: 20, groundM2: 0.5 },
      ],
    }
    const own = ownResults([both])
    expect(own['crimp|winter cereal|in flower']).toMatchObject({ standing: 1, before: 20 })
    expect(own['crimp|vetch|heading or buds']).toMatchObject({ standing: 16, before: 20 })
    expect(stoodAgain(both)).toEqual({ standing: 35, before: 100 })
    const unplaced = { ...vetch, end: { ...vetch.end, actual: { ...vetch.end.actual!, stages: undefined } } }
    expect(ownResults([unplaced])).toEqual({})
  })
  test('what was learned changes the next comparison, and keeps later stages surer', () => {
    const own = ownResults([ended([[21, 16, 20]])])
    const survival = (bbch: number, counts: typeof own) => {
      const { run, ensemble } = stillStand([{ speciesId: 'cereal-rye', bbch, massG: 400 }])
      return endingOf('crimp', run, ensemble, 0, 10, { passes: 1, under: 'flat', target: 0.1, own: counts })
        .survival
    }
    expect(survival(63, own)).toBeGreaterThan(survival(63, {}))
    for (let bbch = 61; bbch < 70; bbch++)
      expect(survival(bbch + 1, own)).toBeLessThanOrEqual(survival(bbch, own) + 1e-12)
  })
  test('a sheet that did worse than 5 % wants a larger dose', () => {
    const sheets = ownResults([ended([[25, 8, 20]], { method: 'tarp' })])
    const { run, ensemble } = stillStand([{ speciesId: 'cereal-rye', bbch: 63, massG: 400 }])
    const days = (own: typeof sheets) =>
      endingOf('tarp', run, ensemble, 0, 10, { passes: 1, under: 'flat', target: 0.1, own }).sheetDays
    expect(days(sheets)).toBeGreaterThan(days({}))
  })
})

describe('what to do about what stands again', () => {
  const step = (
    share: number,
    daysSince: number,
    daysLeft: number,
    method: 'crimp' | 'chop' | 'tarp' = 'crimp',
    covered = 26,
  ) => nextStep(share, share * 200, 10, method, daysSince, daysLeft, 'transplant', covered)
  test.each([
    [0.01, 14, 30, 'leave'],
    [0.1, 14, 30, 'pull'],
    [0.4, 7, 30, 'wait'],
    [0.4, 14, 30, 'cover'],
    [0.4, 14, 20, 'cut'],
    [0.4, 14, 8, 'cover'],
  ] as const)('%d standing after %i days with %i left: %s', (share, since, left, act) =>
    expect(step(share, since, left).act).toBe(act),
  )
  test('never the same once more: covered for the weeks it takes, cut low where that is too long, or planted later', () => {
    expect(step(0.36, 14, 40).reason).toMatch(/36 % stand again.*sheet over it for about 4 weeks/)
    expect(step(0.36, 14, 20).reason).toMatch(/cut them low instead/)
    expect(step(0.36, 14, 5).reason).toMatch(/about 3 weeks later/)
    expect(step(0.36, 14, 20, 'chop').act).toBe('cover')
  })
  test('what lies between makes it longer, warmth makes it shorter', () => {
    const rye = [{ plant: findSpecies('cereal-rye')!, bbch: 61 }]
    const may = coverDays(rye, TEST_SITES.maryland, dayNumber('2026-05-20'))
    const march = coverDays(rye, TEST_SITES.maryland, dayNumber('2026-03-01'))
    expect(may).toBeGreaterThan(1.5 * (450 / (24.5 + 4.5)))
    expect(may).toBeLessThan(42)
    expect(march).toBeGreaterThan(may)
  })
  test('a sheet is left or laid again, not crimped; minutes are told for pulling', () => {
    expect(step(0.4, 14, 30, 'tarp').act).toBe('cover')
    expect(step(0.1, 14, 30).minutes).toBeCloseTo((20 * 10 * 4) / 60, 6)
  })
})
