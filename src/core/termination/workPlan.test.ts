import { describe, expect, test } from '@jest/globals'
import { testTool } from '../testing/beds'
import { woodiness } from './woodiness'
import { cuttingTool } from './workRates'
import { BODY_KG, boardPlan } from './board'
import { cardboardPlan, coverPlan, cutHeight, lanePlan, sheetPlan, volumeFor } from './workPlan'

const bed = { lengthM: 10, widthM: 1.2 }
const board = (lengthM: number) => ({ lengthM, loadKg: BODY_KG })

describe('work plans by hand', () => {
  test('a 1.2 m board makes one run of forty steps; a 0.6 m board two runs and more weight on its edge', () => {
    expect(boardPlan(bed, board(1.2), 'in-ground')).toMatchObject({ runs: 1, steps: 40, tooLong: false })
    const short = boardPlan(bed, board(0.6), 'in-ground')
    expect(short).toMatchObject({ runs: 2, steps: 80 })
    expect(short.kgPerM).toBeCloseTo(125, 6)
    expect(boardPlan(bed, board(1.2), 'in-ground').tooLight).toBe(true)
  })
  test('in a frame the board must be shorter than the frame is wide', () => {
    expect(boardPlan(bed, board(1.3), 'framed').tooLong).toBe(true)
    expect(boardPlan(bed, board(1.3), 'framed').bestM).toBeCloseTo(1.16, 6)
    expect(boardPlan(bed, board(1.3), 'in-ground').tooLong).toBe(false)
  })
  test('the smallest sheet that covers is taken, with a weight every metre all round', () => {
    const sheets = [testTool('black tarp', 4, 20), testTool('black tarp', 2, 11)]
    const plan = sheetPlan(bed, sheets, 'black')
    expect(plan.sheet).toEqual({ alongM: 11, acrossM: 2 })
    expect(plan.overAlongM).toBeCloseTo(0.5, 9)
    expect(plan.overAcrossM).toBeCloseTo(0.4, 9)
    expect(plan).toMatchObject({ weightsLong: 12, weightsShort: 1, weights: 26 })
    expect(plan.waterL).toBeCloseTo(12 * 12, 6)
    expect(sheetPlan(bed, sheets, 'clear').waterL).toBeCloseTo(30 * 12, 6)
  })
  test('without a sheet that covers, the wanted size is told', () => {
    const plan = sheetPlan(bed, [testTool('black tarp', 2, 6)], 'black')
    expect(plan.sheet).toBeNull()
    expect([plan.wantedAlongM, plan.wantedAcrossM]).toEqual([expect.closeTo(10.4, 9), expect.closeTo(1.6, 9)])
  })
  test('two sheets do what one cannot, overlapped by 40 cm; never two that are too narrow', () => {
    const pair = [testTool('black tarp', 2, 6), testTool('black tarp', 1.5, 5)]
    const plan = sheetPlan(bed, pair, 'black')
    expect(plan.sheet).toEqual({ alongM: expect.closeTo(10.6, 9), acrossM: 1.5 })
    expect(plan.overlapM).toBe(0.4)
    const narrow = [testTool('black tarp', 1, 6), testTool('black tarp', 1, 6)]
    expect(sheetPlan(bed, narrow, 'black').sheet).toBeNull()
    const short = [testTool('black tarp', 2, 5), testTool('black tarp', 2, 5)]
    expect(sheetPlan(bed, short, 'black').sheet).toBeNull()
  })
  test('three lie end to end where two are too short, two side by side where one is too narrow; never more than are wanted', () => {
    const long = { lengthM: 16, widthM: 1.2 }
    const three = [1, 2, 3, 4].map(() => testTool('black tarp', 1.5, 6))
    const plan = sheetPlan(long, three, 'black')
    expect(plan).toMatchObject({
      pieces: 3,
      lie: 'along',
      sheet: { alongM: expect.closeTo(17.2, 9), acrossM: 1.5 },
    })
    expect(sheetPlan(long, three.slice(0, 2), 'black').sheet).toBeNull()
    const block = { lengthM: 10, widthM: 2.5 }
    const wide = sheetPlan(block, [testTool('black tarp', 1.6, 12), testTool('black tarp', 1.6, 11)], 'black')
    expect(wide).toMatchObject({
      pieces: 2,
      lie: 'across',
      sheet: { alongM: 11, acrossM: expect.closeTo(2.8, 9) },
    })
    expect(
      sheetPlan(block, [testTool('black tarp', 1.4, 12), testTool('black tarp', 1.4, 12)], 'black').sheet,
    ).toBeNull()
  })
  test('boxes overlap by 15 cm and reach over the ground', () => {
    const plan = cardboardPlan(bed)
    expect(plan.columns * (1.1 - 0.15) + 0.15).toBeGreaterThanOrEqual(10)
    expect(plan.rows * (0.7 - 0.15) + 0.15).toBeGreaterThanOrEqual(1.2)
    expect(plan.sheets).toBe(plan.rows * plan.columns)
  })
  test('compost: 6 cm over soft annuals, 12 over tillering grasses, in barrows of 80 litres', () => {
    expect(coverPlan(12, ['pea'])).toEqual({ depthM: 0.06, volumeM3: expect.closeTo(0.72, 9), barrows: 9 })
    expect(coverPlan(12, ['pea', 'winter cereal']).depthM).toBe(0.12)
    expect(volumeFor(10, 0.025).volumeM3).toBeCloseTo(0.25, 9)
  })
  test('strips share the length and follow each other', () => {
    expect(lanePlan(bed, 100, 4, 7)).toEqual(
      [0, 1, 2, 3].map((i) => ({ order: i + 1, fromM: 2.5 * i, toM: 2.5 * (i + 1), day: 100 + 7 * i })),
    )
  })
  test('every class is cut lower to end it than to let it live', () => {
    for (const kind of [
      'winter cereal',
      'perennial clover',
      'vetch',
      'faba',
      'brassica',
      'buckwheat',
    ] as const)
      expect(cutHeight(kind).endM).toBeLessThan(cutHeight(kind).liveM)
    expect(cutHeight('brassica').endM).toBe(0)
  })
})

describe('hard stems', () => {
  test('they come with stage and height, never go', () => {
    for (let bbch = 20; bbch < 90; bbch += 5) {
      expect(woodiness('sorghum', bbch + 5, 1)).toBeGreaterThanOrEqual(woodiness('sorghum', bbch, 1))
      expect(woodiness('sorghum', bbch, 1.2)).toBeGreaterThanOrEqual(woodiness('sorghum', bbch, 0.4))
    }
  })
  test('the quickest owned tool that still cuts is named; none when all are too weak', () => {
    const owned = [testTool('hand shears'), testTool('scythe')]
    expect(cuttingTool(owned, 0.2, { areaM2: 12, widthM: 1.2 })).toBe('scythe')
    expect(cuttingTool(owned, 0.58, { areaM2: 12, widthM: 1.2 })).toBe('hand shears')
    expect(cuttingTool(owned, 0.8, { areaM2: 12, widthM: 1.2 })).toBeNull()
    expect(cuttingTool([], 0.1, { areaM2: 12, widthM: 1.2 })).toBeNull()
  })
})
