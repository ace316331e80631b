import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { testCover, testHens } from '../testing/beds'
import { hurtBefore } from './hurt'

const stay = (id: string, date: string, hurt?: number, note = '') =>
  testCover('oats', '2026-03-01', {
    id,
    end: {
      plan: null,
      actual: {
        date,
        method: 'hens',
        passes: 1,
        note,
        animals: testHens({}),
        ...(hurt !== undefined && { hurt }),
      },
    },
  })

test('the last stay that went wrong is told, of that kind of animal alone', () => {
  const stands = [
    stay('a', '2026-05-01', 1, 'caught under the pen'),
    stay('b', '2026-06-01', 2, 'a fox'),
    stay('c', '2026-07-01', 0),
    stay('d', '2026-08-01'),
  ]
  expect(hurtBefore(stands, 'hens')).toEqual({
    day: dayNumber('2026-06-01'),
    hurt: 2,
    note: 'a fox',
  })
  expect(hurtBefore(stands, 'ducks')).toBeNull()
  expect(hurtBefore(stands.slice(2), 'hens')).toBeNull()
})
