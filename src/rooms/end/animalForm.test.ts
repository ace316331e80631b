import { expect, test } from '@jest/globals'
import { animalForm, animalValue, daysInRounds, planFrom } from './animalForm'
import { textOf } from '../../parts/form/typedText'
import { problemsOf } from '../../parts/form/testing'
import { testHens } from '../../core/testing/beds'

const base = testHens({ lastDaysPerStop: 4 })
const text = textOf(animalForm, animalValue(base))
const plan = (part: Partial<typeof text>) => planFrom(base, animalForm.parse({ ...text, ...part }))

test('what is not typed stays as it was; a comma is a decimal point', () => {
  expect(plan({})).toEqual(base)
  expect(plan({ daysPerStop: '1,5' })).toMatchObject({ daysPerStop: 1.5, lastDaysPerStop: 4 })
})

test('a single round, or a last one like the others, carries no days of its own', () => {
  expect(plan({ rounds: '1' })).not.toHaveProperty('lastDaysPerStop')
  expect(plan({ lastDaysPerStop: '2' })).not.toHaveProperty('lastDaysPerStop')
  expect(daysInRounds(plan({ lastDaysPerStop: '2' }))).toBe('2')
  expect(daysInRounds(base)).toBe('2, last round 4')
})

test.each([
  [{ daysPerStop: '0' }, /Days on a stop/],
  [{ daysPerStop: 'two' }, /Days on a stop/],
  [{ lastDaysPerStop: '61' }, /last round/],
  [{ rounds: '2.5' }, /Rounds/],
  [{ restDays: '-1' }, /Rest/],
])('%j is refused by name', (part, problem) => {
  const said = problemsOf(animalForm, { ...text, ...part })
  expect(Object.keys(said)).toEqual(Object.keys(part))
  expect(Object.values(said)[0]).toMatch(problem)
})
