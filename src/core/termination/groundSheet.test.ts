import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { sheetAim } from '../garden/schema'
import { generatedEnsemble } from '../site/ensemble'
import { TEST_SITES } from '../testing/sites'
import { groundSheet, halfTime } from './groundSheet'

const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, dayNumber('2026-01-01'), 500, 60, 1)
const laid = (
  sheet: 'black' | 'clear',
  aim: (typeof sheetAim.options)[number],
  from: string,
  until: string,
) => groundSheet(ensemble, sheet, aim, dayNumber(from), dayNumber(until))

describe('a sheet on bare or weedy ground', () => {
  test('takes two to three weeks from the flush of a bed in May, and months from sod laid in autumn', () => {
    const flush = laid('black', 'weed flush', '2026-05-05', '2026-05-24')
    expect(flush.done!.p50 - dayNumber('2026-05-05')).toBeGreaterThan(7)
    expect(flush.done!.p50 - dayNumber('2026-05-05')).toBeLessThan(21)
    expect(flush.chance).toBeGreaterThan(0.9)
    const sod = laid('black', 'bunch grass', '2026-10-15', '2026-12-20')
    expect(sod.chance).toBeLessThan(0.2)
    expect(sod.done!.p50).toBeGreaterThan(dayNumber('2027-02-01'))
  })
  test('longer on never makes it less sure, and what is tougher is never sooner', () => {
    const order = ['weed flush', 'weeds', 'bunch grass', 'running grass'] as const
    const chances = order.map((aim) => laid('black', aim, '2026-04-01', '2026-06-15').chance)
    expect([...chances].sort((a, b) => b - a)).toEqual(chances)
    for (const aim of sheetAim.options)
      for (const sheet of ['black', 'clear'] as const)
        expect(laid(sheet, aim, '2026-05-01', '2026-08-01').chance).toBeGreaterThanOrEqual(
          laid(sheet, aim, '2026-05-01', '2026-06-01').chance,
        )
  })
  test('clear film does nothing in winter', () => {
    expect(laid('clear', 'weed flush', '2026-01-10', '2026-02-20').chance).toBe(0)
    expect(laid('clear', 'weed flush', '2026-06-20', '2026-07-20').chance).toBeGreaterThan(0.5)
  })
  test('what lies for weeks is looked at half way', () => {
    expect(halfTime(100, 120)).toBeNull()
    expect(halfTime(100, 160)).toBe(130)
  })
})
