import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { cropContent, cropStand, planting } from '../garden/newStands'
import type { Bed } from '../garden/schema'
import { testBed } from '../testing/beds'
import { debrisBefore } from './debris'

const tomato = cropStand(
  { id: 't', gardenId: 'g', bedId: testBed.id },
  cropContent('tomato', 'transplant'),
  { plan: null, actual: planting('2026-05-20') },
  130,
)
const ill = (date: string, family = 'Solanaceae'): Bed => ({
  ...testBed,
  troubles: [{ id: 'x', date, family, what: 'late blight' }],
})
const before = (bed: Bed, sowOn = '2026-10-01') => debrisBefore(bed, [tomato], dayNumber(sowOn))

test('remains of a crop that was ill leave before a sowing over them', () => {
  expect(before(ill('2026-09-03'))).toEqual([
    { crop: 'Tomato', what: 'late blight', notedDay: dayNumber('2026-09-03') },
  ])
  expect(before(ill('2026-09-03', ' solanaceae '))).toHaveLength(1)
})

test('not what was ill before it stood, what is long past, of another family, or noted after the sowing', () => {
  expect(before(ill('2026-05-01'))).toEqual([])
  expect(before(ill('2026-09-03'), '2027-09-30')).toEqual([])
  expect(before(ill('2026-09-03', 'Brassicaceae'))).toEqual([])
  expect(before(ill('2026-10-05'))).toEqual([])
  expect(before(testBed)).toEqual([])
})
