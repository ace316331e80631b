import { expect, test } from '@jest/globals'
import { daysInRounds, planFrom } from './animalForm'
import { testHens } from '../../core/testing/beds'

const base = testHens({ lastDaysPerStop: 4 })

test('what is not typed stays as it was; a comma is a decimal point', () => {
  expect(planFrom(base, {}).plan).toEqual(base)
  expect(planFrom(base, { daysPerStop: '1,5' }).plan).toMatchObject({ daysPerStop: 1.5, lastDaysPerStop: 4 })
})

test('a single round, or a last one like the others, carries no days of its own', () => {
  expect(planFrom(base, { rounds: '1' }).plan).not.toHaveProperty('lastDaysPerStop')
  expect(planFrom(base, { lastDaysPerStop: '2' }).plan).not.toHaveProperty('lastDaysPerStop')
  expect(daysInRounds(planFrom(base, { lastDaysPerStop: '2' }).plan!)).toBe('2')
  expect(daysInRounds(base)).toBe('2, last round 4')
})

test.each([
  [{ daysPerStop: '0' }, /Days on a stop/],
  [{ daysPerStop: 'two' }, /Days on a stop/],
  [{ lastDaysPerStop: '61' }, /last round/],
  [{ rounds: '2.5' }, /Rounds/],
  [{ restDays: '-1' }, /Rest/],
])('%j is refused by name', (draft, problem) => {
  const answer = planFrom(base, draft)
  expect(answer.plan).toBeNull()
  expect(answer.problem).toMatch(problem)
})
