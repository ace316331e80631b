import { describe, expect, test } from '@jest/globals'
import { standRun } from '../core/bed/standRun'
import { dayNumber } from '../core/foundations/day'
import type { EndMethodId } from '../core/garden/ending'
import { stand as standSchema, type Stand } from '../core/garden/schema'
import { isSelfSown } from '../core/garden/timeline'
import { findSpecies } from '../core/plants/catalogue'
import { letSeed } from '../core/scenario/letSeed'
import { selfSownCase, sownItself } from '../core/scenario/selfSown'
import { plantsExpected, sownSpecies } from '../core/season/input'
import { generatedEnsemble } from '../core/site/ensemble'
import { testBed } from '../core/testing/beds'
import { dateQuantiles, stageDays } from '../core/stand/summary'
import { testPlan } from '../core/testing/plans'
import { TEST_SITES } from '../core/testing/sites'
import { acceptSelfSown, cameUpItself } from './selfSown'

const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, dayNumber('2026-03-01'), 330, 24, 1)
const plan = testPlan('oats', '2026-04-05', '2026-08-10', 'chop', 'garlic', '2026-10-15')
const days = letSeed(
  { ...plan, follows: { kind: 'nothing' }, today: dayNumber('2026-06-10') },
  standRun(plan.standCase, ensemble)!,
)
const putBy = ({ writes }: { writes: readonly object[] }) =>
  writes.map((write) => (write as { put: Stand }).put)
const fallen = days.at(-1)!.seeds.reduce((sum, { viablePerM2 }) => sum + viablePerM2.p50, 0)

describe('its seedlings as the next stand', () => {
  const mother = plan.standCase.stand
  const last = days.at(-1)!
  const step = acceptSelfSown(mother, testBed, last)
  const [ended, fresh] = putBy(step)
  test('the mother ends that day, and what fell is the sowing', () => {
    expect(dayNumber(ended.end.plan!.date)).toBe(last.day)
    expect(standSchema.safeParse(fresh).success).toBe(true)
    expect(isSelfSown(fresh)).toBe(true)
    expect(fresh).toMatchObject({ underStandId: mother.id, segment: mother.segment })
  })
  test('an ending that would take the seedlings too gives way to a cut over the seed', () => {
    const endedBy = (method: EndMethodId) => {
      const end = { plan: { date: '2026-08-10', method, passes: 1, note: 'own' }, actual: null }
      const [one] = putBy(acceptSelfSown({ ...mother, end }, testBed, last))
      return one.end.plan!.method
    }
    for (const method of ['tarp', 'turn', 'hens', 'winter-kill'] as const)
      expect(endedBy(method)).toBe('chop')
    expect(endedBy('crimp')).toBe('crimp')
  })
  test('as many come up as End says', () => {
    const expected = plantsExpected(sownSpecies(fresh, testBed))
    const told = last.seeds.reduce((sum, { sproutsPerM2 }) => sum + sproutsPerM2!.p50, 0)
    expect(expected).toBeCloseTo(told, -1)
  })
  test('they are up when their own forecast says, not before the seed lies', () => {
    for (const seedDay of days.filter(({ up }) => up?.quantiles)) {
      const seedlings = selfSownCase(plan.standCase, dayNumber('2026-04-05'), seedDay, 'own')!
      const { run } = standRun(seedlings, ensemble)!
      const own = dateQuantiles(stageDays(run, 0, 9)).quantiles!
      expect(Math.abs(own.p50 - seedDay.up!.quantiles!.p50)).toBeLessThanOrEqual(1)
      expect(seedDay.up!.quantiles!.p10).toBeGreaterThan(seedDay.day)
    }
  })
  test('seed that lies dormant is not counted on', () => {
    const [component] = sownItself(last, mother, testBed)
    const { dormantShare, thousandSeedG } = findSpecies('oats')!.parameters
    const perM2 = (component.grams! * 1000) / thousandSeedG / (testBed.lengthM * testBed.widthM)
    expect(perM2).toBeCloseTo(fallen * (1 - dormantShare), 3)
  })
  test('once it has come up it is recorded as sown by itself', () => {
    const [recorded] = putBy(cameUpItself(fresh))
    expect(recorded.start.actual).toEqual(fresh.start.plan)
  })
})
