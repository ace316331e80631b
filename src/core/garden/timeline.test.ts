import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { marlpitLane } from '../../demo/marlpitLane'
import { bed, garden, stand } from './schema'
import { bedSpans, latest, spanOf } from './timeline'

const data = marlpitLane()
const find = (id: string) => data.stands.find((item) => item.id === `marlpit-lane-stand-${id}`)!

describe('spans', () => {
  test('what was done counts before its plan', () => {
    const both = { plan: { date: '2026-05-01' }, actual: { date: '2026-05-09' } }
    expect(latest(both)?.date).toBe('2026-05-09')
    expect(latest({ ...both, actual: null })?.date).toBe('2026-05-01')
    expect(latest({ plan: null, actual: null })).toBeNull()
  })
  test('a stand with neither plan nor anything done has no span', () => {
    expect(spanOf({ ...find('01'), start: { plan: null, actual: null } })).toBeNull()
    expect(spanOf(find('01'))).toMatchObject({
      startDay: dayNumber('2025-09-10'),
      started: true,
      ended: false,
    })
  })
  test('a bed’s stands come in order of their start', () => {
    const starts = bedSpans([...data.stands].reverse(), 'marlpit-lane-L3').map((span) => span.startDay)
    expect(starts).toEqual([...starts].sort((a, b) => a - b))
    expect(starts).toHaveLength(4)
  })
})

describe('schema', () => {
  test.each([
    [{ label: ' ' }, /Bed label is empty/],
    [{ widthM: 60 }, /Width must be between 0.2 and 50 m/],
    [{ shade: 0.95 }, /Shade must be between/],
    [{ pathWidthM: -1 }, /Path width must be between/],
  ])('a bed with %j is refused in words', (part, message) => {
    expect(bed.safeParse({ ...data.beds[0], ...part }).error?.issues[0].message).toMatch(message)
  })
  test('a latitude beyond 66° and a currency in words are refused', () => {
    expect(
      garden.safeParse({ ...data.garden, site: { ...data.garden.site, latitude: 70 } }).error?.issues[0]
        .message,
    ).toMatch(/Latitude must be between -66 and 66/)
    expect(garden.safeParse({ ...data.garden, currency: 'Euro' }).error?.issues[0].message).toMatch(
      /three-letter code/,
    )
  })
  test('a strip must end after it starts, and germination over 100 % is refused', () => {
    expect(
      stand.safeParse({ ...find('01'), segment: { kind: 'strip', fromM: 4, toM: 2 } }).error?.issues[0]
        .message,
    ).toMatch(/end after it starts/)
    const content = {
      kind: 'cover' as const,
      purposes: [],
      components: [{ speciesId: 'oats', share: 1, germination: 1.4, grams: null }],
    }
    expect(stand.safeParse({ ...find('01'), content }).error?.issues[0].message).toMatch(
      /Germination must be between 0.01 and 1/,
    )
  })
  test('mixes, halves, paths, relays and cuts that are not endings are all kept', () => {
    const cut = {
      date: '2026-05-01',
      heightCm: 12,
      groundShare: 0.4,
      fate: 'carried off' as const,
      note: '',
    }
    for (const segment of [
      { kind: 'half', which: 'second' },
      { kind: 'path' },
      { kind: 'strip', fromM: 1, toM: 3 },
    ] as const) {
      const value = {
        ...find('01'),
        segment,
        underStandId: 'x',
        cuts: [{ id: 'c', cut: { plan: cut, actual: null } }],
      }
      expect(stand.parse(value)).toEqual(value)
    }
  })
})
