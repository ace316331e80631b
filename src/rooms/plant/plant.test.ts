import { residueSentence } from './nitrogenWords'
import { cropContent } from '../../core/garden/newStands'
import { describe, expect, test } from '@jest/globals'
import { testBed, testCover } from '../../core/testing/beds'
import type { Stand } from '../../core/garden/schema'
import type { CropPlan } from '../../actions/planStretch'
import { plantCrop } from '../../actions/plantCrop'
import { dayNumber } from '../../core/foundations/day'

const crop: CropPlan = {
  cropId: 'leek',
  establishment: 'transplant',
  plantingMethod: 'slot',
  feed: null,
  date: '2026-06-18',
}
const cover = testCover('oats', '2026-03-01')
const planned: Stand = {
  ...cover,
  id: 'next',
  content: cropContent('cabbage', 'transplant'),
  start: {
    plan: {
      date: '2026-06-18',
      covering: null,
      passes: null,
      keptMoistDays: 0,
      sownBetween: null,
      components: [],
      note: '',
    },
    actual: null,
  },
  end: { plan: { date: '2026-10-30', method: 'harvest', passes: 1, note: '' }, actual: null },
}
const planted = (next: Stand | null) => {
  const done = { day: dayNumber('2026-06-20'), note: 'Firm roots.' }
  const [write] = plantCrop(testBed, cover, next, crop, done).writes
  return (write as { put: Stand }).put
}

describe('a planting as it is stored', () => {
  test('what was planned to follow becomes what was planted, its plan kept beside what was done', () => {
    const stand = planted(planned)
    expect(stand.id).toBe('next')
    expect(stand.content).toEqual(cropContent('leek', 'transplant', { plantingMethod: 'slot' }))
    expect(stand.start.plan!.date).toBe('2026-06-18')
    expect(stand.start.actual).toMatchObject({ date: '2026-06-20', note: 'Firm roots.' })
    expect(stand.end.plan!.date).toBe('2026-10-30')
  })
  test('a plan to clear that has gone by is moved by the days the crop takes', () => {
    const early = { ...planned, end: { plan: { ...planned.end.plan!, date: '2026-06-01' }, actual: null } }
    expect(planted(early).end.plan!.date).toBe('2026-11-17')
  })
  test('with nothing planned, or with something planted already, a new stand is made on the same ground', () => {
    for (const next of [null, { ...planned, start: { ...planned.start, actual: planned.start.plan } }]) {
      const stand = planted(next)
      expect(stand).toMatchObject({
        bedId: testBed.id,
        segment: cover.segment,
        underStandId: null,
      })
      expect(stand.id).not.toBe('next')
      expect(stand.start.plan).toBeNull()
    }
  })
})

describe('what the residue brings, in words', () => {
  const crop = { name: 'Leek', nitrogenG: 14 }
  const say = (low: number, mid: number, high: number) =>
    residueSentence(
      { nitrogen4: { p10: low, p50: mid, p90: high }, nitrogen10: { p10: low, p50: mid, p90: high } },
      crop,
      'metric',
    ).replace(/\s/g, ' ')
  test('freed, with its share of the need', () =>
    expect(say(2, 4.2, 7)).toMatch(
      /frees 42 kg\/ha in 10 weeks \(20 kg\/ha to 70 kg\/ha\).*this is 30 % of it/,
    ))
  test('tied up, the smaller number first and no share', () => {
    expect(say(-1.3, -0.8, -0.1)).toMatch(/holds back 8 kg\/ha in 10 weeks \(1 kg\/ha to 13 kg\/ha\)/)
    expect(say(-1.3, -0.8, -0.1)).not.toMatch(/%|-/)
  })
  test('a range on both sides of nothing names both', () =>
    expect(say(-0.5, 0.2, 1)).toMatch(/\(from holds back 5 kg\/ha to frees 10 kg\/ha\)/))
})
