import { FRESH_BED, FRESH_CHECK, FRESH_STAND } from './fresh'
import { describe, expect, test } from '@jest/globals'
import { cropContent } from './newStands'
import { dayNumber, isoDate } from '../foundations/day'
import { segmentAreaM2, segmentSizeM } from './area'
import { gardenProblems, standProblems } from './consistency'
import { check as checkSchema } from './check'
import { bed as bedSchema, gardenData, type Bed, type Segment, type Stand } from './schema'
import { expectedStands } from './timeline'
import { bareWindows, windowAt } from './windows'

const bed: Bed = {
  id: 'b',
  gardenId: 'g',
  sectionId: 's',
  label: 'A1',
  walkOrder: 0,
  kind: 'framed',
  lengthM: 10,
  widthM: 1.2,
  pathWidthM: 0.5,
  soil: 'loam',
  fertility: 'medium',
  ...FRESH_BED,
  shade: 0,
  fixtures: [{ id: 'f', kind: 'kept plant', label: 'Rhubarb', areaM2: 2, place: null }],
}
function standOf(
  id: string,
  kind: 'cover' | 'crop',
  from: string,
  until: string | null,
  extra: Partial<Stand> = {},
): Stand {
  return {
    id,
    gardenId: 'g',
    bedId: 'b',
    segment: { kind: 'whole' },
    ...FRESH_STAND,
    content:
      kind === 'crop'
        ? cropContent('tomato', 'transplant')
        : {
            kind,
            components: [{ speciesId: 'oats', share: 1, germination: 0.9, grams: null }],
            purposes: [],
          },
    start: {
      plan: {
        date: from,
        covering: null,
        passes: null,
        keptMoistDays: 0,
        sownBetween: null,
        components: [],
        note: '',
      },
      actual: null,
    },
    end: {
      plan:
        until === null
          ? null
          : { date: until, method: kind === 'crop' ? 'harvest' : 'chop', passes: 1, note: '' },
      actual: null,
    },
    ...extra,
  }
}
const day = dayNumber

describe('areas', () => {
  test('kept plants are taken from whole, halves and strips in proportion; paths have their own width', () => {
    expect(segmentAreaM2(bed, { kind: 'whole' })).toBeCloseTo(10)
    expect(segmentAreaM2(bed, { kind: 'half', which: 'first' })).toBeCloseTo(5)
    expect(segmentAreaM2(bed, { kind: 'strip', fromM: 2, toM: 6 })).toBeCloseTo(4)
    expect(segmentAreaM2(bed, { kind: 'strip', fromM: 8, toM: 60 })).toBeCloseTo(2)
    expect(segmentAreaM2(bed, { kind: 'path' })).toBeCloseTo(5)
    expect(segmentSizeM(bed, { kind: 'path' })).toEqual({ lengthM: 10, widthM: 0.5 })
  })
  test('what stays where it was drawn takes its ground there alone, shared by the parts it lies in', () => {
    const place = { fromM: 1, toM: 3, fromAcrossM: 0, toAcrossM: 0.5 }
    const placed = { ...bed, fixtures: [{ ...bed.fixtures[0], areaM2: 0.8, place }] }
    const taken = (segment: Segment) => {
      const size = segmentSizeM(placed, segment)
      return size.lengthM * size.widthM - segmentAreaM2(placed, segment)
    }
    expect(taken({ kind: 'whole' })).toBeCloseTo(0.8)
    expect(taken({ kind: 'strip', fromM: 0, toM: 2 })).toBeCloseTo(0.4)
    expect(taken({ kind: 'strip', fromM: 3, toM: 4 })).toBe(0)
    const along = { kind: 'rectangle' as const, fromM: 0, toM: 3 }
    expect(taken({ ...along, fromAcrossM: 0.5, toAcrossM: bed.widthM })).toBe(0)
    expect(taken({ ...along, fromAcrossM: 0.25, toAcrossM: 0.6 })).toBeCloseTo(0.4)
  })
  test('fixtures larger than the bed leave no negative ground', () => {
    expect(segmentAreaM2({ ...bed, fixtures: [{ ...bed.fixtures[0], areaM2: 99 }] }, { kind: 'whole' })).toBe(
      0,
    )
  })
})

describe('bare windows', () => {
  const spring = standOf('spring', 'crop', '2026-04-01', '2026-06-01')
  const autumn = standOf('autumn', 'crop', '2026-08-01', '2026-10-01')
  const find = (stands: Stand[]) =>
    bareWindows(bed, stands, day('2026-03-01'), day('2026-12-31')).map((window) => [
      isoDate(window.freeFromDay),
      isoDate(window.neededByDay),
      window.nextStandId,
    ])

  test('lie before, between and after crops', () => {
    expect(find([autumn, spring])).toEqual([
      ['2026-03-01', '2026-04-01', 'spring'],
      ['2026-06-01', '2026-08-01', 'autumn'],
      ['2026-10-01', '2026-12-31', null],
    ])
  })
  test('a crop planned years ahead leaves the ground bare until then', () => {
    expect(find([standOf('far', 'crop', '2029-06-01', '2029-10-01')])).toEqual([
      ['2026-03-01', '2026-12-31', null],
    ])
    expect(find([spring, standOf('far', 'crop', '2029-06-01', '2029-10-01')])).toEqual([
      ['2026-03-01', '2026-04-01', 'spring'],
      ['2026-06-01', '2026-12-31', null],
    ])
  })
  test('a cover without an end holds the ground until what follows', () => {
    expect(
      find([spring, standOf('cover', 'cover', '2026-06-03', null), autumn]).map((window) => window[2]),
    ).toEqual(['spring', null])
  })
  test('a relay sown under a crop closes the gap after it', () => {
    expect(
      find([spring, standOf('under', 'cover', '2026-05-10', null, { underStandId: 'spring' }), autumn]).map(
        (window) => window[2],
      ),
    ).toEqual(['spring', null])
  })
  test('a half bed leaves the window open', () => {
    expect(
      find([
        spring,
        standOf('half', 'cover', '2026-06-03', null, { segment: { kind: 'half', which: 'first' } }),
        autumn,
      ]),
    ).toHaveLength(3)
  })
  test('parts that together take the bed close the window; the last of them to come decides where they differ', () => {
    const part = (which: 'first' | 'second', from: string) =>
      standOf(which, 'cover', from, null, { segment: { kind: 'half', which } })
    expect(find([spring, part('first', '2026-06-03'), part('second', '2026-06-03'), autumn])).toHaveLength(2)
    expect(find([spring, part('first', '2026-06-03'), part('second', '2026-07-01'), autumn])[1]).toEqual([
      '2026-06-01',
      '2026-07-01',
      'second',
    ])
  })
  test('parts beside each other across the bed: the ground is bare until both are taken', () => {
    const beside = (stand: Stand, fromAcrossM: number, toAcrossM: number): Stand => ({
      ...stand,
      segment: { kind: 'rectangle', fromM: 0, toM: bed.lengthM, fromAcrossM, toAcrossM },
    })
    const half = bed.widthM / 2
    const left = beside(spring, 0, half)
    expect(find([left])).toEqual([['2026-03-01', '2026-12-31', null]])
    expect(find([left, { ...beside(spring, half, bed.widthM), id: 'right' }])).toEqual(find([spring]))
  })
  test('turn-round days are no window, and a day is found in its window', () => {
    const windows = bareWindows(
      bed,
      [spring, standOf('next', 'crop', '2026-06-05', '2026-12-31')],
      day('2026-04-01'),
      day('2026-12-31'),
    )
    expect(windows).toEqual([])
    expect(
      windowAt(bareWindows(bed, [spring], day('2026-03-01'), day('2026-12-31')), day('2026-07-01'))
        ?.nextStandId,
    ).toBeNull()
    expect(windowAt([], day('2026-07-01'))).toBeNull()
  })
})

describe('expected stands', () => {
  const today = day('2026-07-01')
  const dates = (stand: Stand) => [stand.start.plan?.date, stand.end.plan?.date]
  test('overdue plans move to today, plans ahead and facts stay', () => {
    const [late, ahead] = expectedStands(
      [
        standOf('late', 'cover', '2026-05-01', '2026-06-01'),
        standOf('ahead', 'crop', '2026-08-01', '2026-10-01'),
      ],
      today,
    )
    expect(dates(late)).toEqual(['2026-07-01', '2026-07-02'])
    expect(dates(ahead)).toEqual(['2026-08-01', '2026-10-01'])
  })
  test('a stand that grows past its planned end is still standing', () => {
    const growing = standOf('growing', 'cover', '2026-05-01', '2026-06-20')
    const [now] = expectedStands(
      [{ ...growing, start: { plan: growing.start.plan, actual: growing.start.plan } }],
      today,
    )
    expect(now.end.plan?.date).toBe('2026-07-01')
    expect(now.start.actual?.date).toBe('2026-05-01')
  })
  test('what needs no change is the same object', () => {
    const stand = standOf('x', 'crop', '2026-08-01', '2026-10-01')
    expect(expectedStands([stand], today)[0]).toBe(stand)
  })
})

describe('bad records', () => {
  test('zero and absurd bed sizes are refused with the field and the limits', () => {
    for (const lengthM of [0, -3, 9999, NaN])
      expect(bedSchema.safeParse({ ...bed, lengthM }).error?.issues[0].message).toMatch(/^Length must be/)
  })
  test('dates that do not exist are refused', () => {
    const stand = standOf('x', 'crop', '2026-02-30', null)
    expect(gardenData.shape.stands.safeParse([stand]).error?.issues[0].message).toMatch(
      /does not exist in the calendar/,
    )
  })
  test('an end before its start is refused', () => {
    expect(standProblems(standOf('x', 'crop', '2026-05-01', '2026-04-01'))).toMatchObject([
      { code: 'end-before-start' },
    ])
  })
  test('an empty check and a cover over 100 % are refused', () => {
    const check = {
      ...FRESH_CHECK,
      id: 'c',
      gardenId: 'g',
      standId: 's',
      date: '2026-05-01',
      note: ' ',
    }
    expect(checkSchema.safeParse(check).error?.issues[0].message).toMatch(/The check is empty/)
    expect(checkSchema.safeParse({ ...check, cover: 1.3 }).error?.issues[0].message).toMatch(
      /^Cover must be between/,
    )
  })
  test('references that lead nowhere are named', () => {
    const garden = { id: 'g', sections: [{ id: 's', name: 'S' }] } as Parameters<
      typeof gardenProblems
    >[0]['garden']
    expect(
      gardenProblems({
        garden,
        beds: [bed],
        stands: [standOf('x', 'crop', '2026-05-01', null, { bedId: 'gone' })],
        checks: [],
      }),
    ).toMatchObject([{ path: 'stands.0.bedId' }])
  })
})
