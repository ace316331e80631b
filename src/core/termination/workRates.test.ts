import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { testCover, testTool } from '../testing/beds'
import { underBoard, walkedOn, boardOf, edgeKgPerM, BODY_KG } from './board'
import { METHODS } from './methods'
import { chopSurvivalAt, crimpSurvival } from './survival'
import { CRIMPS, ownMinutes, quickestTool, toolMinutes, usualMinutes, WORK_RATES } from './workRates'

/** A bed of 1.2 m and an area. */
const bed = (areaM2: number) => ({ areaM2, widthM: 1.2 })

describe('work rates', () => {
  test('a machine goes in lanes of its width: a wider one is quicker, but not on a bed that is narrower than either', () => {
    const minutes = (widthM: number, groundM: number) =>
      toolMinutes('flail mower', { areaM2: 240, widthM: groundM }, [testTool('flail mower', widthM)])
    expect(minutes(1.2, 12)).toBeLessThan(minutes(0.6, 12))
    expect(minutes(1.2, 0.6)).toBeCloseTo(minutes(0.6, 0.6), 9)
    // A hand's breadth more than the machine asks for a second lane.
    const ready = WORK_RATES['flail mower'].setUpMinutes
    expect(minutes(1.2, 1.3) - ready).toBeGreaterThan(1.8 * (minutes(1.2, 1.2) - ready))
    const told = { ...testTool('flail mower', 0.6), m2PerHour: 2000 }
    expect(toolMinutes('flail mower', bed(100), [told])).toBeCloseTo(
      WORK_RATES['flail mower'].setUpMinutes + 3,
      9,
    )
  })
  test('a roller is taken before a board, wherever one is owned; with neither it is the board that is soonest ready', () => {
    expect(quickestTool(CRIMPS, bed(4), [testTool('crimp board'), testTool('roller crimper')])).toBe(
      'roller crimper',
    )
    expect(quickestTool(CRIMPS, bed(4), [])).toBe('crimp board')
    expect(boardOf([testTool('crimp board', 1.2), testTool('roller crimper')])).toBeUndefined()
  })
  test('getting ready grows with beds, work with ground', () => {
    const one = toolMinutes('scythe', bed(10), [])
    expect(one).toBeCloseTo(WORK_RATES.scythe.setUpMinutes + (60 * 10) / 150, 9)
    expect(toolMinutes('scythe', bed(20), [])).toBeLessThan(2 * one)
  })
  test('the owner’s own rate goes before the usual one; of two the quicker', () => {
    const owned = [
      { ...testTool('scythe'), m2PerHour: 60 },
      { ...testTool('scythe'), m2PerHour: 300 },
    ]
    expect(toolMinutes('scythe', bed(10), owned)).toBeCloseTo(WORK_RATES.scythe.setUpMinutes + 2, 9)
  })
  test('a tiller is taken where one is owned, a fork where nothing is; on a small bed the fork is sooner ready', () => {
    const group = ['spade or fork', 'tiller'] as const
    const both = [testTool('tiller'), testTool('spade or fork')]
    expect(quickestTool(group, bed(20), both)).toBe('tiller')
    expect(quickestTool(group, bed(0.5), both)).toBe('spade or fork')
    expect(quickestTool(group, bed(20), [])).toBe('spade or fork')
  })
  test('only waiting costs nothing', () => {
    for (const method of METHODS) {
      const spent = usualMinutes(method, bed(10))
      if (method.waits) expect(spent).toBe(0)
      else expect(spent).toBeGreaterThan(0)
    }
  })
  test('what endings took is told per m² and pass, the middle of them', () => {
    const ended = (minutes: number | undefined, passes = 1) =>
      testCover('cereal-rye', '2025-09-20', {
        end: { plan: null, actual: { date: '2026-06-01', method: 'chop', passes, note: '', minutes } },
      })
    const stands = [ended(20), ended(60, 2), ended(40), ended(undefined)]
    expect(ownMinutes(stands, () => 10).chop).toBeCloseTo(3, 9)
    expect(ownMinutes([ended(undefined)], () => 10)).toEqual({})
    expect(ownMinutes(stands, () => null)).toEqual({})
  })
})

describe('a crimp board', () => {
  test('brings its load on the edge that lies on the bed', () => {
    expect(edgeKgPerM({ lengthM: 0.6, loadKg: 75 }, 1.2)).toBeCloseTo(125, 9)
    expect(edgeKgPerM({ lengthM: 1.5, loadKg: 75 }, 0.75)).toBeCloseTo(100, 9)
    expect(edgeKgPerM({ lengthM: null, loadKg: 90 }, 0.75)).toBeCloseTo(120, 9)
  })
  test('is the longest owned, with the weight its owner says', () => {
    expect(boardOf([])).toEqual({ lengthM: null, loadKg: BODY_KG })
    const heavy = { ...testTool('crimp board', 1), loadKg: 140 }
    expect(boardOf([testTool('crimp board', 0.6), heavy])).toEqual({ lengthM: 1, loadKg: 140 })
  })
  test('does as a heavy roller under 100 kg a metre, as feet under 20, and never better or worse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 400 }),
        (rolled, kg) => {
          const left = underBoard(rolled, kg)
          expect(left).toBeGreaterThanOrEqual(rolled - 1e-12)
          expect(left).toBeLessThanOrEqual(walkedOn(rolled) + 1e-12)
          expect(left).toBeGreaterThanOrEqual(underBoard(rolled, kg + 10) - 1e-12)
        },
      ),
    )
    const rye = crimpSurvival('winter cereal', 61)
    expect(underBoard(rye, 130)).toBeCloseTo(0.15, 9)
    expect(underBoard(rye, 60)).toBeCloseTo(0.32, 9)
    expect(underBoard(rye, 10)).toBeCloseTo(0.49, 9)
  })
})

describe('stubble', () => {
  test('a hay cut of rye at pollen leaves 12 in 100; leafy rye cut as high lives', () => {
    expect(chopSurvivalAt('winter cereal', 65, 0.08)).toBeCloseTo(0.12, 2)
    expect(chopSurvivalAt('winter cereal', 31, 0.08)).toBeGreaterThan(0.9)
  })
  test('vetch cut high at bloom has its buds left', () => {
    expect(chopSurvivalAt('vetch', 65, 0.1)).toBeGreaterThan(0.6)
  })
})
