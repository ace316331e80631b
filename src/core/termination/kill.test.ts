import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { findSpecies } from '../plants/catalogue'
import type { StandEvent } from '../stand/types'
import { testBed, testHens, testTool } from '../testing/beds'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { wayOf, waysFor } from '../testing/comparison'
import { FATES } from './fates'
import { endEvents } from './kill'
import { obstacleOf } from './obstacles'
import { findMethod, METHODS } from './methods'
import { endingOf } from '../testing/ended'
import { stragglerMinutes } from './stragglers'
import { placeIn } from '../stand/series'

const { run, ensemble } = growStand(TEST_SITES.maryland, 'hairy-vetch', '2025-09-20', { members: 20 })
const rye = findSpecies('cereal-rye')!
const vetch = findSpecies('hairy-vetch')!
const day = dayNumber('2026-05-20')
const endEvent = (end: Parameters<typeof endEvents>[0], day: number, offDay = Infinity) =>
  endEvents(end, day, {
    offDay,
    plot: { lengthM: 10, widthM: 1.2 },
    under: 'flat',
  })[0] ?? null
/** A member whose luck is near the middle. */
const MEMBER = 72
const survivalOf = (event: StandEvent | null, bbch: number, plant = vetch) =>
  event?.kind === 'end'
    ? FATES.outlives(event.fate, {
        plant,
        component: 0,
        bbch,
        alive: 1,
        massG: 300,
        member: MEMBER,
        ensemble,
      })
    : NaN
const step = (method: 'chop' | 'crimp' | 'tarp' | 'winter-kill' | 'harvest', passes = 1) => ({
  date: '2026-05-20',
  method,
  passes,
  note: '',
})

describe('animals as events of the run', () => {
  const animals = testHens({ lastDaysPerStop: 4 })
  const events = endEvents({ date: '2026-05-20', method: 'hens', passes: 1, note: '', animals }, day, {
    offDay: Infinity,
    plot: { lengthM: 8, widthM: 1.2 },
    under: 'flat',
  })
  const run = growStand(TEST_SITES.maryland, 'cereal-rye', '2025-09-20', {
    members: 4,
    days: 320,
    events,
  }).run
  const uneaten = growStand(TEST_SITES.maryland, 'cereal-rye', '2025-09-20', { members: 4, days: 320 }).run
  test('each round falls on its middle day: four stops of two days, a week of rest, four of four', () =>
    expect(events.map((event) => event.day - day)).toEqual([4, 23]))
  test('by hand: what a thick and a thin sward lose on the first round, two fifths of it eaten', () => {
    const [first] = events
    if (first.kind !== 'graze') throw new Error('animals graze')
    const wanted = (8 / 2.4) * 115 * 0.25 * 2.5
    expect(FATES.taken(first.passing, 500)).toBeCloseTo(1 - Math.exp(-wanted / 500), 9)
    expect(FATES.taken(first.passing, 50)).toBeGreaterThan(FATES.taken(first.passing, 500))
    expect(first.eaten).toBeCloseTo(0.4, 9)
  })
  test('the growth of the run is what is eaten; droppings come in, and mass and nitrogen still close', () => {
    const at = (m: number, after: number) => placeIn(run, m, day - run.startDay + after)
    for (let m = 0; m < 4; m++) {
      const standing = uneaten.massG[at(m, 3)]
      expect(run.massG[at(m, 5)]).toBeLessThan(standing)
      expect(run.carriedOff.massG[m]).toBeGreaterThan(20)
      const { massIn, massOut, nitrogenIn, nitrogenOut } = run.accounts
      expect(massOut[m]).toBeCloseTo(massIn[m], 4)
      expect(nitrogenOut[m]).toBeCloseTo(nitrogenIn[m], 5)
      // Ten hen-days per m² bring 1.5 g each, of which 70 % stays; soil under a thinner stand frees a little more.
      expect(nitrogenIn[m] - uneaten.accounts.nitrogenIn[m]).toBeCloseTo(10 * 1.5 * 0.7, 0)
    }
  })
})

describe('an ending as an event of the run', () => {
  test('harvest clears all, winter is left to the winter', () => {
    expect(survivalOf(endEvent(step('harvest'), day), 20)).toBe(0)
    expect(endEvent(step('winter-kill'), day)).toBeNull()
  })
  test('chop and crimp follow stage and plant', () => {
    expect(survivalOf(endEvent(step('chop'), day), 65)).toBeCloseTo(0.08)
    expect(survivalOf(endEvent(step('crimp'), day), 61, rye)).toBeCloseTo(0.15)
    expect(survivalOf(endEvent(step('crimp'), day), 39, rye)).toBeCloseTo(0.8)
  })
  test('a second pass leaves three in ten of the first one’s survivors', () => {
    expect(survivalOf(endEvent(step('chop', 2), day), 65)).toBeCloseTo(0.024)
  })
  test('a sheet left longer leaves fewer', () => {
    const setup = { passes: 1, under: 'flat' as const, target: 0.1 }
    const after = (days: number) =>
      endingOf('tarp', run, ensemble, 0, day, { ...setup, liftedDay: day + days }).survival
    expect(after(30)).toBeLessThan(after(10))
    expect(after(10)).toBeLessThan(1)
  })
})

describe('outcomes', () => {
  const setup = { passes: 1, under: 'flat' as const, target: 0.1 }
  test('nothing is ended before anything is up, or outside the run', () => {
    const early = endingOf('chop', run, ensemble, 0, run.startDay + 1, setup)
    expect(early.survival).toBe(1)
    expect(early.deadDay).toBeGreaterThan(run.startDay + 150)
    expect(endingOf('crimp', run, ensemble, 0, run.startDay - 5, setup)).toMatchObject({
      survival: 1,
      deadDay: NaN,
    })
  })
  test('a standing crop under the sheet takes longer than a flattened one', () => {
    const flat = endingOf('tarp', run, ensemble, 3, day, setup).deadDay
    const standing = endingOf('tarp', run, ensemble, 3, day, { ...setup, under: 'standing' }).deadDay
    expect(standing).toBeGreaterThan(flat)
  })
  test('a stricter target for sowing is never met sooner', () => {
    for (let member = 0; member < run.members; member++) {
      const easy = endingOf('tarp', run, ensemble, member, day, setup).deadDay
      const strict = endingOf('tarp', run, ensemble, member, day, { ...setup, target: 0.05 }).deadDay
      expect(strict).toBeGreaterThanOrEqual(easy)
    }
  })
  test('pulling stragglers takes time by their number', () => {
    expect(stragglerMinutes(0.1, 200, 10)).toBeCloseTo((0.1 * 200 * 10 * 4) / 60)
    expect(stragglerMinutes(0, 200, 10)).toBe(0)
    expect(stragglerMinutes(0.9, 200, 10)).toBeLessThan((0.9 * 200 * 10 * 4) / 60)
  })
})

describe('what is needed', () => {
  const place = (tools: Parameters<typeof obstacleOf>[1]['tools']) => ({
    bed: testBed,
    segment: { kind: 'whole' as const },
    tools,
    livestock: [],
    plants: [findSpecies('brown-mustard')!],
  })
  test('every way names the first tool it lacks, and any one of a group will do', () => {
    for (const method of METHODS.filter((entry) => entry.tools.length > 0)) {
      expect(obstacleOf(method, place([]))).toEqual({ code: 'tools', oneOf: method.tools[0] })
      const last = method.tools.map((group) => testTool(group.at(-1)!, 20, 20))
      expect(obstacleOf(method, place(last))).toBeNull()
    }
  })
  test('a tarp may be turned; one of unknown size is trusted', () => {
    const tarp = findMethod('tarp')!
    expect(obstacleOf(tarp, place([testTool('black tarp', 11, 1.5)]))).toBeNull()
    expect(obstacleOf(tarp, place([testTool('black tarp')]))).toBeNull()
  })
  test('without anything to flatten with, the sheet needs longer', () => {
    const dead = (tools: ReturnType<typeof testTool>[]) =>
      wayOf(
        waysFor({ run, ensemble }, { from: dayNumber('2026-05-01'), by: dayNumber('2026-06-25'), tools }),
        'tarp',
      ).starts[0].dead!.p50
    const sheet = testTool('black tarp', 2, 12)
    expect(dead([sheet])).toBeGreaterThan(dead([sheet, testTool('scythe')]))
  })
  test('a larger bed takes more minutes, by its ground; getting ready is the same', () => {
    const work = (lengthM: number) =>
      wayOf(
        waysFor(
          { run, ensemble },
          {
            from: dayNumber('2026-05-01'),
            by: dayNumber('2026-06-25'),
            tools: [testTool('scythe')],
            bed: { ...testBed, lengthM },
          },
        ),
        'chop',
      ).starts[0].minutes
    expect(work(20)).toBeGreaterThan(1.5 * work(10))
    expect(work(20)).toBeLessThan(2 * work(10))
  })
  test('done twice a way never takes less time than once', () => {
    const twice = new Map<string, number>()
    const options = waysFor(
      { run, ensemble },
      {
        from: dayNumber('2026-05-01'),
        by: dayNumber('2026-06-25'),
        tools: [testTool('scythe'), testTool('spade or fork')],
      },
    )
    for (const { method, passes, starts } of options)
      for (const start of starts) if (passes === 2) twice.set(`${method} ${start.day}`, start.minutes)
    let compared = 0
    for (const { method, passes, starts } of options)
      for (const start of starts) {
        const again = twice.get(`${method} ${start.day}`)
        if (passes !== 1 || again === undefined) continue
        compared++
        expect(again).toBeGreaterThanOrEqual(start.minutes)
      }
    expect(compared).toBeGreaterThan(4)
  })
})
