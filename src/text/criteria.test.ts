import { expect, test } from '@jest/globals'
import fc from '../core/testing/property'
import { chanceText, inHundred } from './format'
import { failsText, seasonsLost } from './criteria'

test('seasons lost and the chance add up to a hundred, whatever the shares', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 60 }), { maxLength: 6 }), (members) => {
      const total = members.reduce((sum, count) => sum + count, 0)
      const failures = members.map((count) => ({ id: 'dead' as const, share: count / Math.max(200, total) }))
      const whole = 1 - failures.reduce((sum, { share }) => sum + share, 0)
      const lost = seasonsLost(failures).reduce((sum, { seasons }) => sum + seasons, 0)
      expect(lost + inHundred(whole)).toBe(100)
    }),
  )
})

test('a single season beside 99 in 100 is not told, two beside 98 are', () => {
  expect(chanceText(1 - 0.015)).toBe('99 in 100')
  expect(seasonsLost([{ id: 'ground', share: 0.015 }])).toEqual([{ id: 'ground', seasons: 1 }])
  expect(failsText([{ id: 'ground', share: 0.015 }])).toBe('')
  expect(failsText([{ id: 'ground', share: 0.02 }])).toMatch(/\(2 in 100\)$/)
  expect(failsText([{ id: 'ground', share: 0.004 }])).toBe('')
  // What it is, and nothing else, is said of the ground.
  expect(failsText([{ id: 'ground', share: 0.3, by: ['wet'] }])).toBe(
    'fails when the ground is too wet on the sowing day (30 in 100)',
  )
  expect(failsText([{ id: 'unworkable', share: 0.3, by: ['snow', 'frozen'] }])).toMatch(
    /snow covers the ground or the ground is frozen all week/,
  )
})
