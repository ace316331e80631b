import { FRESH_CHECK } from '../core/garden/fresh'
import { describe, expect, test } from '@jest/globals'
import type { Check } from '../core/garden/check'
import { testBed, testCover } from '../core/testing/beds'
import { keepCheck, type Taken } from './keepCheck'
import type { Bed } from '../core/garden/schema'

const rye = testCover('cereal-rye', '2025-09-20')
const seen = (own: Partial<Check> = {}): Check => ({
  ...FRESH_CHECK,
  id: 'c',
  gardenId: 'g',
  standId: rye.id,
  date: '2026-04-10',
  cover: 0.5,
  ...own,
})
const hurt = (kind: 'disease' | 'slugs', what: string) => ({ kind, lost: 0.1, what, speciesId: null })
const picture = {
  full: new Uint8Array(7),
  small: new Uint8Array(2),
  widthPx: 40,
  heightPx: 30,
  fromWidthPx: 80,
  fromHeightPx: 60,
}
const writesOf = (check: Check, bed: Bed = testBed, taken: Taken[] = []) =>
  keepCheck(check, undefined, taken, rye, bed).writes
const tablesOf = (check: Check, bed = testBed) => writesOf(check, bed).map(({ table }) => table)

describe('what is stored with a check', () => {
  test('a plain check is stored alone', () => {
    expect(tablesOf(seen())).toEqual(['checks'])
  })
  test('a picture lies with its bed, stand and day, and counts its bytes', () => {
    expect(writesOf(seen(), testBed, [{ id: 'p', picture }])[1]).toMatchObject({
      table: 'pictures',
      put: { id: 'p', bedId: testBed.id, standId: rye.id, date: '2026-04-10', bytes: 9 },
      bytes: { full: picture.full },
    })
  })
  test('a named disease is noted on the bed with the plant family, once', () => {
    const ill = seen({ damage: [hurt('disease', 'rust')] })
    const [, note] = writesOf(ill)
    const troubles = [
      { id: expect.any(String) as unknown as string, date: '2026-04-10', family: 'Poaceae', what: 'rust' },
    ]
    expect(note).toMatchObject({ table: 'beds', put: { troubles } })
    expect(tablesOf(ill, { ...testBed, troubles })).toEqual(['checks'])
  })
  test('slugs, and a disease without a name, are not', () => {
    expect(tablesOf(seen({ damage: [hurt('slugs', 'grey ones')] }))).toEqual(['checks'])
    expect(tablesOf(seen({ damage: [hurt('disease', '')] }))).toEqual(['checks'])
  })
})

const kept = (changed: Check, old: Check | undefined) =>
  (keepCheck(changed, old, [], rye, testBed).writes[0] as { put: Check }).put

describe('changing a check', () => {
  test('keeps the decision, further damage, and which species was counted', () => {
    const plants = { speciesId: 'cereal-rye', ringM: 0.3, counts: [4], gapShare: 0 }
    const old = seen({ decision: 'accept', damage: [hurt('slugs', 'a'), hurt('disease', 'b')], plants })
    const changed = seen({
      damage: [hurt('slugs', 'c')],
      plants: { ...plants, speciesId: null, counts: [9] },
    })
    expect(kept(changed, old)).toMatchObject({
      decision: 'accept',
      damage: [{ what: 'c' }, { what: 'b' }],
      plants: { speciesId: 'cereal-rye', counts: [9] },
    })
  })
  test('a check set aside counts again once it is changed, unless it is set aside anew', () => {
    expect(kept(seen(), seen({ setAside: true })).setAside).toBe(false)
  })
  test('a new check is taken as it is', () => {
    expect(kept(seen(), undefined)).toEqual(seen())
  })
})
