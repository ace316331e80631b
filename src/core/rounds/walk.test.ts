import { describe, expect, test } from '@jest/globals'
import { testBed, testCover, testTool } from '../testing/beds'
import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { plannedStep, sowingRecipe } from '../seeding/recipe'
import { awayAhead, awayClash } from './away'
import type { Job, JobKind } from './jobs'
import { jobMinutes, toTake } from './walk'
import { betterDay } from './weatherBound'

const today = dayNumber('2026-05-04')
const job = (kind: JobKind, dueDay = today, standId = 'rye'): Job => ({
  id: `${standId}:${kind}`,
  kind,
  bedId: testBed.id,
  standId,
  dueDay,
  untilDay: null,
  urgent: false,
  days: [],
  count: null,
})
const planned = testCover('buckwheat', '2026-05-04')
const toSow: Stand = { ...planned, start: { plan: planned.start.actual, actual: null } }
const toEnd = testCover('cereal-rye', '2025-09-20', {
  end: { plan: { date: '2026-05-04', method: 'crimp', passes: 1, note: '' }, actual: null },
})

describe('a walk', () => {
  const tools = [testTool('crimp board', 1.2)]
  test('the seed to take along is that of the recipe, summed over beds', () => {
    const recipe = sowingRecipe({
      areaM2: 12,
      covering: 'raked',
      passes: 2,
      scaleStepG: plannedStep(toSow, testBed, false),
      components: toSow.content.kind === 'cover' ? toSow.content.components : [],
    })
    const one = toTake([{ job: job('sow'), stand: toSow, bed: testBed, minutes: 16 }], tools, false)
    if (!recipe.ok) throw new Error('no recipe')
    expect(one.seed).toEqual([{ speciesId: 'buckwheat', grams: recipe.value.totalGrams }])
    const two = toTake(
      [1, 2].map(() => ({ job: job('sow'), stand: toSow, bed: testBed, minutes: 16 })),
      tools,
      false,
    )
    expect(two.seed[0].grams).toBeCloseTo(2 * recipe.value.totalGrams)
    expect(two.tools).toEqual(['rake'])
  })
  test('the tools are those the planned way is done with, the time what its plan says', () => {
    const minutes = jobMinutes(job('end'), toEnd, testBed, 42, tools)
    const take = toTake([{ job: job('end'), stand: toEnd, bed: testBed, minutes }], tools, false)
    expect(take.tools).toContain('crimp board')
    expect(take).toMatchObject({ minutes: 42, unknown: 0 })
  })
  test('a sowing that is dropped over takes the cut along: its minutes and what mows', () => {
    const over = { ...toEnd, end: { ...toEnd.end, plan: { ...toEnd.end.plan!, method: 'chop' as const } } }
    const scythe = [testTool('scythe')]
    const alone = jobMinutes(job('sow'), toSow, testBed, null, scythe)!
    const both = jobMinutes(job('sow'), toSow, testBed, 14, scythe)!
    expect(both).toBe(alone + 14)
    const take = toTake([{ job: job('sow'), stand: toSow, bed: testBed, minutes: both, over }], scythe, false)
    expect(take.tools.sort()).toEqual(['rake', 'scythe'])
  })
  test('what has no figure is counted, not guessed', () => {
    const placed = [job('look'), job('regrowth'), job('plant'), job('strip')].map((one) => ({
      job: one,
      stand: toEnd,
      bed: testBed,
      minutes: jobMinutes(one, toEnd, testBed, null, tools),
    }))
    expect(placed.map(({ minutes }) => minutes)).toEqual([1, 4, null, null])
    expect(toTake(placed, tools, false)).toMatchObject({ ring: true, water: false, unknown: 2, minutes: 5 })
  })
})

describe('days away', () => {
  const alone = { id: 'a', from: '2026-05-10', to: '2026-05-20', who: null }
  const cared = { ...alone, who: 'Ada' }
  test('a sheet to lift then clashes, unless somebody is named', () => {
    const sheet = job('sheet', dayNumber('2026-05-12'))
    expect(awayClash(sheet, [alone])).toEqual({ what: 'itself', away: alone })
    expect(awayClash(sheet, [cared])).toBeNull()
    expect(awayClash(job('sheet', dayNumber('2026-05-21')), [alone])).toBeNull()
  })
  test('a sowing clashes while its seedbed would stand dry', () => {
    expect(awayClash(job('sow', dayNumber('2026-05-05')), [alone])).toMatchObject({ what: 'its first days' })
    expect(awayClash(job('sow', dayNumber('2026-04-28')), [alone])).toBeNull()
    expect(awayClash(job('sow', dayNumber('2026-05-21')), [alone])).toBeNull()
    // A look can wait until one is back.
    expect(awayClash(job('look', dayNumber('2026-05-12')), [alone])).toBeNull()
  })
  test('only those not over are listed, the next first', () => {
    const past = { ...alone, id: 'p', from: '2026-03-01', to: '2026-03-04' }
    const later = { ...alone, id: 'l', from: '2026-08-01', to: '2026-08-04' }
    expect(awayAhead([later, past, alone], today).map(({ id }) => id)).toEqual(['a', 'l'])
  })
})

describe('work that hangs on the weather', () => {
  const ahead = (chances: number[]) => chances.map((wetChance, i) => ({ day: today + i, wetChance }))
  test('a sowing moves before likely rain', () => {
    const found = betterDay(job('sow'), null, ahead([0.1, 0.1, 0.1, 0.8, 0.7, 0.1, 0.1, 0.1]), today)
    expect(found).toMatchObject({ day: today + 2, wants: 'rain after' })
    expect(found!.chance).toBeCloseTo(1 - 0.2 * 0.3)
  })
  test('fire and what must wilt move to a dry day; a tarp does not', () => {
    const wetThenDry = ahead([0.8, 0.8, 0.1, 0.6, 0.6, 0.6, 0.6])
    expect(betterDay(job('end'), 'flame', wetThenDry, today)).toEqual({
      day: today + 2,
      wants: 'dry',
      chance: 0.9,
    })
    expect(betterDay(job('end'), 'tarp', wetThenDry, today)).toBeNull()
    expect(betterDay(job('look'), null, wetThenDry, today)).toBeNull()
  })
  test('days that are all alike, or unknown, move nothing', () => {
    expect(betterDay(job('sow'), null, ahead(Array(10).fill(0.35)), today)).toBeNull()
    expect(betterDay(job('sow'), null, [], today)).toBeNull()
    expect(betterDay(job('end', today + 30), 'flame', ahead([0.1, 0.9]), today)).toBeNull()
  })
})
