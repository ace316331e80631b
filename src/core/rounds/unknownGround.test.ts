import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { testBed, testCover } from '../testing/beds'
import { unknownGround } from './unknownGround'

const today = dayNumber('2026-11-29')
const beds = [
  { ...testBed, id: 'b2', walkOrder: 2 },
  { ...testBed, id: 'b1', walkOrder: 1 },
]
const stand = (own: Partial<Stand> = {}): Stand => ({
  ...testCover('cereal-rye', '2026-05-10'),
  bedId: 'b1',
  end: { plan: null, actual: null },
  ...own,
})
const ended = (date: string): Stand =>
  stand({ end: { plan: null, actual: { date, method: 'chop', passes: 1, note: '' } } })
const asked = (...stands: Stand[]) => unknownGround(beds, stands, today).map(({ id }) => id)

test('ground is asked about where nothing stands and nothing was ended lately, as the beds are walked', () => {
  expect(asked()).toEqual(['b1', 'b2'])
  expect(asked(stand())).toEqual(['b2'])
  expect(asked(ended('2026-11-29'))).toEqual(['b2'])
  expect(asked(ended('2026-10-15'))).toEqual(['b2'])
  expect(asked(ended('2026-08-01'))).toEqual(['b1', 'b2'])
})

test('what should have ended by now stands until it is told; a plan ahead tells nothing of today', () => {
  const plan = { date: '2026-11-01', method: 'chop' as const, passes: 1, note: '' }
  expect(asked(stand({ end: { plan, actual: null } }))).toEqual(['b2'])
  const start = stand().start.actual!
  expect(asked(stand({ start: { plan: { ...start, date: '2026-12-20' }, actual: null } }))).toEqual([
    'b1',
    'b2',
  ])
})
