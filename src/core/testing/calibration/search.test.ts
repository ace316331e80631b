import { afterAll, expect, test } from '@jest/globals'
import { CALIBRATED } from '../../plants/calibrated'
import { findSpecies, SPECIES } from '../../plants/catalogue'
import { physics, SHARED_NAMES, SHARED_PHYSICS } from '../../stand/physics'
import { caseJudge } from '../cases/judge'
import { caseFile } from '../cases/schema'
import { TEST_SITES } from '../sites'
import { calibrate, costOf, put } from './search'

const everySpecies = SPECIES.map(({ id }) => id)
afterAll(() => put(CALIBRATED, everySpecies))

test('a check costs more the farther it lies from the middle of its range, and not without bound', () => {
  const costs = [0, 0.5, 0.9, 1, 1.5, 3, 6].map((off) => costOf({ off }))
  for (let i = 1; i < costs.length; i++) expect(costs[i]).toBeGreaterThan(costs[i - 1])
  expect(costOf({ off: 1.2 }) - costOf({ off: 0.9 })).toBeGreaterThan(
    3 * (costOf({ off: 0.6 }) - costOf({ off: 0.3 })),
  )
  expect(costs[6]).toBeLessThan(10)
})

test('a search moves what is stated towards the cases, the same way each time, and can be taken back', () => {
  const sites = [{ id: 'here', ...TEST_SITES.pennsylvania }]
  const { cases } = caseFile.parse({
    cases: [
      { site: 'here', species: 'buckwheat', sow: '07-01', checks: [{ kind: 'flowerDays', range: [36, 40] }] },
    ],
  })
  const buckwheat = findSpecies('buckwheat')!
  put({ shared: {}, archetypes: {}, species: {} }, everySpecies)
  expect(buckwheat.parameters).toEqual(buckwheat.stated)
  const judge = caseJudge(sites, 6)
  const [stated] = judge(cases[0])
  const found = calibrate(cases, judge, 3)
  const [fitted] = judge(cases[0])
  expect(stated.inside).toBe(false)
  expect(fitted.off).toBeLessThan(stated.off)
  expect(buckwheat.parameters.t61Cd).toBeGreaterThan(buckwheat.stated.t61Cd)
  expect(calibrate(cases, judge, 3)).toEqual(found)
  put(CALIBRATED, everySpecies)
  for (const name of SHARED_NAMES)
    expect(physics[name]).toBe(CALIBRATED.shared[name] ?? SHARED_PHYSICS[name].stated)
})

test('what was calibrated lies inside its stated range', () => {
  for (const [name, value] of Object.entries(CALIBRATED.shared)) {
    const { low, high } = SHARED_PHYSICS[name as keyof typeof SHARED_PHYSICS]
    expect(value).toBeGreaterThanOrEqual(low)
    expect(value).toBeLessThanOrEqual(high)
  }
})
