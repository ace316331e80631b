import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { testBed, testCover } from '../testing/beds'
import type { EndDetails } from '../garden/ending'
import { coverAbove, cutOver, droppedOver, droppedWith } from './dropOver'

const falls = (p50: number) => ({ p10: p50 * 0.8, p50, p90: p50 * 1.3 })

test('the smallest seed decides what is too thick, and raked off it is just what comes through', () => {
  expect(droppedOver(falls(350), ['large']).verdict).toBe('right')
  const clover = droppedOver(falls(350), ['large', 'tiny'])
  expect(clover.verdict).toBe('too thick')
  const left = 350 * (1 - clover.rakeOffShare)
  expect(droppedOver({ p10: left, p50: left, p90: left }, ['tiny']).verdict).toBe('right')
  expect(droppedOver(falls(260), ['small']).verdict).toBe('may be too thick')
})

test('what is too thin is topped up to a nurse mulch', () => {
  const thin = droppedOver(falls(40), ['small'])
  expect(thin).toMatchObject({ verdict: 'too thin', rakeOffShare: 0 })
  expect(thin.topUpG).toBeCloseTo(60)
})

test('the cover above is the one that stands there on the day, on the same ground', () => {
  const rye = testCover('cereal-rye', '2025-09-25')
  const sowing = { id: 'own', segment: { kind: 'half', which: 'first' } as const }
  const day = dayNumber('2026-05-20')
  const ended = (date: string) => ({
    ...rye,
    end: { plan: { date, method: 'chop' as const, passes: 1, note: '' }, actual: null },
  })
  expect(coverAbove([rye], testBed, sowing, day)?.id).toBe(rye.id)
  expect(coverAbove([ended('2026-05-20')], testBed, sowing, day)?.id).toBe(rye.id)
  expect(coverAbove([ended('2026-04-20')], testBed, sowing, day)).toBeNull()
  expect(
    coverAbove([{ ...rye, segment: { kind: 'half', which: 'second' } }], testBed, sowing, day),
  ).toBeNull()
  expect(coverAbove([rye], testBed, sowing, dayNumber('2025-09-01'))).toBeNull()
})

test('one work is a sowing to be dropped over and a cut planned for its very day, both still to be done', () => {
  const end = (own: Partial<EndDetails> = {}) => ({
    plan: { date: '2026-05-20', method: 'chop' as const, passes: 1, note: '', ...own },
    actual: null,
  })
  const rye = testCover('cereal-rye', '2025-09-25', { end: end() })
  const buckwheat = testCover('buckwheat', '2026-05-20', { id: 'buckwheat' })
  const plan = { ...buckwheat.start.actual!, covering: 'crop dropped over' as const }
  const sowing = { ...buckwheat, start: { plan, actual: null } }
  expect(droppedWith([rye, sowing], testBed, sowing)?.id).toBe(rye.id)
  const not = [
    droppedWith([{ ...rye, end: end({ date: '2026-05-19' }) }], testBed, sowing),
    droppedWith([{ ...rye, end: end({ method: 'tarp' }) }], testBed, sowing),
    droppedWith([{ ...rye, end: { ...end(), actual: end().plan } }], testBed, sowing),
    droppedWith([rye], testBed, { ...sowing, start: { plan: { ...plan, covering: 'raked' }, actual: null } }),
    droppedWith([rye], testBed, { ...sowing, start: { plan, actual: plan } }),
  ]
  expect(not).toEqual(not.map(() => null))
})

test('the cut over seed is the one that was planned, on that day; else chop and drop', () => {
  const day = dayNumber('2026-05-20')
  const rye = (plan: EndDetails | null) =>
    testCover('cereal-rye', '2025-09-25', { end: { plan, actual: null } })
  const own = { date: '2026-06-01', method: 'chop' as const, passes: 2, note: 'low', stubbleCm: 4 }
  expect(cutOver(rye(own), day)).toEqual({ ...own, date: '2026-05-20' })
  const chop = { date: '2026-05-20', method: 'chop', passes: 1, note: '' }
  expect(cutOver(rye({ ...own, method: 'tarp' }), day)).toEqual(chop)
  expect(cutOver(rye(null), day)).toEqual(chop)
})
