import { FRESH_CHECK } from '../core/garden/fresh'
import { expect, test } from '@jest/globals'
import type { Check } from '../core/garden/check'
import { checkText } from './checkText'

const seen = (own: Partial<Check>): Check => ({
  ...FRESH_CHECK,
  id: 'c',
  gardenId: 'g',
  standId: 's',
  date: '2026-04-10',
  ...own,
})

test.each<[Partial<Check>, RegExp]>([
  [{ stageBbch: 45, heightCm: 60 }, /^boot, 60\scm$/],
  [{ cover: 0.5, coverBy: { kind: 'picture', error: 0.04 } }, /^50\s% green by picture$/],
  [{ plants: { speciesId: null, ringM: 0.3, counts: [10, 11], gapShare: 0 } }, /^149 per.m² plants$/],
  [{ weeds: { cover: 0.1, which: ['cleavers'] } }, /^weeds 10\s% \(cleavers\)$/],
  [
    { damage: [{ kind: 'frost', lost: 0.2, what: '', speciesId: null }] },
    /^frost, 20\s% of the plants lost$/,
  ],
  [{ sample: { areaM2: 0.25, freshG: 500, dryG: 100 } }, /^4\.0\st\/ha by sample$/],
  [{ sample: { areaM2: 0.25, freshG: 500, dryG: null } }, /^3\.6\st\/ha by sample, still drying$/],
  [{ note: 'Windy.', setAside: true }, /^Windy\., kept as a note only$/],
  [{ cover: 0.2, decision: 'accept' }, /green, decided: leave it$/],
])('%j is told in a line', (own, words) => {
  expect(checkText(seen(own), 'grass', 'metric')).toMatch(words)
})
