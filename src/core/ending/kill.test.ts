import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { findSpecies } from '../plants/catalogue'
import { testBed, testTool } from '../testing/beds'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { compareEndings } from './compare'
import { endEvent } from './kill'
import { END_METHODS, methodObstacle } from './methods'
import { endingOf, stragglerMinutes } from './outcome'

const { run, ensemble } = growStand(TEST_SITES.maryland, 'hairy-vetch', '2025-09-20', { members: 20 })
const rye = findSpecies('cereal-rye')!
const vetch = findSpecies('hairy-vetch')!
const day = dayNumber('2026-05-20')
const survivalOf = (event: ReturnType<typeof endEvent>, bbch: number, plant = vetch) =>
  event?.kind === 'end' ? event.survival(0, 0, bbch, plant, 1) : NaN
const deed = (method: 'chop' | 'crimp' | 'tarp' | 'winter-kill' | 'harvest', passes = 1) => ({
  date: '2026-05-20',
  method,
  passes,
  note: '',
})

describe('an ending as an event of the run', () => {
  test('harvest clears all, winter is left to the winter', () => {
    expect(survivalOf(endEvent(deed('harvest'), day, null, ensemble), 20)).toBe(0)
    expect(endEvent(deed('winter-kill'), day, null, ensemble)).toBeNull()
  })
  test('chop and crimp follow stage and plant', () => {
    expect(survivalOf(endEvent(deed('chop'), day, null, ensemble), 65)).toBeCloseTo(0.08)
    expect(survivalOf(endEvent(deed('crimp'), day, null, ensemble), 61, rye)).toBeCloseTo(0.15)
    expect(survivalOf(endEvent(deed('crimp'), day, null, ensemble), 39, rye)).toBeCloseTo(0.8)
  })
  test('a second pass leaves three in ten of the first one’s survivors', () => {
    expect(survivalOf(endEvent(deed('chop', 2), day, null, ensemble), 65)).toBeCloseTo(0.024)
  })
  test('a sheet left longer leaves fewer', () => {
    const after = (days: number) => survivalOf(endEvent(deed('tarp'), day, day + days, ensemble), 40)
    expect(after(30)).toBeLessThan(after(10))
    expect(after(10)).toBeLessThan(1)
  })
})

describe('outcomes', () => {
  const setup = { passes: 1, flattened: true, target: 0.1 }
  test('nothing is ended before anything is up, or outside the run', () => {
    expect(endingOf('chop', run, ensemble, 0, run.startDay + 1, setup)).toEqual({ survival: 1, deadDay: NaN })
    expect(endingOf('crimp', run, ensemble, 0, run.startDay - 5, setup)).toEqual({
      survival: 1,
      deadDay: NaN,
    })
  })
  test('a standing crop under the sheet takes longer than a flattened one', () => {
    const flat = endingOf('tarp', run, ensemble, 3, day, setup).deadDay
    const standing = endingOf('tarp', run, ensemble, 3, day, { ...setup, flattened: false }).deadDay
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
  test('every method names its tools, and any one of them will do', () => {
    for (const method of END_METHODS) {
      expect(methodObstacle(method, testBed, [])).toEqual(
        method.tools.length > 0 ? expect.stringContaining(method.tools[0]) : null,
      )
      if (method.tools.length > 0)
        expect(methodObstacle(method, testBed, [testTool(method.tools.at(-1)!, 20, 20)])).toBeNull()
    }
  })
  test('a tarp may be turned; one of unknown size is trusted', () => {
    const tarp = END_METHODS.find((method) => method.id === 'tarp')!
    expect(methodObstacle(tarp, testBed, [testTool('black tarp', 11, 1.5)])).toBeNull()
    expect(methodObstacle(tarp, testBed, [testTool('black tarp')])).toBeNull()
  })
  test('without anything to flatten with, the sheet needs longer and says so', () => {
    const target = { plantingDay: dayNumber('2026-06-25'), establishment: 'transplant' as const, waitDays: 7 }
    const compare = (tools: Parameters<typeof compareEndings>[4]) =>
      compareEndings(run, ensemble, testBed, 12, tools, target, dayNumber('2026-05-01'), 4).find(
        (option) => option.method === 'tarp',
      )!
    const with_ = compare([testTool('black tarp', 2, 12), testTool('scythe')])
    const without = compare([testTool('black tarp', 2, 12)])
    expect(without.needs.join()).toMatch(/takes longer/)
    expect(without.latestSafeDay ?? -Infinity).toBeLessThanOrEqual(with_.latestSafeDay ?? -Infinity)
  })
  test('a larger bed takes more minutes, in proportion or more', () => {
    const target = { plantingDay: dayNumber('2026-06-25'), establishment: 'transplant' as const, waitDays: 7 }
    const work = (areaM2: number) =>
      compareEndings(
        run,
        ensemble,
        testBed,
        areaM2,
        [testTool('scythe')],
        target,
        dayNumber('2026-05-01'),
        4,
      )[0].minutes
    expect(work(24)).toBeCloseTo(2 * work(12), 6)
  })
})
