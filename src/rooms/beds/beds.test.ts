import { expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { testBed, testCover, testSowing } from '../../core/testing/beds'
import { lineOf, ORDERS } from './useBeds'

const today = dayNumber('2026-05-10')
const planned = (speciesId: string, date: string) =>
  testCover(speciesId, date, { start: { plan: testSowing(date, speciesId), actual: null } })

test('a bed tells what stands in it today and what comes first, and nothing of another bed', () => {
  const stands = [
    testCover('hairy-vetch', '2026-04-01'),
    planned('buckwheat', '2026-07-01'),
    planned('oats', '2026-08-20'),
    testCover('phacelia', '2026-04-01', { bedId: 'another' }),
  ]
  const line = lineOf(testBed, { stands }, today)
  expect(line.now.map(({ id }) => id)).toEqual(['hairy-vetch'])
  expect(line.next?.id).toBe('buckwheat')
  expect(line.nextDay).toBe(dayNumber('2026-07-01'))
  // What was to be sown and never was does not stand there: it comes, today at the soonest.
  const late = lineOf(testBed, { stands: [planned('oats', '2026-04-01')] }, today)
  expect(late.now).toEqual([])
  expect(late).toMatchObject({ next: { id: 'oats' }, nextDay: today })
  // What should have ended stands until it is told to have ended.
  const ending = { date: '2026-05-01', method: 'chop' as const, passes: 1, note: '' }
  const overdue = testCover('oats', '2026-03-01', { end: { plan: ending, actual: null } })
  expect(lineOf(testBed, { stands: [overdue] }, today).now).toEqual([overdue])
  const ended = { ...overdue, end: { plan: ending, actual: ending } }
  expect(lineOf(testBed, { stands: [ended] }, today).now).toEqual([])
})

test('beds are ordered by the walk, by their names as people count, or by what comes first', () => {
  const bed = (label: string, walkOrder: number, nextDay: number | null) => ({
    bed: { ...testBed, label, walkOrder },
    now: [],
    next: null,
    nextDay,
  })
  const beds = [bed('A10', 0, null), bed('A2', 2, today + 30), bed('B1', 1, today + 3)]
  const by = (order: keyof typeof ORDERS) => [...beds].sort(ORDERS[order]).map((line) => line.bed.label)
  expect(by('walk')).toEqual(['A10', 'B1', 'A2'])
  expect(by('bed')).toEqual(['A2', 'A10', 'B1'])
  expect(by('next')).toEqual(['B1', 'A2', 'A10'])
  const cover = testCover('oats', '2026-03-01')
  const grown = [{ ...beds[0], now: [cover] }, beds[1], { ...beds[2], bed: { ...beds[2].bed, lengthM: 30 } }]
  const sorted = (order: keyof typeof ORDERS) => [...grown].sort(ORDERS[order]).map((line) => line.bed.label)
  // Bare ones first; the largest first.
  expect(sorted('now')).toEqual(['B1', 'A2', 'A10'])
  expect(sorted('size')).toEqual(['B1', 'A10', 'A2'])
})
