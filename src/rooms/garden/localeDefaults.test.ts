import { expect, test } from '@jest/globals'
import { usualOf } from './localeDefaults'

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
