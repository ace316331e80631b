import { expect, test } from '@jest/globals'
import { perEuro } from '../../core/choosing/perEuro'
import { usualIn, usualOf } from './localeDefaults'

test.each([
  ['en-US', 'imperial', 'USD'],
  // A language without its country is taken to be read where most of its readers live.
  ['en', 'imperial', 'USD'],
  ['en-GB', 'metric', 'GBP'],
  ['fr-CA', 'metric', 'CAD'],
  ['de', 'metric', 'EUR'],
  ['ja', 'metric', 'JPY'],
  ['not a language', 'metric', 'EUR'],
] as const)('%s: %s, %s', (language, units, currency) =>
  expect(usualOf(language)).toEqual({ units, currency }),
)

test('seed prices can be told in the money of every country that has its own', () => {
  const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ']
  const moneys = letters.flatMap((a) => letters.map((b) => usualIn(a + b).currency))
  const unknown = moneys.filter((currency) => currency !== 'EUR' && perEuro(currency) === 1)
  expect(new Set(moneys).size).toBeGreaterThan(20)
  expect(unknown).toEqual([])
})
