import { describe, expect, test } from '@jest/globals'
import growers from '../../../validation/growers.json'
import { dayNumber } from '../foundations/day'
import { finish } from '../foundations/steps'
import { siteClimate } from '../garden/site'
import { fitClimate, problemsOf } from './fitClimate'

const daysApart = (a: string | null, b: string | null) => {
  if (a === null || b === null) return a === b ? 0 : 99
  const days = Math.abs(dayNumber(`2023-${a}`) - dayNumber(`2023-${b}`))
  return Math.min(days, 365 - days)
}

test('answers that contradict one another are named', () => {
  const here = growers.growers[0]
  expect(problemsOf(here)).toEqual([])
  const { lastFrost, firstFrost } = here
  expect(problemsOf({ ...here, lastFrost: firstFrost, firstFrost: lastFrost })).toEqual([
    'frosts the wrong way round',
  ])
  expect(problemsOf({ ...here, latitude: -40 })).toEqual(['frosts the wrong way round'])
  expect(problemsOf({ ...here, firstFrost: null })).toEqual(['one frost only'])
  expect(problemsOf({ ...here, coldestNightC: 6 })).toEqual(['frosts without a frosty night'])
  expect(problemsOf({ ...here, coldestNightC: 21 })).toContain('night above summer low')
  expect(problemsOf({ ...here, hottestHighC: 12 })).toContain('high below low')
  expect(problemsOf({ ...here, coldestNightC: -30, hottestHighC: 6, hottestLowC: 1 })).toEqual(['no summer'])
  expect(problemsOf({ ...here, lastFrost: null, firstFrost: null })).toEqual(['frosty night without frosts'])
})

test('no frost is an answer: normals are found in which most years have none', () => {
  const warm = growers.growers.find(({ lastFrost }) => lastFrost === null)!
  const { site, reproduced } = finish(fitClimate(warm))
  expect(siteClimate.safeParse(site).success).toBe(true)
  expect(reproduced).toMatchObject({ lastFrost: null, firstFrost: null })
})

describe('a climate by what growers know', () => {
  test.each(growers.growers)('$place: generated years reproduce the answers', ({ place, ...answers }) => {
    const { site, reproduced } = finish(fitClimate(answers))
    expect(place).toBeTruthy()
    expect(siteClimate.safeParse(site).success).toBe(true)
    expect(daysApart(reproduced.lastFrost, answers.lastFrost)).toBeLessThanOrEqual(4)
    expect(daysApart(reproduced.firstFrost, answers.firstFrost)).toBeLessThanOrEqual(4)
    expect(Math.abs(reproduced.coldestNightC - answers.coldestNightC)).toBeLessThanOrEqual(1.5)
    expect(Math.abs(reproduced.hottestHighC - answers.hottestHighC)).toBeLessThanOrEqual(1.5)
    expect(Math.abs(reproduced.hottestLowC - answers.hottestLowC)).toBeLessThanOrEqual(1.5)
  })
})
