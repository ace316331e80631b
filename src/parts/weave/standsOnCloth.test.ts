import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import type { Segment, Stand } from '../../core/garden/schema'
import { marlpitLane } from '../../demo/marlpitLane'
import { standsOnCloth } from './standsOnCloth'

const data = marlpitLane()
const bed = data.beds.find(({ id }) => id === 'marlpit-lane-L1')!
const find = (id: string) => data.stands.find((item) => item.id === `marlpit-lane-stand-${id}`)!

describe('stands on the cloth', () => {
  const lastDay = dayNumber('2027-03-01')
  test('each gives way to the next; the last reaches the end of the sheet', () => {
    const items = standsOnCloth(data.stands, bed, lastDay)
    expect(items[0].nextStart).toBe(items[1].fromDay)
    expect(items.at(-1)).toMatchObject({ untilDay: lastDay, nextStart: lastDay })
  })
  test('a crop ends when it is cleared, a cover holds on to what follows', () => {
    const [cover, crop] = standsOnCloth(data.stands, bed, lastDay)
    expect(cover.untilDay).toBe(crop.fromDay)
    expect(crop.untilDay).toBe(dayNumber('2026-10-06'))
  })
  test('what is sown under a crop does not cut it short', () => {
    const crop = find('02')
    const under = {
      ...find('03'),
      underStandId: crop.id,
      start: { plan: { ...find('03').start.plan!, date: '2026-08-15' }, actual: null },
    }
    const items = standsOnCloth([crop, under], { ...bed, id: crop.bedId }, lastDay)
    expect(items[0].untilDay).toBe(dayNumber('2026-10-06'))
  })
  test('parts of a bed lie side by side, each until its own ground is taken; the path is a selvedge', () => {
    const [cover, crop] = standsOnCloth(data.stands, bed, lastDay).map(({ stand }) => stand)
    const part = (id: string, segment: Segment): Stand => ({ ...cover, id, segment })
    const [first, second, path] = standsOnCloth(
      [
        part('first', { kind: 'half', which: 'first' }),
        part('second', { kind: 'half', which: 'second' }),
        part('path', { kind: 'path' }),
        crop,
      ],
      bed,
      lastDay,
    )
    expect([first.across, second.across]).toEqual([
      [0, 0.5],
      [0.5, 1],
    ])
    const beside = (fromAcrossM: number, toAcrossM: number): Segment => ({
      kind: 'rectangle',
      fromM: bed.lengthM / 2,
      toM: bed.lengthM,
      fromAcrossM,
      toAcrossM,
    })
    const half = bed.widthM / 2
    const parts = [part('left', beside(0, half)), part('right', beside(half, bed.widthM))]
    expect(standsOnCloth(parts, bed, lastDay).map(({ across }) => across)).toEqual([
      [0.5, 0.75],
      [0.75, 1],
    ])
    expect(path.across[0]).toBeGreaterThan(0.8)
    const cropDay = dayNumber(crop.start.plan!.date)
    expect([first.nextStart, second.nextStart, path.nextStart]).toEqual([cropDay, cropDay, lastDay])
  })
})
