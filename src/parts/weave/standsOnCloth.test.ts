import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../../core/foundations/day'
import { marlpitLane } from '../../demo/marlpitLane'
import { standsOnCloth } from './standsOnCloth'

const data = marlpitLane()
const find = (id: string) => data.stands.find((item) => item.id === `marlpit-lane-stand-${id}`)!

describe('stands on the cloth', () => {
  const lastDay = dayNumber('2027-03-01')
  test('each gives way to the next; the last reaches the end of the sheet', () => {
    const items = standsOnCloth(data.stands, 'marlpit-lane-L1', lastDay)
    expect(items[0].nextStart).toBe(items[1].fromDay)
    expect(items.at(-1)).toMatchObject({ untilDay: lastDay, nextStart: lastDay })
  })
  test('a crop ends when it is cleared, a cover holds on to what follows', () => {
    const [cover, crop] = standsOnCloth(data.stands, 'marlpit-lane-L1', lastDay)
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
    const items = standsOnCloth([crop, under], crop.bedId, lastDay)
    expect(items[0].untilDay).toBe(dayNumber('2026-10-06'))
  })
})
