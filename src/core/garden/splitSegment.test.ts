import { expect, test } from '@jest/globals'
import { testBed } from '../testing/beds'
import fc from '../testing/property'
import { segmentAreaM2 } from './area'
import type { Rectangle } from './bed'
import { commonRectangle, rectangleM2, rectangleOf, sharesGround, stretchOf, takesAllOf } from './ground'
import { splitSegment } from './splitSegment'
import type { Segment } from './schema'

const second = { kind: 'half', which: 'second' } as const
/** What lies between the start of a part and a cut across it. */
const before = (of: { lengthM: number; widthM: number }, segment: Segment, atM: number): Rectangle => ({
  ...(rectangleOf(segment, of) ?? { fromM: 0, fromAcrossM: 0, toAcrossM: of.widthM }),
  toM: atM,
})
const bed = { ...testBed, lengthM: 18, widthM: 0.8 }

test('parted again and again, the parts of a bed never overlap and lose no ground', () => {
  const cuts = fc.array(fc.double({ min: 0, max: 18, noNaN: true }), { maxLength: 8 })
  fc.assert(
    fc.property(cuts, (places) => {
      let parts: Segment[] = [{ kind: 'whole' }]
      for (const atM of places)
        parts = parts.flatMap((part) => {
          const [fromM, toM] = stretchOf(part, bed)!
          const parted = atM > fromM && atM < toM ? splitSegment(bed, part, before(bed, part, atM)) : null
          return parted?.ok ? parted.value : [part]
        })
      const area = parts.reduce((sum, part) => sum + segmentAreaM2(bed, part), 0)
      expect(area).toBeCloseTo(segmentAreaM2(bed, { kind: 'whole' }), 9)
      parts.forEach((one, i) =>
        parts.forEach((other, j) => expect(sharesGround(one, other, bed)).toBe(i === j)),
      )
    }),
  )
})

const edges = (length: number) =>
  fc
    .tuple(fc.double({ min: 0, max: length, noNaN: true }), fc.double({ min: 0, max: length, noNaN: true }))
    .map(([a, b]): [number, number] => [Math.min(a, b), Math.max(a, b)])

test('pieces drawn anywhere, again and again: the parts never overlap and lose no ground, what stays counts once', () => {
  const wide = {
    ...bed,
    widthM: 1.5,
    fixtures: [
      {
        id: 'a',
        kind: 'kept plant' as const,
        label: 'Rhubarb',
        areaM2: 0.4,
        place: { fromM: 2, toM: 3.1, fromAcrossM: 0.2, toAcrossM: 1 },
      },
      { id: 'b', kind: 'drip line' as const, label: 'Drip line', areaM2: 0.3, place: null },
    ],
  }
  const drawn = fc.array(fc.tuple(edges(18), edges(1.5)), { maxLength: 6 })
  fc.assert(
    fc.property(drawn, (pieces) => {
      let parts: Segment[] = [{ kind: 'whole' }]
      for (const [[fromM, toM], [fromAcrossM, toAcrossM]] of pieces)
        parts = parts.flatMap((part) => {
          const common = commonRectangle({ fromM, toM, fromAcrossM, toAcrossM }, rectangleOf(part, wide)!)
          const parted = common && splitSegment(wide, part, common)
          return parted?.ok ? parted.value : [part]
        })
      const sum = (of: (part: Segment) => number) => parts.reduce((all, part) => all + of(part), 0)
      expect(sum((part) => segmentAreaM2(wide, part))).toBeCloseTo(18 * 1.5 - 0.7, 9)
      expect(sum((part) => rectangleM2(rectangleOf(part, wide)!))).toBeCloseTo(27, 9)
      parts.forEach((one, i) =>
        parts.forEach((other, j) => expect(sharesGround(one, other, wide)).toBe(i === j)),
      )
    }),
  )
})

test('parts that were typed to the centimetre side by side share no ground, and together take the bed', () => {
  const feet = { lengthM: 21.5 * 0.3048, widthM: 1.22 }
  const strip = (fromM: number, toM: number): Segment => ({ kind: 'strip', fromM, toM })
  const half = { kind: 'half', which: 'first' } as const
  expect(sharesGround(half, strip(3.27, 6), feet)).toBe(false)
  expect(sharesGround(half, strip(3.2, 6), feet)).toBe(true)
  expect(takesAllOf(strip(0, 3.27), half, feet)).toBe(true)
  expect(takesAllOf(strip(0, 3.2), half, feet)).toBe(false)
})

test('a corner leaves two parts, a piece in the middle four; each is named as it is', () => {
  const wide = { lengthM: 18, widthM: 1.5 }
  const piece = (fromM: number, toM: number, fromAcrossM: number, toAcrossM: number) =>
    splitSegment(wide, { kind: 'whole' }, { fromM, toM, fromAcrossM, toAcrossM })
  expect(piece(0, 9, 0, 0.75)).toEqual({
    ok: true,
    value: [
      { kind: 'rectangle', fromM: 0, toM: 9, fromAcrossM: 0, toAcrossM: 0.75 },
      { kind: 'rectangle', fromM: 0, toM: 9, fromAcrossM: 0.75, toAcrossM: 1.5 },
      { kind: 'half', which: 'second' },
    ],
  })
  const middle = piece(6, 12, 0.5, 1)
  expect(middle.ok && middle.value.map(({ kind }) => kind)).toEqual([
    'strip',
    'rectangle',
    'rectangle',
    'rectangle',
    'strip',
  ])
  // A hair from the edge is the edge.
  const edge = piece(0.01, 9, 0, 1.495)
  expect(edge.ok && edge.value).toEqual([
    { kind: 'half', which: 'first' },
    { kind: 'half', which: 'second' },
  ])
})

test('parts that cross what they are taken from are refused with the fix', () => {
  const wide = { lengthM: 18, widthM: 1.5 }
  const first = { kind: 'half', which: 'first' } as const
  const all = { fromAcrossM: 0, toAcrossM: 1.5 }
  const said = (segment: Segment, piece: Rectangle) => {
    const parted = splitSegment(wide, segment, piece)
    return parted.ok ? '' : parted.problems[0].message
  }
  expect(said(first, { fromM: 4, toM: 12, ...all })).toMatch(/reaches past what grows there\. Draw it inside/)
  expect(said(first, { fromM: 12, toM: 4, ...all })).toMatch(/end after it starts/)
  expect(said(first, { fromM: 0, toM: 9, ...all })).toMatch(/all of it\. Leave something/)
  expect(said(first, { fromM: 0, toM: 4, fromAcrossM: 0, toAcrossM: 0.1 })).toMatch(/two hands wide/)
})

test('the middle of a bed gives its halves; a cut at an end or of a path is refused with the fix', () => {
  expect(splitSegment(bed, { kind: 'whole' }, before(bed, { kind: 'whole' }, 9))).toEqual({
    ok: true,
    value: [
      { kind: 'half', which: 'first' },
      { kind: 'half', which: 'second' },
    ],
  })
  const near = splitSegment(bed, second, before(bed, second, 9.1))
  expect(near.ok ? '' : near.problems[0].message).toMatch(/nearer to the middle/)
  expect(splitSegment(bed, { kind: 'path' }, { fromM: 0, toM: 4, fromAcrossM: 0, toAcrossM: 0.8 }).ok).toBe(
    false,
  )
  expect(splitSegment(bed, { kind: 'whole' }, before(bed, { kind: 'whole' }, NaN)).ok).toBe(false)
})
