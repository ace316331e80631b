import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import { findSpecies } from '../plants/catalogue'
import { generatedEnsemble } from '../site/ensemble'
import type { EarlierUse } from '../season/cases'
import { testCase, testCover } from '../testing/beds'
import { relayed, upperCrop } from '../testing/relay/relayed'
import { TEST_SITES } from '../testing/sites'
import { testCounting } from '../testing/questions'
import { grownMass } from './counting'
import { coveringOn } from './covering'
import { sowingDays } from './screening'
import type { ChooseQuestion } from './types'
import { placeIn } from '../stand/series'

const site = TEST_SITES.pennsylvania
const ensemble = generatedEnsemble(site, dayNumber('2025-09-01'), 330, 30, 1)
const end: EndDetails = { date: '2026-05-20', method: 'chop', passes: 1, note: '' }
const rye: EarlierUse = {
  kind: 'cover',
  startDay: dayNumber('2025-09-20'),
  standCase: testCase(testCover('cereal-rye', '2025-09-20', { end: { plan: end, actual: null } })),
}
const wheat = upperCrop('winter-wheat-grain', '2025-10-01', '2026-07-15')
const on = (speciesId: string, day: string, upper: EarlierUse | null) =>
  coveringOn([findSpecies(speciesId)!], dayNumber(day), { upper }, ensemble)

describe('how seed is covered', () => {
  test('in the open as usual, whatever the season', () => {
    expect(on('red-clover', '2026-02-20', null)).toBe('raked and tamped')
    expect(on('oats', '2026-04-10', null)).toBe('raked')
  })
  test('under what stands in winter small seed is left to the frost, large seed is raked', () => {
    expect(on('red-clover', '2026-02-20', wheat)).toBe('frost-seeded')
    expect(on('red-clover', '2026-02-20', rye)).toBe('frost-seeded')
    expect(on('faba-bean', '2026-02-20', wheat)).toBe('raked')
    expect(on('red-clover', '2026-05-01', wheat)).toBe('surface')
  })
  test('by what falls on it, where the cover above is cut within days', () => {
    expect(on('buckwheat', '2026-05-18', rye)).toBe('crop dropped over')
    expect(on('buckwheat', '2026-05-10', rye)).not.toBe('crop dropped over')
    // What cold ends is not cut down over anything.
    const frosted = { end: { plan: { ...end, method: 'winter-kill' as const }, actual: null } }
    const oats: EarlierUse = { ...rye, standCase: testCase(testCover('oats', '2025-09-20', frosted)) }
    expect(on('buckwheat', '2026-05-18', oats)).toBe('raked')
  })
})

test('the day that what stands above is cut is among the sowing days, whatever their step', () => {
  const today = dayNumber('2026-04-10')
  const asked = (sowUntilDay: number | null) =>
    sowingDays({
      today,
      freeFromDay: today,
      sowDay: null,
      sowUntilDay,
      follows: { kind: 'nothing' },
      openUntilDay: today + 200,
    } as unknown as ChooseQuestion)
  const cut = dayNumber('2026-05-20')
  expect(asked(cut)).toEqual([today, today + 14, today + 28, cut])
  expect(asked(today)).toEqual([today])
  expect(asked(today + 56)).toEqual([0, 14, 28, 42, 56].map((days) => today + days))
  expect(asked(null)).toEqual([0, 14, 28, 42, 56].map((days) => today + days))
})

test('what fell from the cover above is not told as grown', () => {
  const run = relayed({
    site,
    upper: rye,
    speciesId: 'buckwheat',
    sownOn: '2026-05-18',
    covering: 'crop dropped over',
    until: '2026-07-10',
    members: 10,
  })
  const endDay = dayNumber('2026-07-01')
  for (let member = 0; member < run.members; member++) {
    const at = placeIn(run, member, endDay - run.startDay)
    const grown = grownMass(testCounting({ run, ensemble }, member, endDay))
    expect(run.residueG[at]).toBeGreaterThan(100)
    expect(grown).toBeGreaterThanOrEqual(run.massG[at])
    expect(grown).toBeLessThan(run.massG[at] + 60)
  }
})
