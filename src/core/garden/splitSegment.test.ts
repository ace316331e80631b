import { expect, test } from '@jest/globals'
import { testBed } from '../testing/beds'
import fc from '../testing/property'
import { segmentAreaM2 } from './area'
import { sharesGround, stretchOf } from './ground'
import { splitSegment } from './splitSegment'
import type { Segment } from './schema'

const bed = { ...testBed, lengthM: 18, widthM: 0.8 }

test('parted again and again, the parts of a bed never overlap and lose no ground', () => {
  const cuts = fc.array(fc.double({ min: 0, max: 18, noNaN: true }), { maxLength: 8 })
  fc.assert(
    fc.property(cuts, (places) => {
      let parts: Segment[] = [{ kind: 'whole' }]
      for (const atM of places)
        parts = parts.flatMap((part) => {
          const [fromM, toM] = stretchOf(part, bed.lengthM)!
          const parted = atM > fromM && atM < toM ? splitSegment(bed, part, atM) : null
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

test('the middle of a bed gives its halves; a cut at an end or of a path is refused with the fix', () => {
  expect(splitSegment(bed, { kind: 'whole' }, 9)).toEqual({
    ok: true,
    value: [
      { kind: 'half', which: 'first' },
      { kind: 'half', which: 'second' },
    ],
  })
  const near = splitSegment(bed, { kind: 'half', which: 'second' }, 9.1)
  expect(near.ok ? '' : near.problems[0].message).toMatch(/nearer to the middle/)
  expect(splitSegment(bed, { kind: 'path' }, 4).ok).toBe(false)
  expect(splitSegment(bed, { kind: 'whole' }, NaN).ok).toBe(false)
})
