import { expect, test } from '@jest/globals'
import errors from '../../../../validation/errors.json'
import { coverageOf } from './coverage'

test('looks narrow what they measure, and ranges mostly hold a truth of the model’s own', () => {
  const [flower, mass, nitrogen, cover] = coverageOf('the model itself', errors, 24, 60)
  expect([flower, mass, nitrogen, cover].map(({ quantity }) => quantity)).toEqual([
    'flower',
    'mass',
    'nitrogen',
    'cover',
  ])
  for (const { inside, seasons } of [flower, mass, nitrogen, cover]) {
    expect(seasons).toBeGreaterThan(15)
    expect(inside.after).toBeGreaterThan(0.5)
  }
  for (const { width, score } of [flower, cover]) {
    expect(width.after).toBeLessThan(width.before)
    expect(score.after).toBeLessThan(score.before)
  }
})

test('a truth that errs in everything is missed more often than one that errs in nothing but its season', () => {
  const missed = (source: 'site and year' | 'all together') =>
    coverageOf(source, errors, 24, 60).reduce((sum, { inside }) => sum + (1 - inside.before), 0)
  expect(missed('all together')).toBeGreaterThan(missed('site and year'))
})
