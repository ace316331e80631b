import { expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { TEST_SITES } from '../testing/sites'
import { testRecord } from '../testing/weather'
import { shareOf } from '../foundations/statistics'
import { ensembleOf } from '../season/weatherSpec'
import { handForecast } from './handForecast'

const site = TEST_SITES.pennsylvania
const today = dayNumber('2026-04-20')
const record = testRecord(site, 3, today - 60, today)
const spec = { site, recordKey: 'test', today, startDay: today - 40, days: 80, members: 120, seed: 5 }
const day = (sky: 'dry' | 'showers' | 'wet', frost = false, after = 0) => ({
  id: isoDate(today + after),
  sky,
  frost,
})
const wet = (outlook: Parameters<typeof handForecast>[1], after = 0) => {
  const ensemble = ensembleOf(spec, { ...record, forecast: handForecast(site, outlook) })
  const at = today + after - spec.startDay
  return {
    wet: shareOf(ensemble.members.length, (member) => ensemble.members[member].rainMm[at] >= 1),
    frost: shareOf(ensemble.members.length, (member) => ensemble.members[member].tMinC[at] < 0),
  }
}

test('a day told dry, of showers or wet is so in the members, the more so the nearer it is', () => {
  expect(wet([day('dry')]).wet).toBeLessThan(0.15)
  expect(wet([day('showers')]).wet).toBeGreaterThan(0.35)
  expect(wet([day('wet')]).wet).toBeGreaterThan(0.85)
})

test('a night told to freeze freezes, one told not to hardly does', () => {
  expect(wet([day('dry', true)]).frost).toBeGreaterThan(0.9)
  expect(wet([day('dry', false)]).frost).toBeLessThan(0.1)
  // After a week half of it is chance.
  const later = wet([day('dry', true, 7)], 7).frost
  expect(later).toBeLessThan(0.95)
})

test('nothing told is no forecast; days come in order', () => {
  expect(handForecast(site, [])).toEqual([])
  expect(handForecast(site, [day('wet', false, 3), day('dry', false, 1)]).map((one) => one.day)).toEqual([
    today + 1,
    today + 3,
  ])
})
