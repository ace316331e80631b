import { describe, expect, test } from '@jest/globals'
import fc from '../core/testing/property'
import { changedPlaces, clashes, merged, placesTouch } from './merge'

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

describe('what two changed in one place', () => {
  test('is told with what was seen, what is to be and what is now; other places are not', () => {
    const seen = { shade: 0.1, length: 5, end: { plan: null as object | null } }
    const put = { ...seen, shade: 0.2, end: { plan: { date: 'a' } } }
    const fresh = { ...seen, shade: 0.3, length: 6, end: { plan: { date: 'b' } } }
    expect(clashes(seen, put, fresh)).toEqual([
      { path: 'shade', seen: 0.1, own: 0.2, now: 0.3 },
      { path: 'end/plan', seen: null, own: { date: 'a' }, now: { date: 'b' } },
    ])
  })
  test('is nothing where both made the same of it, or one left it as it was', () => {
    const seen = { shade: 0.1, tools: [{ id: 'a', size: 1 }] }
    expect(clashes(seen, { ...seen, shade: 0.2 }, { ...seen, shade: 0.2 })).toEqual([])
    expect(clashes(seen, { ...seen, shade: 0.2 }, seen)).toEqual([])
    expect(clashes(seen, seen, { ...seen, shade: 0.3 })).toEqual([])
  })
  test('entries of lists and months stand for themselves', () => {
    const seen = { tools: [{ id: 'a', size: 1 }], rain: Array<number>(12).fill(1) }
    const put = {
      tools: [
        { id: 'a', size: 2 },
        { id: 'b', size: 1 },
      ],
      rain: seen.rain.with(3, 5),
    }
    const fresh = {
      tools: [
        { id: 'a', size: 3 },
        { id: 'c', size: 1 },
      ],
      rain: seen.rain.with(4, 5),
    }
    expect(clashes(seen, put, fresh)).toEqual([{ path: 'tools/a/size', seen: 1, own: 2, now: 3 }])
  })
})
