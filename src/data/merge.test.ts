import { describe, expect, test } from '@jest/globals'
import fc from '../core/testing/property'
import { changedPlaces, merged, placesTouch } from './merge'

describe('merging a change into what is stored by now', () => {
  test('only the fields that were changed are written', () => {
    const seen = { name: 'A', units: 'metric', wait: { seed: 7, transplant: 3 } }
    const fresh = { name: 'B', units: 'metric', wait: { seed: 7, transplant: 9 } }
    expect(merged(seen, { ...seen, wait: { ...seen.wait, seed: 14 } }, fresh)).toEqual({
      name: 'B',
      units: 'metric',
      wait: { seed: 14, transplant: 9 },
    })
  })
  test('lists are merged by entry: added, removed and changed ones keep what others did', () => {
    const seen = {
      tools: [
        { id: 'a', w: 1 },
        { id: 'b', w: 2 },
        { id: 'c', w: 3 },
      ],
    }
    const put = {
      tools: [
        { id: 'a', w: 1 },
        { id: 'b', w: 5 },
        { id: 'd', w: 4 },
      ],
    }
    const fresh = {
      tools: [
        { id: 'b', w: 2 },
        { id: 'c', w: 3 },
        { id: 'e', w: 6 },
      ],
    }
    expect(merged(seen, put, fresh)).toEqual({
      tools: [
        { id: 'b', w: 5 },
        { id: 'e', w: 6 },
        { id: 'd', w: 4 },
      ],
    })
  })
  test('words in a list are added and taken out one by one; a list may begin with nothing', () => {
    expect(merged(['hens', 'pigs'], ['pigs', 'dogs'], ['hens', 'pigs', 'horses'])).toEqual([
      'pigs',
      'horses',
      'dogs',
    ])
    type Record = { marks?: { jobId: string }[] }
    expect(
      merged<Record>({}, { marks: [{ jobId: 'x' }] }, { marks: [{ jobId: 'y' }] }).marks?.map(
        ({ jobId }) => jobId,
      ),
    ).toEqual(['y', 'x'])
  })
  test('months are merged by place', () => {
    const year = Array.from({ length: 12 }, (_, i) => i)
    const put = year.map((value) => (value === 0 ? 40 : value))
    const fresh = year.map((value) => (value === 5 ? 50 : value))
    expect(merged(year, put, fresh)).toEqual([40, 1, 2, 3, 4, 50, 6, 7, 8, 9, 10, 11])
  })
  test('what is of another kind is taken whole', () => {
    const seen = { segment: { kind: 'strip', fromM: 1, toM: 3 } }
    const put = { segment: { kind: 'half', which: 'first' } }
    const fresh = { segment: { kind: 'strip', fromM: 1, toM: 4 } }
    expect(merged<unknown>(seen, put, fresh)).toEqual(put)
  })
  test('a field taken out is taken out', () => {
    expect(merged<object>({ a: 1, b: 2 }, { a: 1 }, { a: 3, b: 2 })).toEqual({ a: 3 })
  })
  test('without a change in between, what was put is stored; without a change of one’s own, nothing is', () => {
    const value = fc.record(
      {
        a: fc.option(fc.integer()),
        list: fc.uniqueArray(fc.record({ id: fc.string(), n: fc.integer() }, { noNullPrototype: true }), {
          selector: ({ id }) => id,
        }),
        words: fc.uniqueArray(fc.string()),
      },
      { noNullPrototype: true },
    )
    fc.assert(
      fc.property(value, value, (seen, other) => {
        expect(merged(seen, other, seen)).toEqual(other)
        expect(merged(seen, seen, other)).toEqual(other)
      }),
    )
  })
})

describe('places that a step changed', () => {
  test('are named down to the entry and the field', () => {
    expect(
      changedPlaces(
        { name: 'A', tools: [{ id: 'a', w: 1 }], x: { y: 1 } },
        {
          name: 'A',
          tools: [
            { id: 'a', w: 2 },
            { id: 'b', w: 1 },
          ],
          x: { y: 2 },
        },
      ).sort(),
    ).toEqual(['/tools/a/w', '/tools/b', '/x/y'])
  })
  test('touch where one lies in the other; a whole record touches all of it', () => {
    expect(placesTouch(['/tools/a/w'], ['/tools/a'])).toBe(true)
    expect(placesTouch(['/tools/a/w'], ['/tools/ab'])).toBe(false)
    expect(placesTouch(changedPlaces(null, { a: 1 }), ['/name'])).toBe(true)
    expect(placesTouch(['/name'], [])).toBe(false)
  })
})
