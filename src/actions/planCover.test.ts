import { describe, expect, test } from '@jest/globals'
import type { Candidate } from '../core/choosing/types'
import { dayNumber } from '../core/foundations/day'
import { stand, type GardenData, type Stand } from '../core/garden/schema'
import { testBed, testCover } from '../core/testing/beds'
import { chosenCover, coverWrites, type CoverChoice } from './planCover'
import { cropPlanOf, planStretch, standsWith, type CropPlan } from './planStretch'

const candidate = {
  components: [
    { speciesId: 'cereal-rye', share: 0.5 },
    { speciesId: 'hairy-vetch', share: 0.7 },
  ],
  sowDay: dayNumber('2026-09-10'),
  covering: 'raked',
  ending: {
    end: { date: '2027-04-10', method: 'tarp', passes: 1, note: '' },
    latestSafeDay: dayNumber('2027-04-10'),
  },
} as Candidate
const tomato: CropPlan = {
  cropId: 'tomato',
  establishment: 'transplant',
  plantingMethod: null,
  feed: null,
  date: '2027-05-15',
}
const choice: CoverChoice = {
  bed: testBed,
  segment: { kind: 'whole' },
  purposes: ['mass'],
  underStandId: null,
  crop: tomato,
  follows: { kind: 'undecided', neededBy: '2027-05-15' },
}
const ids = { cover: 'c', crop: 'k', split: () => 'split' }
/** The stands that choosing plans in an empty garden. */
const planned = (): Stand[] =>
  coverWrites({ beds: [testBed], stands: [] }, candidate, choice, ids).map(
    (write) => ('put' in write ? write.put : null) as Stand,
  )

describe('what choosing a cover plans', () => {
  test('the cover as it was offered, and the crop that was named, so that no room asks for it again', () => {
    const [cover, crop] = planned()
    for (const one of [cover, crop]) expect(stand.safeParse(one).success).toBe(true)
    expect(cover).toMatchObject({
      id: 'c',
      follows: null,
      start: { plan: { date: '2026-09-10', covering: 'raked' }, actual: null },
      end: { plan: { date: '2027-04-10', method: 'tarp' }, actual: null },
    })
    expect(crop).toMatchObject({
      id: 'k',
      content: { kind: 'crop', cropId: 'tomato', establishment: 'transplant' },
      start: { plan: { date: '2027-05-15' }, actual: null },
      end: { plan: { date: '2027-09-22', method: 'harvest' } },
    })
    // Where a crop is planned there already, it takes over the day that was told; told the same, it is left alone.
    const moved = coverWrites(
      { beds: [testBed], stands: [crop] },
      candidate,
      { ...choice, crop: { ...tomato, date: '2027-06-01' } },
      ids,
    )
    expect(moved.map((write) => 'put' in write && write.put.id).sort()).toEqual(['c', 'k'])
    expect(coverWrites({ beds: [testBed], stands: [crop] }, candidate, choice, ids)).toMatchObject([
      { put: { id: 'c' } },
    ])
  })
  test('sown into a cover that is cut over the seed, that cover ends by a cut that day', () => {
    const tarped = {
      plan: { date: '2026-10-01', method: 'tarp' as const, passes: 1, note: '' },
      actual: null,
    }
    const upper = testCover('buckwheat', '2026-07-10', { id: 'up', bedId: testBed.id, end: tarped })
    const into = { ...choice, crop: null, underStandId: 'up', dropsOver: true }
    const over = { ...candidate, covering: 'crop dropped over' } as Candidate
    const writes = coverWrites({ beds: [testBed], stands: [upper] }, over, into, ids)
    const put = new Map(writes.map((write) => ['put' in write ? write.put.id : '', write]))
    expect(put.get('up')).toMatchObject({ put: { end: { plan: { date: '2026-09-10', method: 'chop' } } } })
    expect(put.get('c')).toMatchObject({
      put: { underStandId: 'up', start: { plan: { date: '2026-09-10' } } },
    })
  })
  test('no crop named keeps the day the ground is wanted; nothing said plans nothing after it', () => {
    const alone = { ...choice, crop: null }
    expect(coverWrites({ beds: [testBed], stands: [] }, candidate, alone, ids)).toHaveLength(1)
    const cover = chosenCover({ ...candidate, ending: null }, alone, 'c')
    expect(cover.follows).toEqual({ kind: 'undecided', neededBy: '2027-05-15' })
    expect(cover.end.plan).toBeNull()
    const strip = {
      ...choice,
      segment: { kind: 'strip' as const, fromM: 2, toM: 6 },
      crop: null,
      follows: null,
    }
    expect(chosenCover(candidate, strip, 'c')).toMatchObject({ segment: strip.segment, follows: null })
  })
})

describe('changing the plan of a stretch', () => {
  const [cover, crop] = planned()
  const data = { beds: [testBed], stands: [cover, crop] } as unknown as GardenData

  test('a moved planting moves its clearing with it; another crop takes its own time', () => {
    const [, moved] = standsWith(data, cover, { crop: { ...tomato, date: '2027-05-25' } }, 'fresh')
    expect(moved).toMatchObject({ id: 'k', start: { plan: { date: '2027-05-25' } } })
    expect(moved.end.plan!.date).toBe('2027-10-02')
    const [, kale] = standsWith(data, cover, { crop: { ...tomato, cropId: 'kale' } }, 'fresh')
    expect(kale.content).toMatchObject({ cropId: 'kale' })
    expect(kale.end.plan!.date).not.toBe('2027-09-22')
    expect(cropPlanOf(moved)).toEqual({ ...tomato, date: '2027-05-25' })
  })
  test('only what changes is written; a crop that was not planned yet is added', () => {
    expect(planStretch(data, cover, {}, 'fresh')).toEqual([])
    const writes = planStretch(data, cover, { sowing: { date: '2026-09-20' } }, 'fresh')
    expect(writes).toHaveLength(1)
    expect(writes[0]).toMatchObject({
      put: { id: 'c', start: { plan: { date: '2026-09-20', covering: 'raked' } } },
    })
    const alone = { beds: [testBed], stands: [cover] } as unknown as GardenData
    expect(planStretch(alone, cover, { crop: tomato }, 'fresh')).toMatchObject([{ put: { id: 'fresh' } }])
  })
  test('what was recorded is not touched, and an unknown crop changes nothing', () => {
    const sown = { ...cover, start: { ...cover.start, actual: cover.start.plan } }
    const kept = standsWith(
      { beds: [testBed], stands: [sown, crop] },
      sown,
      { sowing: { date: '2026-09-20' } },
      'fresh',
    )[0]
    expect(kept.start).toEqual(sown.start)
    const planted = { ...crop, start: { ...crop.start, actual: crop.start.plan } }
    const same = standsWith(
      { beds: [testBed], stands: [cover, planted] },
      cover,
      { crop: { ...tomato, date: '2027-07-01' } },
      'x',
    )[1]
    expect(same.start).toEqual(planted.start)
    expect(standsWith(data, cover, { crop: { ...tomato, cropId: 'moss' } }, 'x')[1]).toEqual(crop)
  })
})
