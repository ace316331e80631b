import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { dayInputOf, readDay, type DayInput } from './observed'

const today = dayNumber('2026-05-01')
const typed = (part: Partial<DayInput> = {}): DayInput => ({
  date: '2026-04-30',
  tMinC: '3',
  tMaxC: '14',
  rainMm: '0',
  ...part,
})
const read = (part: Partial<DayInput>, units: 'metric' | 'imperial' = 'metric') =>
  readDay(typed(part), units, today)

describe('a day’s weather as typed', () => {
  test('commas, minus signs and empty fields', () => {
    expect(read({ tMinC: '−2,5', rainMm: '' })).toEqual({
      day: { day: today - 1, source: 'hand', tMinC: -2.5, tMaxC: 14, rainMm: null },
    })
  })
  test('imperial is kept as SI', () => {
    expect(read({ tMinC: '41', tMaxC: '68', rainMm: '0.5' }, 'imperial')).toMatchObject({
      day: { tMinC: 5, tMaxC: 20, rainMm: 12.7 },
    })
  })
  test.each([
    [{ date: '2026-04-31' }, /^Day: enter a date/],
    [{ date: '2026-05-02' }, /^Day: it lies ahead/],
    [{ tMinC: 'cold' }, /^Low: “cold” is not a number/],
    [{ tMaxC: '95' }, /^High must be between -50 and 57/],
    [{ rainMm: '-1' }, /^Rain must be between 0/],
    [{ tMinC: '20' }, /^Low: it is above the high/],
  ])('%j is refused with its field', (part, message) => {
    const outcome = read(part)
    if (!('problem' in outcome)) throw new Error('taken in')
    expect(outcome.problem).toMatch(message)
  })
  test('a known day is offered as it was typed, in the units shown', () => {
    const known = { day: today - 1, source: 'station' as const, tMinC: 5, tMaxC: null, rainMm: 25.4 }
    expect(dayInputOf('2026-04-30', known, 'metric')).toEqual({
      date: '2026-04-30',
      tMinC: '5',
      tMaxC: '',
      rainMm: '25.4',
    })
    expect(dayInputOf('2026-04-30', known, 'imperial')).toMatchObject({ tMinC: '41', rainMm: '1' })
    expect(dayInputOf('2026-04-30', undefined, 'metric').tMinC).toBe('')
  })
})
