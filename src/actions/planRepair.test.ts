import { expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import type { EndDetails } from '../core/garden/ending'
import { cropContent, cropStand, planting } from '../core/garden/newStands'
import { testBed, testCover, testSowing } from '../core/testing/beds'
import { draftOfChange } from './planRepair'
import { draftOn, goOnTo, standsWith } from './planStretch'

const cover = testCover('oats', '2026-04-01', {
  start: { plan: testSowing('2026-04-01', 'oats'), actual: null },
  end: { plan: { date: '2026-06-01', method: 'tarp', passes: 1, note: '' }, actual: null },
})
const tomato = cropStand(
  { id: 'k', gardenId: 'g', bedId: cover.bedId },
  cropContent('tomato', 'transplant', { plantingMethod: null, feed: null }),
  { plan: planting('2026-06-20'), actual: null },
  130,
)
const end: EndDetails = { date: '2026-05-25', method: 'crimp', passes: 1, note: '' }
const tried = (change: Parameters<typeof draftOfChange>[0], next = true) => {
  const stands = next ? [cover, tomato] : [cover]
  const draft = draftOfChange(change, cover, next ? tomato : null)
  return draft && standsWith({ beds: [testBed], stands }, cover, draft, 'new')
}

test('each change that would help becomes a draft that changes only what it names', () => {
  const [ended, same] = tried({ code: 'another ending', end })!
  expect(ended).toEqual({ ...cover, end: { plan: end, actual: null } })
  expect(same).toEqual(tomato)
  expect(tried({ code: 'keep moist', keptMoistDays: 14 })![0].start.plan).toEqual({
    ...cover.start.plan,
    keptMoistDays: 14,
  })
  expect(tried({ code: 'sow another day', sowDay: dayNumber('2026-04-08') })![0].start.plan?.date).toBe(
    '2026-04-08',
  )
  const [, later] = tried({ code: 'plant later', plantDay: dayNumber('2026-06-27') })!
  expect(later.start.plan?.date).toBe('2026-06-27')
  const [, raked] = tried({ code: 'planting method', plantingMethod: 'rake' })!
  expect(raked.content).toMatchObject({ cropId: 'tomato', plantingMethod: 'rake' })
})

test('where no crop is planned the day the ground is wanted moves, and there is nothing to plant otherwise', () => {
  const [moved] = tried({ code: 'plant later', plantDay: dayNumber('2026-06-27') }, false)!
  expect(moved.follows).toEqual({ kind: 'undecided', neededBy: '2026-06-27' })
  expect(tried({ code: 'planting method', plantingMethod: 'rake' }, false)).toBeNull()
})

test('a crop that was tried on one stand is let go once the plan goes on to another, what else was tried is not', () => {
  const { crop } = draftOfChange({ code: 'plant later', plantDay: dayNumber('2026-06-27') }, cover, tomato)!
  const draft = { end, crop, cropOf: tomato.id }
  expect(draftOn(draft, tomato)).toBe(draft)
  expect(draftOn(draft, { ...tomato, id: 'other' })).toEqual({ end })
  expect(draftOn({ ...draft, cropOf: null }, null).crop).toBe(crop)
  expect(draftOn({ end, crop }, null).crop).toBe(crop)
  expect(goOnTo(cover, tomato)).toMatchObject({
    label: 'The plan goes on to tomato',
    writes: [{ put: { id: cover.id, goesOnTo: 'k' } }],
  })
})
