import { describe, expect, test } from '@jest/globals'
import { dayNumber, startOfWeek } from '../../core/foundations/day'
import type { GardenData } from '../../core/garden/schema'
import { expectedStands } from '../../core/garden/timeline'
import { bareWindows } from '../../core/garden/windows'
import { harrierPoint } from '../../demo/harrierPoint'
import { marlpitLane } from '../../demo/marlpitLane'
import { standsOnCloth } from '../../parts/weave/standsOnCloth'
import { LOOM_WEEKS, WEEKS_BEFORE_TODAY } from '../../state/season'
import { clipToSheet, layoutLoom, yOfDay } from './layout'
import { ledgerOf } from './ledger'
import { spotAt } from './useCursor'
import type { Loom } from './useLoom'

function sheetOf(data: GardenData, todayIso: string): Loom {
  const today = dayNumber(todayIso)
  const firstDay = startOfWeek(today) - WEEKS_BEFORE_TODAY * 7
  const lastDay = firstDay + LOOM_WEEKS * 7
  const stands = expectedStands(data.stands, today)
  const beds = data.beds.map((bed) => ({
    bed,
    stands: standsOnCloth(stands, bed, lastDay),
    windows: bareWindows(bed, stands, firstDay, lastDay),
    lights: [],
  }))
  const sections = data.garden.sections.map((section) => ({
    ...section,
    beds: beds.filter((entry) => entry.bed.sectionId === section.id),
  }))
  return { firstDay, lastDay, today, sections, beds }
}

const marlpit = sheetOf(marlpitLane(), '2026-04-20')
const columnOf = (loom: Loom, label: string) => loom.beds.findIndex((entry) => entry.bed.label === label)

describe('layout', () => {
  test('fourteen beds in four sections fit 1280 px, columns of whole threads, none overlapping', () => {
    const layout = layoutLoom(marlpit, 1248, 800)
    expect(layout.width).toBeLessThanOrEqual(1248)
    expect(layout.sections).toHaveLength(4)
    expect(layout.height).toBeLessThan(640)
    layout.columns.forEach((column, i) => {
      expect(column.width % 3).toBe(0)
      if (i > 0)
        expect(column.left).toBeGreaterThanOrEqual(layout.columns[i - 1].left + layout.columns[i - 1].width)
    })
  })
  test('few beds get wide columns, many keep a width that carries a name', () => {
    const home = layoutLoom(sheetOf(harrierPoint(), '2026-09-28'), 1248, 800)
    expect(home.columns[0].width).toBeGreaterThan(120)
    const many = {
      ...marlpit,
      beds: Array.from({ length: 15 }, () => marlpit.beds).flat(),
      sections: Array.from({ length: 15 }, () => marlpit.sections).flat(),
    }
    const wide = layoutLoom(many, 1248, 800)
    expect(wide.columns[0].width).toBeGreaterThanOrEqual(57)
    expect(wide.width).toBeGreaterThan(1248)
  })
  test('days run down the sheet; stretches outside it are left out', () => {
    const layout = layoutLoom(marlpit, 1248, 800)
    expect(yOfDay(layout, marlpit, marlpit.firstDay)).toBe(0)
    expect(yOfDay(layout, marlpit, marlpit.lastDay)).toBeCloseTo(layout.height)
    expect(clipToSheet(layout, marlpit, marlpit.firstDay - 90, marlpit.firstDay - 30)).toBeNull()
    expect(clipToSheet(layout, marlpit, marlpit.firstDay - 90, marlpit.firstDay + 70)).toEqual({
      top: 0,
      bottom: expect.closeTo(layout.rowPx * 10, 6),
    })
  })
})

describe('ledger', () => {
  test('counts beds covered today, bare weeks ahead and those long enough to fill', () => {
    const ledger = ledgerOf(marlpit)
    expect(ledger.beds).toBe(14)
    expect(ledger.covered).toBe(13)
    expect(ledger.fillableWeeks).toBeLessThanOrEqual(ledger.bareWeeks)
    expect(ledger.fillableWeeks).toBeGreaterThan(0)
  })
  test('names the next thing due, never one that is done', () => {
    const { next } = ledgerOf(marlpit)
    expect(next).toEqual({ text: 'tarp rye in L4', day: dayNumber('2026-05-06') })
    const data = marlpitLane()
    const done = data.stands.map((stand) =>
      stand.id.endsWith('10') ? { ...stand, end: { ...stand.end, actual: stand.end.plan } } : stand,
    )
    expect(ledgerOf(sheetOf({ ...data, stands: done }, '2026-04-20')).next?.text).not.toBe('tarp rye in L4')
  })
  test('an overdue plan is due today', () => {
    expect(ledgerOf(sheetOf(marlpitLane(), '2026-05-20')).next?.day).toBe(dayNumber('2026-05-20'))
  })
  test('a garden with nothing planned is bare to the end of the sheet', () => {
    const empty = sheetOf({ ...harrierPoint(), stands: [] }, '2026-09-28')
    const ledger = ledgerOf(empty)
    expect(ledger.covered).toBe(0)
    expect(ledger.next).toBeNull()
    expect(ledger.bareWeeks).toBe(6 * (LOOM_WEEKS - WEEKS_BEFORE_TODAY))
  })
})

describe('what lies under the cursor', () => {
  test('a bare week finds its window, a covered one its stand', () => {
    const bare = spotAt(marlpit, { column: columnOf(marlpit, 'P3'), day: startOfWeek(marlpit.today) })!
    expect(bare.stand).toBeNull()
    expect(bare.window?.neededByDay).toBe(dayNumber('2026-06-26'))
    const covered = spotAt(marlpit, { column: columnOf(marlpit, 'L2'), day: startOfWeek(marlpit.today) })!
    expect(covered.stand?.stand.content.kind).toBe('cover')
    expect(covered.window).toBeNull()
  })
  test('beyond the last bed there is nothing', () => {
    expect(spotAt(marlpit, { column: 99, day: marlpit.today })).toBeNull()
  })
})
