import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import type { EndMethodId } from '../garden/ending'
import { standRun } from '../bed/standRun'
import { generatedEnsemble } from '../site/ensemble'
import { testCase, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { forecastOf } from './forecast'
import { followedAlone, followedUntil, turningDays, weatherUntil } from './horizon'

const ensemble = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-08-01'), 700, 30, 3)
const plan = { date: '2026-05-20', method: 'crimp' as const, passes: 1, note: '' }
const next = dayNumber('2026-06-05')
const rye = testCase(testCover('cereal-rye', '2025-09-20', { end: { plan, actual: null } }), {
  nextStartDay: next,
})

test('a stand is followed long past the day its ground is taken, on a grid of days; without one to the end', () => {
  const until = followedUntil(rye)!
  expect(until - next).toBeGreaterThanOrEqual(220)
  expect(followedUntil({ ...rye, nextStartDay: next - 3 })).toBeLessThanOrEqual(until)
  expect(followedUntil({ ...rye, nextStartDay: null })).toBeNull()
  expect(turningDays(rye)).toEqual([dayNumber(plan.date), next])
})

test('without its ending a stand is followed to some days past the day what it kills has browned, as long as anybody waits for its death, to the end', () => {
  const ended = (method: EndMethodId, passes = 1, date = plan.date) =>
    followedAlone(
      { stand: { ...rye.stand, end: { plan: { ...plan, method, passes, date }, actual: null } } },
      ensemble,
    )
  const day = dayNumber(plan.date)
  // 230 °C d in May are ten days at least and three weeks at most.
  expect(ended('crimp')! - day).toBeGreaterThanOrEqual(10 + 14)
  expect(ended('crimp')! - day).toBeLessThan(21 + 14 + 28)
  expect(ended('chop', 1, '2025-12-10')! - dayNumber('2025-12-10')).toBeGreaterThan(60)
  expect(ended('chop', 3)! - day).toBeGreaterThanOrEqual(14 + 14)
  expect(ended('crimp', 1, '2026-05-19')).toBe(ended('crimp'))
  for (const method of ['winter-kill', 'hens', 'tarp', 'harvest'] as const) expect(ended(method)).toBeNull()
  expect(followedAlone({ stand: { ...rye.stand, end: { plan: null, actual: null } } }, ensemble)).toBeNull()
})

test('what is told of a stand is the same as when it is followed to the end of the weather', () => {
  const short = weatherUntil(ensemble, followedUntil(rye))
  expect(short.days).toBeLessThan(ensemble.days)
  expect(weatherUntil(ensemble, null)).toBe(ensemble)
  const whole = forecastOf(rye, standRun(rye, ensemble)!)
  const told = forecastOf(rye, standRun(rye, short, turningDays(rye), followedAlone(rye, ensemble))!)
  for (const name of [
    'stages',
    'covered30',
    'dead',
    'ended',
    'plantsPerM2',
    'diesAlone',
    'carbonG',
    'up',
  ] as const)
    expect(told[name]).toEqual(whole[name])
  expect(told.massG.p50).toEqual(whole.massG.p50.slice(0, told.massG.p50.length))
})
