import { expect, test } from '@jest/globals'
import { inUnits } from './inUnits'

test('centimetres of a sentence become inches, ranges too; other numbers stay', () => {
  expect(inUnits('even steps under 30 cm, 2–3 cm of soil, twice in 10 days', 'imperial')).toBe(
    'even steps under 12 in, 0.75–1.25 in of soil, twice in 10 days',
  )
  expect(inUnits('overlapped by 15 cm', 'metric')).toBe('overlapped by 15 cm')
})
