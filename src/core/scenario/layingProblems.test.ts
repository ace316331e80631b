import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { clearing, cropContent, cropStand, planting } from '../garden/newStands'
import { FRESH_STAND } from '../garden/fresh'
import type { GardenData, Stand } from '../garden/schema'
import { bareWindows } from '../garden/windows'
import { expectedStands } from '../garden/timeline'
import { nextStand } from '../season/followers'
import { beforeOn, standCaseOf } from '../season/standCase'
import { occupantsOf } from '../season/occupied'
import { yearsPastLife } from '../garden/tool'
import { testBed, testCover, testTool } from '../testing/beds'
import { freeFrom, layingProblems, offBy } from './layingProblems'
import { sheetClashes, sheetUses } from './sheetUse'

const today = dayNumber('2026-04-20')
const sheet = (from: string, until: string, own: Partial<Stand> = {}): Stand => ({
  ...FRESH_STAND,
  id: 'sheet',
  gardenId: testBed.gardenId,
  bedId: testBed.id,
  segment: { kind: 'whole' },
  content: { kind: 'sheet', sheet: 'black', aim: 'weeds' },
  start: { plan: planting(from), actual: null },
  end: { plan: clearing(until), actual: null },
  ...own,
})
const tomato = cropStand(
  { id: 'tomato', gardenId: testBed.gardenId, bedId: testBed.id },
  cropContent('tomato', 'transplant'),
  { plan: planting('2026-06-01'), actual: null },
  120,
)
const tarp = { ...testTool('black tarp', 4, 30), id: 'tarp' }
const dataOf = (stands: Stand[], tools: object[] = [tarp], beds = [testBed]) =>
  ({ garden: { tools, mulch: [], mulchLaid: [] }, beds, stands, checks: [] }) as unknown as GardenData

describe('a sheet on ground without a cover', () => {
  test('is refused where something stands, or begins before it comes off', () => {
    const rye = testCover('cereal-rye', '2025-09-20', {
      end: { plan: { date: '2026-05-10', method: 'chop', passes: 1, note: '' }, actual: null },
    })
    const problems = layingProblems(dataOf([rye, tomato]), sheet('2026-05-01', '2026-06-05'), today)
    expect(problems).toMatchObject([
      { kind: 'stands', stand: { id: rye.id }, untilDay: dayNumber('2026-05-10') },
      { kind: 'begins', stand: { id: 'tomato' }, day: dayNumber('2026-06-01') },
    ])
    expect(layingProblems(dataOf([rye, tomato]), sheet('2026-05-10', '2026-06-01'), today)).toEqual([])
  })
  test('is not laid over plants that are kept; beside them it is', () => {
    const place = { fromM: 0, toM: 1, fromAcrossM: 0, toAcrossM: testBed.widthM }
    const rhubarb = { id: 'r', kind: 'kept plant' as const, label: 'Rhubarb', areaM2: 1, place }
    const data = dataOf([], [tarp], [{ ...testBed, fixtures: [rhubarb] }])
    const laying = (own: Partial<Stand> = {}) =>
      layingProblems(data, sheet('2026-05-01', '2026-05-30', own), today)
    expect(laying()).toEqual([{ kind: 'kept', labels: ['Rhubarb'] }])
    expect(laying({ segment: { kind: 'half', which: 'second' } })).toEqual([])
  })
  test('tells a sheet that is missing, lies elsewhere, or is past its life', () => {
    const other = { ...testBed, id: 'B', label: 'B' }
    const there = sheet('2026-04-25', '2026-05-20', { id: 'there', bedId: 'B' })
    const laying = sheet('2026-05-01', '2026-05-30')
    expect(layingProblems(dataOf([], []), laying, today)).toMatchObject([{ kind: 'none fits' }])
    expect(layingProblems(dataOf([there], [tarp], [testBed, other]), laying, today)).toMatchObject([
      { kind: 'elsewhere', with: [{ stand: { id: 'there' } }], freeDay: dayNumber('2026-05-20') },
    ])
    const old = layingProblems(dataOf([], [{ ...tarp, boughtIn: 2016 }]), laying, today)
    expect(old).toMatchObject([{ kind: 'old', years: 4 }])
    expect(yearsPastLife({ kind: 'clear film', boughtIn: 2025 }, 2026)).toBe(0)
    expect(yearsPastLife({ kind: 'rake', boughtIn: 1990 }, 2026)).toBe(0)
  })
  test('comes off by what begins next', () => {
    expect(freeFrom([sheet('2026-04-20', '2026-05-02')], testBed.id, today)).toBe(dayNumber('2026-05-02'))
    expect(freeFrom([tomato], testBed.id, today)).toBe(today)
    expect(offBy(dataOf([tomato]), testBed.id, today)).toBe(dayNumber('2026-06-01'))
    expect(offBy(dataOf([tomato]), testBed.id, dayNumber('2026-06-02'))).toBeNull()
  })
  test('lies like an ending’s sheet: the same sheet is not on two beds on one day', () => {
    const laid = sheet('2026-05-01', '2026-05-30')
    const rye = testCover('cereal-rye', '2025-09-20', {
      id: 'rye',
      bedId: 'B',
      end: { plan: { date: '2026-05-10', method: 'tarp', passes: 1, note: '' }, actual: null },
    })
    const uses = sheetUses(dataOf([laid, rye], [tarp], [testBed, { ...testBed, id: 'B' }]), today)
    expect(uses.map(({ stand, sheets }) => [stand.id, sheets?.length ?? 0])).toEqual([
      ['sheet', 1],
      ['rye', 0],
    ])
    expect(sheetClashes(uses)).toHaveLength(1)
  })
})

describe('the rest of the plan with such a sheet', () => {
  const laid = sheet('2026-05-01', '2026-05-30')
  const rye = testCover('cereal-rye', '2025-09-20', {
    id: 'rye',
    end: { plan: null, actual: { date: '2026-04-10', method: 'chop', passes: 1, note: '' } },
  })
  const data = dataOf([rye, laid, tomato])
  test('a cover is still followed by the crop, which finds the cover before it', () => {
    expect(nextStand(data, rye)!.id).toBe('tomato')
    const before = beforeOn(data, testBed, { kind: 'whole' }, dayNumber('2026-06-01'), 'tomato')
    expect(before.map(({ kind }) => kind)).toEqual(['cover', 'bare'])
    expect(standCaseOf(data, rye)!.sheets).toMatchObject([{ kind: 'black', day: dayNumber('2026-05-01') }])
  })
  test('a sheet on a half is nothing to all of the bed, and all to its half', () => {
    const half = { kind: 'half', which: 'first' } as const
    const parted = dataOf([rye, { ...laid, segment: half }, tomato])
    const day = dayNumber('2026-06-01')
    const kinds = (segment: Parameters<typeof beforeOn>[2]) =>
      beforeOn(parted, testBed, segment, day, 'tomato').map(({ kind }) => kind)
    expect(kinds({ kind: 'whole' })).toEqual(['cover'])
    expect(kinds(half)).toEqual(['cover', 'bare'])
    expect(standCaseOf(parted, rye)!.sheets).toBeUndefined()
  })
  test('ground under it is not bare, and what begins there finds it', () => {
    const from = dayNumber('2026-04-01')
    const windows = bareWindows(testBed, [laid, tomato], from, dayNumber('2026-08-01'))
    expect(
      windows.map(({ freeFromDay, neededByDay }) => [isoDate(freeFromDay), isoDate(neededByDay)]),
    ).toEqual([['2026-04-01', '2026-05-01']])
    const found = occupantsOf([laid], testBed, { ...tomato, underStandId: null }, dayNumber('2026-05-10'))
    expect(found.map(({ stand, usual, open }) => [stand.id, usual, open])).toEqual([
      ['sheet', 'ends then', ['ends then']],
    ])
  })
  test('one planned for a day gone by is expected today', () => {
    const [late] = expectedStands([sheet('2026-04-01', '2026-04-15')], today)
    expect(late.start.plan!.date).toBe('2026-04-20')
  })
})
