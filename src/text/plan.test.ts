import { expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { testCase, testCover } from '../core/testing/beds'
import { chanceLine, wholeText } from './plan'

const SOWN = '2026-05-10'
const day = dayNumber('2026-11-29')
const outcome = (coveredBy: number | null, whole = 0.93) =>
  ({
    chance: { whole, dead: null, ready: null },
    failures: [{ id: 'established', share: 1 - whole }],
    covered30: {
      chance: coveredBy === null ? 0.2 : 1,
      quantiles: coveredBy === null ? null : { p10: coveredBy - 5, p50: coveredBy, p90: coveredBy + 5 },
    },
  }) as unknown as ScenarioOutcome
const plan = (own: Partial<Scenario> = {}, sown = true) => {
  const stand = testCover('cereal-rye', SOWN)
  const start = sown ? stand.start : { plan: stand.start.actual, actual: null }
  return {
    standCase: testCase({ ...stand, start, end: { plan: null, actual: null } }, {}),
    follows: { kind: 'nothing' },
    today: day,
    ...own,
  } as Scenario
}

test('a cover that has covered its ground long ago is not told to come up in time', () => {
  expect(wholeText(plan(), outcome(day - 100))).toBe('it has come up')
  expect(chanceLine(plan(), outcome(day - 100))).toBe('it has come up')
})

test('one that is not up for sure, not sown yet, or followed by something is', () => {
  expect(wholeText(plan(), outcome(day + 20))).toBe('93 in 100 to come up in time')
  expect(wholeText(plan(), outcome(null))).toBe('93 in 100 to come up in time')
  expect(wholeText(plan({}, false), outcome(day - 100))).toBe('93 in 100 to come up in time')
  const follows: Scenario['follows'] = { kind: 'deadline', day: day + 40, establishment: 'transplant' }
  expect(wholeText(plan({ follows }), outcome(day - 100))).toBe('its end is to be chosen')
  expect(chanceLine(plan(), outcome(day + 20))).toMatch(/^93 in 100 to come up in time, fails when /)
})
