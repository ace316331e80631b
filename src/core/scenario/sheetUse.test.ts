import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber, isoDate } from '../foundations/day'
import type { Bed, GardenData, Stand } from '../garden/schema'
import { testBed, testCover, testTool } from '../testing/beds'
import { sheetClashes, sheetUses } from './sheetUse'

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
