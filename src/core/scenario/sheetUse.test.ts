import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber, isoDate } from '../foundations/day'
import type { Bed, GardenData, Stand } from '../garden/schema'
import { testBed, testCover, testTool } from '../testing/beds'
import { cropContent, cropStand, planting } from '../garden/newStands'
import { findCrop } from '../plants/crops'
import { cropsCarried, sheetClashes, sheetUses } from './sheetUse'

const bed = (id: string, lengthM = 10): Bed => ({ ...testBed, id, label: id, lengthM, widthM: 1.2 })
const tarped = (bedId: string, date: string, own: Partial<Stand> = {}): Stand => ({
  ...testCover('cereal-rye', '2025-09-20', {
    end: { plan: { date, method: 'tarp', passes: 1, note: '' }, actual: null },
    ...own,
  }),
  id: `rye ${bedId}`,
  bedId,
})
const gardenOf = (stands: Stand[], tools: object[], beds = [bed('A'), bed('B'), bed('C')]) =>
  ({ garden: { tools }, beds, stands }) as unknown as GardenData
const today = dayNumber('2026-04-20')
const small = { ...testTool('black tarp', 2, 12), id: 'small' }
const large = { ...testTool('black tarp', 4, 25), id: 'large' }

describe('where sheets lie', () => {
  test('each bed gets the smallest that is free and covers it', () => {
    const [a, b] = sheetUses(
      gardenOf([tarped('A', '2026-05-01'), tarped('B', '2026-05-10')], [large, small]),
      today,
    )
    expect(a.sheets).toEqual([small])
    expect(b.sheets).toEqual([large])
  })
  test('two beds that want one sheet in the same days are told, with the other', () => {
    const uses = sheetUses(gardenOf([tarped('A', '2026-05-01'), tarped('B', '2026-05-10')], [small]), today)
    const [{ use, with: others }] = sheetClashes(uses)
    expect(use.stand.bedId).toBe('B')
    expect(others.map(({ stand }) => stand.bedId)).toEqual(['A'])
    const later = sheetUses(gardenOf([tarped('A', '2026-05-01'), tarped('B', '2026-08-10')], [small]), today)
    expect(sheetClashes(later)).toEqual([])
  })
  test('what lies already keeps its sheet before what is planned, and one lifted is free', () => {
    const lying = (liftedOn?: string) =>
      tarped('B', '', {
        end: { plan: null, actual: { date: '2026-04-10', method: 'tarp', passes: 1, note: '', liftedOn } },
      })
    const planned = tarped('A', '2026-04-21')
    const both = sheetUses(gardenOf([planned, lying()], [small]), today)
    expect(both.find(({ stand }) => stand.bedId === 'B')!.sheets).toEqual([small])
    expect(sheetClashes(both).map(({ use }) => use.stand.bedId)).toEqual(['A'])
    expect(sheetClashes(sheetUses(gardenOf([planned, lying('2026-04-19')], [small]), today))).toEqual([])
  })
  test('a bed that no sheet covers has none, whatever is free', () => {
    const [long] = sheetUses(gardenOf([tarped('A', '2026-05-01')], [small], [bed('A', 60)]), today)
    expect(long.sheets).toBeNull()
    // Waiting for another bed would not help it.
    const beds = [bed('A', 60), bed('B')]
    const uses = sheetUses(
      gardenOf([tarped('A', '2026-05-01'), tarped('B', '2026-05-02')], [small], beds),
      today,
    )
    expect(sheetClashes(uses)).toMatchObject([{ use: { fits: false }, with: [] }])
  })
  test('no sheet ever lies on two beds on one day', () => {
    const plans = fc.array(fc.integer({ min: 0, max: 90 }), { minLength: 1, maxLength: 6 })
    fc.assert(
      fc.property(plans, (days) => {
        const beds = days.map((_, i) => bed(`${i}`))
        const stands = days.map((day, i) => tarped(`${i}`, isoDate(today + 1 + day)))
        const uses = sheetUses(gardenOf(stands, [small, large], beds), today)
        expect(uses).toHaveLength(days.length)
        for (const a of uses)
          for (const b of uses)
            if (a !== b && a.fromDay < b.untilDay && b.fromDay < a.untilDay)
              for (const sheet of a.sheets ?? []) expect(b.sheets ?? []).not.toContain(sheet)
      }),
    )
  })
})

describe('film and fabric with holes', () => {
  const piece = (id: string, own: object = {}) => ({ ...testTool('woven fabric', 1.3, 12), id, ...own })
  const through = (bedId: string, cropId: string, date: string, done = false): Stand =>
    cropStand(
      { id: `${cropId} ${bedId}`, gardenId: 'g', bedId },
      cropContent(cropId, 'transplant', { plantingMethod: 'film' }),
      { plan: planting(date), actual: done ? planting(date) : null },
      90,
    )
  const crop = findCrop('squash')!
  const fitting = piece('fitting', { holesM: crop.plantCm / 100 })
  const wrong = piece('wrong', { holesM: (crop.plantCm / 100) * 0.5 })
  const whole = piece('whole')

  test('the holes decide: those that fit before a piece that has none, never those that do not', () => {
    const on = (tools: object[]) =>
      sheetUses(gardenOf([through('A', 'squash', '2026-06-01')], tools), today)[0]
    expect(on([wrong, whole, fitting]).sheets).toEqual([fitting])
    expect(on([wrong, whole]).sheets).toEqual([whole])
    expect(on([wrong])).toMatchObject({ sheets: null, fits: false })
    // One who owns none buys by the roll, and is told nothing.
    expect(on([small])).toBeUndefined()
  })
  test('a piece lies on one bed at a time, until its crop is cleared, and has carried those that were planted', () => {
    const a = through('A', 'squash', '2026-06-01')
    const b = through('B', 'squash', '2026-06-20')
    const uses = sheetUses(gardenOf([a, b], [fitting]), today)
    expect(uses.map(({ sheets }) => sheets?.length ?? 0)).toEqual([1, 0])
    expect(sheetClashes(uses)).toMatchObject([
      { use: { stand: { bedId: 'B' } }, with: [{ stand: { bedId: 'A' } }] },
    ])
    const past = [through('A', 'squash', '2024-06-01', true), through('A', 'squash', '2025-06-01', true)]
    expect(cropsCarried(gardenOf([...past, a], [fitting]), fitting)).toBe(2)
    expect(cropsCarried(gardenOf([a], [fitting]), fitting)).toBe(0)
  })
  test('a tarp is not planted through, nor fabric with holes laid to kill', () => {
    const [tarp] = sheetUses(gardenOf([tarped('A', '2026-05-01')], [fitting, small]), today)
    expect(tarp.sheets).toEqual([small])
    expect(sheetUses(gardenOf([tarped('A', '2026-05-01')], [fitting]), today)[0].sheets).toBeNull()
  })
})
