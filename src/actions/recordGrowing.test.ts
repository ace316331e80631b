import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../core/foundations/day'
import { check } from '../core/garden/check'
import { stand, type Stand } from '../core/garden/schema'
import { testBed } from '../core/testing/beds'
import { marlpitLane } from '../demo/marlpitLane'
import { recordGrowing, recordStanding, type Growing } from './recordGrowing'
import type { Step } from './step'

const { garden } = marlpitLane()
const today = dayNumber('2026-11-27')
const beds = ['A1', 'A2'].map((label) => ({ ...testBed, id: label, label }))
const data = (stands: Stand[] = []) => ({ garden, stands })
const put = ({ writes }: Step, table: string) =>
  writes.flatMap((write) => ('put' in write && write.table === table ? [write.put] : []))
const growing: Growing = {
  speciesIds: ['cereal-rye', 'hairy-vetch'],
  sownDay: dayNumber('2026-09-20'),
  withinDays: 10,
  looks: 'half green',
}

describe('a cover that grows already', () => {
  test('stands in each bed as sown, with a first look', () => {
    const step = recordGrowing(data(), beds, growing, today)
    const stands = put(step, 'stands') as Stand[]
    expect(stands.map(({ bedId }) => bedId)).toEqual(['A1', 'A2'])
    for (const one of stands) {
      expect(stand.safeParse(one).success).toBe(true)
      expect(one.start).toMatchObject({
        plan: null,
        actual: { date: '2026-09-20', sownBetween: { from: '2026-09-10', to: '2026-09-30' } },
      })
    }
    const looks = put(step, 'checks')
    expect(looks).toHaveLength(2)
    expect(check.safeParse(looks[0]).success).toBe(true)
    expect(looks[0]).toMatchObject({ standId: stands[0].id, cover: 0.5, coverBy: { kind: 'glance' } })
    expect(step.label).toBe('Cereal rye with hairy vetch grows in A1, A2')
  })
  test('was not sown after today, however unsure; a sure day has no range; no look, no check', () => {
    const late = recordGrowing(data(), beds, { ...growing, sownDay: today - 4 }, today)
    expect((put(late, 'stands') as Stand[])[0].start.actual!.sownBetween!.to).toBe(isoDate(today))
    const sure = recordGrowing(data(), beds, { ...growing, withinDays: 0, looks: null }, today)
    expect((put(sure, 'stands') as Stand[])[0].start.actual!.sownBetween).toBeNull()
    expect(put(sure, 'checks')).toEqual([])
  })
  test('grows under the crop that still stood; a crop planned after it stays planned', () => {
    const [leek] = put(
      recordStanding(data(), [beds[0]], { cropId: 'leek', untilDay: today + 20 }, today),
      'stands',
    ) as Stand[]
    expect(leek.start.actual!.date <= isoDate(today)).toBe(true)
    const [under] = put(
      recordGrowing(data([leek]), [beds[0]], { ...growing, sownDay: today - 2 }, today),
      'stands',
    ) as Stand[]
    expect(under.underStandId).toBe(leek.id)
  })
})

test('a crop that stands was planted by today and is cleared on its day', () => {
  const step = recordStanding(data(), beds, { cropId: 'leek', untilDay: today + 300 }, today)
  for (const one of put(step, 'stands') as Stand[]) {
    expect(stand.safeParse(one).success).toBe(true)
    expect(one.start.actual!.date).toBe('2026-11-27')
    expect(one.end.plan!.date).toBe(isoDate(today + 300))
  }
})
