import { expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { testBed, testCover, testTool } from '../../core/testing/beds'
import type { StandForecast } from '../../core/season/standForecast'
import { planCaseOf } from './planCase'

const stand = testCover('cereal-rye', '2025-09-25', { segment: { kind: 'half', which: 'first' } })
const end = {
  stand,
  view: {
    bed: { ...testBed, lengthM: 10, widthM: 1.2 },
    standCase: { own: { x: { before: 9, standing: 1, endings: 1 } } },
  },
  garden: { tools: [testTool('scythe')], livestock: [], units: 'metric' },
} as unknown as Parameters<typeof planCaseOf>[0]
const day = dayNumber('2026-05-20')
const work = { method: 'chop' as const, passes: 2, day }

test('a plan is for the part that is ended, with what the garden has', () => {
  const plan = planCaseOf(end, null, work)
  expect(plan.ground).toEqual({ lengthM: 5, widthM: 1.2 })
  expect(plan).toMatchObject({ areaM2: 6, passes: 2, day, livestock: [], film: null, deadDay: null })
  expect(plan.method.id).toBe('chop')
  expect(plan.own).toHaveProperty('x')
})

test('stage and height are those of the day by the forecast; middling ones until it is there', () => {
  const at = (bbch: number, date: string) => ({
    bbch,
    date: { chance: 1, quantiles: { p10: dayNumber(date), p50: dayNumber(date), p90: dayNumber(date) } },
  })
  const bands = (value: number) => ({
    startDay: day - 30,
    stepDays: 3,
    p10: Array(40).fill(value),
    p50: Array(40).fill(value),
    p90: Array(40).fill(value),
  })
  const standing = {
    stagesByComponent: [[at(51, '2026-05-02'), at(61, '2026-05-18'), at(65, '2026-05-24')]],
    heightM: bands(1.3),
    bbch: bands(62),
  } as unknown as StandForecast
  expect(planCaseOf(end, standing, work)).toMatchObject({
    heightM: 1.3,
    plants: [{ bbch: expect.closeTo(62.3, 1) }],
  })
  expect(planCaseOf(end, null, work)).toMatchObject({ heightM: 0.5, plants: [{ bbch: 51 }] })
})
