import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import { sharesGround } from '../garden/ground'
import { standsOn } from '../garden/timeline'
import { testBed, testCover } from '../testing/beds'
import fc from '../testing/property'
import { cropContent, cropStand, planting } from '../garden/newStands'
import { nextStand } from './followers'
import { occupantsOf, standsTaking } from './occupied'
import { stand as standSchema, type Segment, type Stand } from '../garden/schema'

const half = (which: 'first' | 'second'): Segment => ({ kind: 'half', which })
const tomato = (own: Partial<Stand> = {}): Stand => ({
  ...cropStand(
    { id: 'tomato', gardenId: 'g', bedId: testBed.id },
    cropContent('tomato', 'transplant'),
    { plan: null, actual: planting('2026-05-20') },
    140,
  ),
  ...own,
})
const rye = testCover('cereal-rye', '2026-03-01', {
  id: 'rye',
  end: { plan: { method: 'tarp', date: '2026-06-20', passes: 1, note: '' }, actual: null },
})
const lettuce = (date: string, segment: Segment = { kind: 'whole' }): Stand =>
  cropStand(
    { id: 'lettuce', gardenId: 'g', bedId: testBed.id, segment },
    cropContent('lettuce', 'transplant'),
    { plan: planting(date), actual: null },
    50,
  )
let count = 0
const take = (stands: Stand[], fresh: Stand, said = {}) => {
  const all = standsTaking(stands, testBed, fresh, () => `split ${++count}`, said)
  for (const one of all) expect(standSchema.safeParse(one).success).toBe(true)
  return all
}
const usual = (stands: Stand[], fresh: Stand) =>
  occupantsOf(stands, testBed, fresh, dayNumber((fresh.start.plan ?? fresh.start.actual)!.date)).map(
    ({ stand, usual }) => [stand.id, usual],
  )

const edges = (length: number) =>
  fc
    .tuple(fc.double({ min: 0, max: length, noNaN: true }), fc.double({ min: 0, max: length, noNaN: true }))
    .map(([a, b]): [number, number] => [Math.min(a, b), Math.max(a, b)])

describe('ground where something stands', () => {
  test('crops planted on parts drawn anywhere in a cover: nothing stands twice, and no ground but slivers is lost', () => {
    const parts = fc.array(fc.tuple(edges(testBed.lengthM), edges(testBed.widthM)), {
      minLength: 1,
      maxLength: 4,
    })
    fc.assert(
      fc.property(parts, (drawn) => {
        let stands: Stand[] = [rye]
        let pieces = 0
        for (const [i, [[fromM, toM], [fromAcrossM, toAcrossM]]] of drawn.entries()) {
          if (toM - fromM < 0.3 || toAcrossM - fromAcrossM < 0.2) continue
          pieces++
          const segment: Segment = { kind: 'rectangle', fromM, toM, fromAcrossM, toAcrossM }
          const crop = { ...lettuce(`2026-06-1${i}`, segment), id: `lettuce ${i}` }
          stands = take(stands, crop)
        }
        const day = dayNumber('2026-06-15')
        const there = stands.filter((stand) => standsOn(stand, day))
        there.forEach((one, i) =>
          there.forEach((other, j) =>
            expect(sharesGround(one.segment, other.segment, testBed)).toBe(i === j),
          ),
        )
        const ground = there.reduce((sum, { segment }) => sum + segmentAreaM2(testBed, segment), 0)
        const sliver = 0.1 * 2 * (testBed.lengthM + testBed.widthM)
        expect(ground).toBeLessThanOrEqual(segmentAreaM2(testBed, { kind: 'whole' }) + 1e-9)
        expect(ground).toBeGreaterThanOrEqual(
          segmentAreaM2(testBed, { kind: 'whole' }) - pieces * pieces * sliver,
        )
      }),
    )
  })

  test('a crop in a crop or a cover ends it that day, as it was to be ended; nothing else changes', () => {
    expect(usual([tomato(), rye], lettuce('2026-06-10'))).toEqual([
      ['tomato', 'ends then'],
      ['rye', 'ends then'],
    ])
    const [cleared, ended, fresh] = take([tomato(), rye], lettuce('2026-06-10'))
    expect(cleared.end.plan).toMatchObject({ method: 'harvest', date: '2026-06-10' })
    expect(ended.end.plan).toMatchObject({ method: 'tarp', date: '2026-06-10' })
    expect({ ...cleared, end: null }).toEqual({ ...tomato(), end: null })
    expect(fresh).toEqual(lettuce('2026-06-10'))
  })
  test('a cover in a standing crop is sown under it, and the crop goes on', () => {
    const clover = testCover('white-clover', '2026-07-10', { id: 'clover' })
    expect(usual([tomato()], clover)).toEqual([['tomato', 'goes on']])
    const [above, under] = take([tomato()], clover)
    expect(above).toEqual(tomato())
    expect(under.underStandId).toBe('tomato')
    const [ended, alone] = take([tomato()], clover, { tomato: 'ends then' })
    expect(ended.end.plan?.date).toBe('2026-07-10')
    expect(alone.underStandId).toBeNull()
  })
  test('a cover without a planned end is left for its own to be chosen before a crop that is planned', () => {
    const open = { ...rye, end: { plan: null, actual: null } }
    expect(usual([open], lettuce('2026-05-10'))).toEqual([['rye', 'ended before']])
    expect(take([open], lettuce('2026-05-10'))[0]).toEqual(open)
    // One that was planned moves to the day; a crop that stands already has ended it.
    expect(usual([rye], lettuce('2026-05-10'))).toEqual([['rye', 'ends then']])
    const planted = lettuce('2026-05-10')
    const stands = { ...planted, start: { plan: null, actual: planted.start.plan } }
    expect(take([open], stands)[0].end.plan).toMatchObject({ method: 'chop', date: '2026-05-10' })
    expect(take([open], lettuce('2026-05-10'), { rye: 'ends then' })[0].end.plan).not.toBeNull()
  })
  test('where only a part is taken the rest goes on, and what gave way keeps its history', () => {
    const all = take([rye], lettuce('2026-05-10', half('first')))
    expect(all.map(({ id, segment }) => [id, segment])).toEqual([
      ['rye', half('second')],
      [expect.stringMatching(/^split/), half('first')],
      ['lettuce', half('first')],
    ])
    expect(all[0].end).toEqual(rye.end)
    expect(all[1]).toMatchObject({ start: rye.start, end: { plan: { method: 'tarp', date: '2026-05-10' } } })
    const strip = take([rye], lettuce('2026-05-10', { kind: 'strip', fromM: 2, toM: 4 }))
    expect(strip.map(({ segment }) => segment)).toEqual([
      { kind: 'strip', fromM: 0, toM: 2 },
      { kind: 'strip', fromM: 4, toM: 10 },
      { kind: 'strip', fromM: 2, toM: 4 },
      { kind: 'strip', fromM: 2, toM: 4 },
    ])
  })
  test('on a part, too, a cover without a planned end is left for its own to be chosen', () => {
    const open = { ...rye, end: { plan: null, actual: null } }
    const [rest, apart] = take([open], lettuce('2026-05-10', half('first')))
    expect([rest.segment, apart.segment]).toEqual([half('second'), half('first')])
    expect([rest.end, apart.end]).toEqual([open.end, open.end])
    expect(
      nextStand({ beds: [testBed], stands: [rest, apart, lettuce('2026-05-10', half('first'))] }, apart)?.id,
    ).toBe('lettuce')
    const planted = lettuce('2026-05-10', half('first'))
    const stands = { ...planted, start: { plan: null, actual: planted.start.plan } }
    expect(take([open], stands)[1].end.plan).toMatchObject({ method: 'chop', date: '2026-05-10' })
  })
  test('what is gone by then, begins later, lies elsewhere or in the path is left alone', () => {
    const gone = tomato({
      end: { plan: null, actual: { method: 'harvest', date: '2026-06-01', passes: 1, note: '' } },
    })
    const path = { ...rye, id: 'path', segment: { kind: 'path' } as const }
    const later = tomato({ id: 'later', start: { plan: planting('2026-08-01'), actual: null } })
    const elsewhere = { ...rye, id: 'elsewhere', bedId: 'other' }
    const stands = [gone, path, later, elsewhere]
    expect(usual(stands, lettuce('2026-06-10'))).toEqual([])
    expect(take(stands, lettuce('2026-06-10'))).toEqual([...stands, lettuce('2026-06-10')])
  })
  test('a cover without a planned end is cut where it must end, and a treatment that cannot be is the usual one', () => {
    const open = { ...rye, end: { plan: null, actual: null } }
    const other = testCover('buckwheat', '2026-06-10', { id: 'buckwheat' })
    expect(take([open], other)[0].end.plan).toMatchObject({ method: 'chop', date: '2026-06-10' })
    const waits = {
      ...open,
      end: {
        plan: { method: 'winter-kill' as const, date: '2026-12-20', passes: 1, note: '' },
        actual: null,
      },
    }
    expect(take([waits], lettuce('2026-06-10'))[0].end.plan).toMatchObject({
      method: 'chop',
      date: '2026-06-10',
    })
    expect(take([rye], lettuce('2026-06-10'), { rye: 'gives way' })[0].end.plan?.date).toBe('2026-06-10')
    expect(take([rye], lettuce('2026-06-10'), { rye: 'goes on' })[0]).toEqual(rye)
  })
})
