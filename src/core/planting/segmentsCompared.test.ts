import { describe, expect, test } from '@jest/globals'
import type { Segment, Stand } from '../garden/schema'
import { testBed, testCover } from '../testing/beds'
import { fewestAgain, segmentsAlike } from './segmentsCompared'

const half = (
  which: 'first' | 'second',
  method: 'crimp' | 'chop',
  standing: number | null,
  before = 20,
): Stand => ({
  ...testCover('cereal-rye', '2025-09-25', { segment: { kind: 'half', which } as Segment }),
  id: which,
  end: {
    plan: null,
    actual: { date: '2026-05-24', method, passes: 1, note: '', minutes: method === 'crimp' ? 12 : 20 },
  },
  followUps:
    standing === null ? [] : [{ id: 'f', date: '2026-06-10', standing, groundM2: 1, before, note: '' }],
})

describe('two halves ended differently', () => {
  test('stand side by side along the bed, with what was counted and how long it took', () => {
    const [second, first] = [half('second', 'chop', 8), half('first', 'crimp', 1)]
    const parts = segmentsAlike(testBed, [second, first], second)
    expect(parts.map(({ stand, stoodAgain, end }) => [stand.id, end!.method, stoodAgain])).toEqual([
      ['first', 'crimp', 0.05],
      ['second', 'chop', 0.4],
    ])
    expect(parts.map(({ minutes }) => minutes)).toEqual([12, 20])
    expect(segmentsAlike(testBed, [first], first)).toEqual([])
  })
  test('a crop over both tells nothing of either; one on a half is the harvest after that half', () => {
    const [first, second] = [half('first', 'crimp', 1), half('second', 'chop', 8)]
    const crop = (id: string, segment: Segment): Stand => ({
      ...first,
      id,
      segment,
      content: {
        kind: 'crop',
        cropId: 'leek',
        establishment: 'transplant',
        plantingMethod: null,
        feed: null,
      },
      start: { plan: null, actual: { ...first.start.actual!, date: '2026-06-20', components: [] } },
      end: { plan: null, actual: null },
      outcome: { date: '2026-10-01', yieldKg: 10, verdict: null, note: '' },
    })
    const yields = (...crops: Stand[]) =>
      segmentsAlike(testBed, [first, second, ...crops], first).map(({ yieldKgM2 }) => yieldKgM2)
    expect(yields(crop('both', { kind: 'whole' }))).toEqual([null, null])
    const [of, other] = yields(crop('one', { kind: 'half', which: 'second' }))
    expect(of).toBeNull()
    expect(other).toBeGreaterThan(0)
  })
  test('what was sown otherwise, or on the same ground, is no part of it', () => {
    const first = half('first', 'crimp', 1)
    const oats = {
      ...testCover('oats', '2025-09-25', { segment: { kind: 'half', which: 'second' } }),
      id: 'oats',
    }
    const over = { ...half('second', 'chop', 2), id: 'over', segment: { kind: 'whole' } as Segment }
    expect(segmentsAlike(testBed, [first, oats, over], first)).toEqual([])
  })
  test('the surer the more was counted and the wider apart, and never certain from one bed', () => {
    const sure = (a: number, b: number, before: number) =>
      fewestAgain(
        segmentsAlike(
          testBed,
          [half('first', 'crimp', a, before), half('second', 'chop', b, before)],
          half('first', 'crimp', a, before),
        ),
      )!
    expect(sure(1, 8, 20)).toMatchObject({ standId: 'first' })
    expect(sure(8, 1, 20)).toMatchObject({ standId: 'second' })
    expect(sure(5, 5, 20).chance).toBeCloseTo(0.5, 2)
    expect(sure(1, 8, 20).chance).toBeGreaterThan(sure(1, 3, 20).chance)
    expect(sure(1, 3, 10).chance).toBeLessThan(sure(2, 6, 20).chance)
    expect(sure(10, 80, 200).chance).toBeLessThan(0.999)
    expect(
      fewestAgain(
        segmentsAlike(
          testBed,
          [half('first', 'crimp', 1), half('second', 'chop', null)],
          half('first', 'crimp', 1),
        ),
      ),
    ).toBeNull()
  })
})
