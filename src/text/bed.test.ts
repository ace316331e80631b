import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import type { Segment, Stand } from '../core/garden/schema'
import { testCover } from '../core/testing/beds'
import { lastTime, nextDeed, placeText } from './bed'

const today = dayNumber('2026-05-01')
const ending = (date: string, method: 'crimp' | 'winter-kill' = 'crimp') => ({
  date,
  method,
  passes: 1,
  note: '',
})
const rye = (end: Stand['end'], own: Partial<Stand> = {}) =>
  testCover('cereal-rye', '2025-09-20', { end, ...own })

describe('what is to be done at the bed', () => {
  test.each([
    [rye({ plan: ending('2026-06-12'), actual: null }), /^Wait until .*Jun.*, then crimp\.$/],
    [rye({ plan: ending('2026-04-20'), actual: null }), /^Crimp now; it was planned for .*Apr/],
    [rye({ plan: ending('2026-01-20', 'winter-kill'), actual: null }), /^Wait: winter-kill is to end it/],
    [rye({ plan: null, actual: null }), /not planned yet/],
    [rye({ plan: null, actual: ending('2026-04-20') }), /^Ended by crimp on .*If it stands again/],
  ])('is said in a sentence', (stand, words) => expect(nextDeed(stand, today)).toMatch(words))
  const mown = (date: string, done = false, fate: 'dropped' | 'grazed' = 'dropped') => {
    const cut = { date, heightCm: 8, groundShare: 1, fate, note: '' }
    const cuts = [{ id: date, cut: done ? { plan: cut, actual: cut } : { plan: cut, actual: null } }]
    return rye({ plan: ending('2026-06-12'), actual: null }, { cuts })
  }
  test('a mowing before the end comes first, until it is made', () => {
    expect(nextDeed(mown('2026-05-20'), today)).toMatch(
      /^Wait until .*20.*, then mow it; its end is planned for .*12/,
    )
    expect(nextDeed(mown('2026-04-28'), today)).toMatch(/^Mow it now; it was planned for .*28/)
    expect(nextDeed(mown('2026-05-20', false, 'grazed'), today)).toMatch(/then graze it/)
    expect(nextDeed(mown('2026-04-28', true), today)).toMatch(/^Wait until .*Jun.*, then crimp\.$/)
  })
  test('what sows itself is not to be sown', () => {
    const { actual } = rye({ plan: null, actual: null }).start
    const start = { plan: { ...actual!, date: '2026-05-09', selfSown: true }, actual: null }
    expect(nextDeed(rye({ plan: null, actual: null }, { start }), today)).toMatch(/^It is to sow itself from/)
  })
  test('what is only planned is sown on its day, or now', () => {
    const plan = rye({ plan: null, actual: null }).start.actual!
    const planned = (date: string) =>
      rye({ plan: null, actual: null }, { start: { plan: { ...plan, date }, actual: null } })
    expect(nextDeed(planned('2026-05-09'), today)).toMatch(/^Sow it on/)
    expect(nextDeed(planned('2026-04-09'), today)).toBe('Sow it now.')
  })
})

test('the last one that was counted here is told, and no other bed’s', () => {
  const count = { id: 'f', date: '2026-04-30', standing: 5, groundM2: 1, before: 50, note: '' }
  const ended = rye({ plan: null, actual: ending('2026-04-20') }, { id: 'old', followUps: [count] })
  expect(lastTime([ended], ended.bedId, 'new')).toMatch(/cereal rye by crimp on .*2026, 10\s% stood again/)
  expect(lastTime([ended], ended.bedId, 'old')).toBeNull()
  expect(lastTime([ended], 'elsewhere', null)).toBeNull()
})

test('a part is told by its stretch of the bed, and across it where it is not as wide', () => {
  const bed = { label: 'L1', lengthM: 10 }
  const words = (segment: Segment) => placeText(bed, segment, 'metric').replace(/\s/g, ' ')
  const side = { kind: 'rectangle' as const, fromAcrossM: 0, toAcrossM: 0.4 }
  expect(words({ kind: 'whole' })).toBe('L1')
  expect(words({ kind: 'half', which: 'second' })).toBe('L1, second half')
  expect(words({ kind: 'strip', fromM: 2, toM: 4 })).toBe('L1, 2 m to 4 m')
  expect(words({ ...side, fromM: 0, toM: 10 })).toBe('L1, 0 m to 0.4 m across')
  expect(words({ ...side, fromM: 2, toM: 4 })).toBe('L1, 2 m to 4 m, 0 m to 0.4 m across')
})
