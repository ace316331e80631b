import { expect, test } from '@jest/globals'
import { TEST_SITES } from '../testing/sites'
import { testBed, testCase, testCover } from '../testing/beds'
import { flatForecast } from '../testing/forecasts'
import { generatedEnsemble } from '../site/ensemble'
import { dayNumber } from '../foundations/day'
import { movedJobs } from '../rounds/moved'
import { comingUp } from './comingUp'
import { sowAgain } from './sowAgain'

const today = dayNumber('2026-05-10')
const up = (low: number, high: number) => ({
  chance: 1,
  quantiles: { p10: today + low, p50: today + (low + high) / 2, p90: today + high },
})
const oats = testCover('oats', '2026-04-20', {
  end: { plan: { date: '2026-07-10', method: 'chop', passes: 1, note: '' }, actual: null },
})

test('each species is told against its own days, and one that never comes is left out', () => {
  const forecast = flatForecast(today - 20, {
    up: [up(3, 6), up(-1, 2), up(-6, -2), up(-20, -12), { chance: 0, quantiles: null }],
  })
  expect(comingUp(forecast, today).map(({ component, state }) => [component, state])).toEqual([
    [0, 'not due'],
    [1, 'due'],
    [2, 'should be up'],
    [3, 'late'],
  ])
})

test('a spot sown again has less by the planned end than one that came up in time, and longer helps it', () => {
  const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, today - 60, 260, 24, 3)
  const standCase = testCase(oats)
  const early = sowAgain(standCase, ensemble, today)!
  expect(early.byDay).toBe(dayNumber('2026-07-10'))
  expect(early.again.massG.p50).toBeGreaterThan(0)
  expect(early.again.massG.p50).toBeLessThan(early.leave.massG.p50)
  const late = sowAgain(standCase, ensemble, today + 25)!
  expect(late.again.massG.p50).toBeLessThan(early.again.massG.p50)
})

test('a look that moves flowering moves the job of looking at the stage, and small shifts are not told', () => {
  const flowering = (day: number) =>
    flatForecast(today - 60, {
      standId: oats.id,
      stages: [
        { bbch: 9, date: up(-30, -28) },
        { bbch: 61, date: { chance: 1, quantiles: { p10: day - 3, p50: day, p90: day + 3 } } },
        { bbch: 75, date: { chance: 1, quantiles: { p10: day + 12, p50: day + 15, p90: day + 18 } } },
      ],
    })
  const input = { beds: [testBed], stands: [oats], checks: [], frostChance: 0, begunDay: null, today }
  const moved = movedJobs(input, oats.id, flowering(today + 40), flowering(today + 34))
  expect(moved).toMatchObject([{ job: { kind: 'window' }, before: today + 37, after: today + 31 }])
  expect(movedJobs(input, oats.id, flowering(today + 40), flowering(today + 41))).toEqual([])
})
