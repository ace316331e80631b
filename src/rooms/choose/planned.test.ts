import { describe, expect, test } from '@jest/globals'
import type { Candidate } from '../../core/choosing/types'
import { dayNumber } from '../../core/foundations/day'
import { stand } from '../../core/garden/schema'
import { testBed } from '../../core/testing/beds'
import { plannedCover, plannedCrop } from './planned'

const candidate = {
  parts: [
    { speciesId: 'cereal-rye', share: 0.5 },
    { speciesId: 'hairy-vetch', share: 0.7 },
  ],
  sowDay: dayNumber('2026-09-10'),
  covering: 'raked',
  ending: {
    method: 'tarp',
    passes: 1,
    name: 'Black tarp',
    startDay: dayNumber('2027-04-02'),
    latestSafeDay: dayNumber('2027-04-10'),
  },
} as Candidate
const form = { ground: 'whole' as const, stripFrom: '0', stripTo: '', purposes: ['mass' as const] }
const follows = { cropId: 'tomato', establishment: 'transplant' as const, neededBy: '2027-05-15' }

describe('what choosing a cover plans', () => {
  test('the cover, sown and ended as it was offered, on the ground asked about', () => {
    const cover = plannedCover(candidate, form, testBed, null)
    expect(stand.safeParse(cover).success).toBe(true)
    expect(cover).toMatchObject({
      part: { kind: 'whole' },
      start: { plan: { date: '2026-09-10', covering: 'raked' }, fact: null },
      end: { plan: { date: '2027-04-10', method: 'tarp' }, fact: null },
    })
    const strip = { ...form, ground: 'strip' as const, stripFrom: '2', stripTo: '6' }
    expect(plannedCover({ ...candidate, ending: null }, strip, testBed, 'crop')).toMatchObject({
      part: { kind: 'strip', fromM: 2, toM: 6 },
      underStandId: 'crop',
      end: { plan: null },
    })
  })
  test('and the crop that was named, on its day, so that no room asks for it again', () => {
    const crop = plannedCrop(follows, testBed)
    expect(stand.safeParse(crop).success).toBe(true)
    expect(crop).toMatchObject({
      content: { kind: 'crop', cropId: 'tomato', establishment: 'transplant' },
      start: { plan: { date: '2027-05-15' }, fact: null },
      end: { plan: { date: '2027-09-22', method: 'harvest' } },
    })
  })
  test('no crop named plans none', () => {
    expect(plannedCrop({ ...follows, cropId: '' }, testBed)).toBeNull()
    expect(plannedCrop({ ...follows, neededBy: 'soon' }, testBed)).toBeNull()
  })
})
