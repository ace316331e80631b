import { describe, expect, test } from '@jest/globals'
import { cropContent, cropStand, planting } from '../garden/newStands'
import type { Segment, Stand } from '../garden/schema'
import { testBed, testCover } from '../testing/beds'
import { followersOf, nextStand } from './followers'

const half = (which: 'first' | 'second'): Segment => ({ kind: 'half', which })
const tarped = (date: string) => ({
  plan: { method: 'tarp' as const, date, passes: 1, note: '' },
  actual: null,
})
const rye = testCover('cereal-rye', '2025-09-20', { id: 'rye', end: tarped('2026-05-01') })
const crop = (cropId: string, date: string, segment: Segment = { kind: 'whole' }, done = false): Stand =>
  cropStand(
    { id: cropId, gardenId: 'g', bedId: testBed.id, segment },
    cropContent(cropId, 'transplant'),
    { plan: planting(date), actual: done ? planting(date) : null },
    90,
  )
const following = (cover: Stand, ...others: Stand[]) =>
  followersOf({ beds: [testBed], stands: [cover, ...others] }, cover).map(({ id }) => id)
const next = (cover: Stand, ...others: Stand[]) =>
  nextStand({ beds: [testBed], stands: [cover, ...others] }, cover)?.id

describe('what follows a cover', () => {
  const lettuce = crop('lettuce', '2026-05-10', half('first'))
  const squash = crop('squash', '2026-06-10', half('second'))

  test('is what takes all its ground next, and nothing after that', () => {
    expect(following(rye, crop('tomato', '2026-06-01'), crop('kale', '2026-10-01'))).toEqual(['tomato'])
    expect(following(rye)).toEqual([])
    const first = { ...rye, segment: half('first') }
    expect(following(first, lettuce)).toEqual(['lettuce'])
    expect(following(first, squash)).toEqual([])
    expect(following(first, crop('tomato', '2026-06-01'))).toEqual(['tomato'])
  })
  test('may be several, each on a part once the cover is over, and each part once', () => {
    const kale = crop('kale', '2026-07-20', half('first'))
    expect(following(rye, squash, kale, lettuce)).toEqual(['lettuce', 'squash'])
    expect(following(rye, lettuce, crop('tomato', '2026-08-01'))).toEqual(['lettuce'])
  })
  test('is not what begins beside it while it stands, under it, in a path, or a sheet between', () => {
    const open = { ...rye, end: { plan: null, actual: null } }
    expect(following(open, lettuce)).toEqual([])
    expect(following({ ...rye, end: tarped('2026-06-20') }, lettuce)).toEqual([])
    expect(following(rye, { ...squash, underStandId: 'rye' })).toEqual([])
    const path = { ...rye, segment: { kind: 'path' as const } }
    expect(following(path, crop('tomato', '2026-06-01'))).toEqual([])
    const clover = testCover('white-clover', '2026-06-01', { segment: { kind: 'path' } })
    expect(following(path, clover)).toEqual(['white-clover'])
    const sheet: Stand = { ...lettuce, content: { kind: 'sheet', sheet: 'black', aim: 'weeds' } }
    expect(following(rye, sheet)).toEqual([])
  })
  test('goes on to the first that has not begun', () => {
    expect(next(rye, lettuce, squash)).toBe('lettuce')
    expect(next(rye, crop('lettuce', '2026-05-10', half('first'), true), squash)).toBe('squash')
    expect(next(rye, crop('tomato', '2026-06-01', { kind: 'whole' }, true))).toBe('tomato')
    expect(nextStand({ beds: [], stands: [rye, lettuce] }, rye)).toBeNull()
  })
  test('goes on to the one that was chosen, until that has begun or is gone', () => {
    const chosen = { ...rye, goesOnTo: 'squash' }
    expect(next(chosen, lettuce, squash)).toBe('squash')
    expect(next(chosen, lettuce, crop('squash', '2026-06-10', half('second'), true))).toBe('lettuce')
    expect(next(chosen, lettuce)).toBe('lettuce')
  })
})
