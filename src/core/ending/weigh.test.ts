import { describe, expect, test } from '@jest/globals'
import { weigh, type HarvestRule, type JudgedWay, type Target } from './weigh'

/** A way that kills within ten days of any start, in all members. */
const judged = (own: Partial<JudgedWay> = {}, flies: number | null = null): JudgedWay => ({
  method: 'hens',
  passes: 1,
  name: 'Hens in a moved pen',
  obstacle: null,
  leftOut: null,
  ranks: 10,
  settleDays: 0,
  disturbance: 1,
  manureAfterDays: null,
  needs: [],
  byStart: Array.from({ length: 21 }, (_, i) => i * 5).map((day) => ({
    day,
    dead: Array.from({ length: 10 }, () => day + 10),
    deadFree: null,
    survivors: { low: 0, mid: 0.02, high: 0.05 },
    minutes: 10,
    flies: flies === null ? null : Array.from({ length: 10 }, () => day + flies),
  })),
  ...own,
})
const target = (harvest: Partial<HarvestRule> | null = null): Target => ({
  plantingDay: 100,
  establishment: 'transplant',
  waitDays: 0,
  harvest: harvest && {
    crop: 'Lettuce',
    daysToHarvest: 45,
    manureDays: 120,
    lastManureDay: null,
    ...harvest,
  },
})

describe('the chance knows the interval from manure to the harvest', () => {
  const hens = judged({ manureAfterDays: 8 })
  test('hens must have left so long before that the harvest keeps it: start 17 at the latest', () => {
    // Last hen on start + 8; harvest on day 145, 120 days after day 25.
    expect(weigh(hens, target()).latestSafeDay).toBe(90)
    const kept = weigh(hens, target({}))
    expect(kept.latestSafeDay).toBe(15)
    expect(kept.byStart.find(({ day }) => day === 15)?.chance).toBe(1)
    expect(kept.byStart.find(({ day }) => day === 20)?.chance).toBe(0)
  })
  test('where no start keeps it there is no chance, and the reason says by how much', () => {
    const none = weigh(hens, { ...target({}), plantingDay: 60 })
    expect(none).toMatchObject({ chance: 0, chanceFree: 0, bestStartDay: null, latestSafeDay: null })
    expect(none.risk).toMatch(/^The harvest of lettuce would come \d+ days after manure; 120 are asked for/)
  })
  test('a crop clear of soil waits less, one that takes long need not wait at all', () => {
    expect(weigh(hens, target({ manureDays: 90 })).latestSafeDay).toBe(45)
    expect(weigh(hens, target({ daysToHarvest: 130 })).latestSafeDay).toBe(90)
  })
  test('manure that came before shuts every way, not only the animals', () => {
    const chop = judged({ method: 'chop' })
    expect(weigh(chop, target({ lastManureDay: 20 })).chance).toBe(1)
    expect(weigh(chop, target({ lastManureDay: 40 }))).toMatchObject({ chance: 0, bestStartDay: null })
  })
})

describe('what is said of waiting for cold or heat follows the chance', () => {
  const waiting = (dying: number) =>
    weigh(
      judged({
        method: 'summer-kill',
        byStart: judged()
          .byStart.slice(0, 1)
          .map((start) => ({ ...start, dead: start.dead.slice(0, dying) })),
      }),
      target(),
    )
  test.each([
    [8, 0.8, /cool summer part of it may live on/],
    [7, 0.7, /cool summer part of it may live on/],
    [5, 0.5, /as well be alive as dead/],
    [2, 0.2, /most likely be alive/],
  ] as const)('%i in 10', (dying, chance, words) => {
    expect(waiting(dying).chance).toBeCloseTo(chance, 9)
    expect(waiting(dying).risk).toMatch(words)
  })
})

describe('the chance knows the seed flies', () => {
  const turned = judged({ method: 'turn' }, 25)
  test('what is buried waits for them, though it is dead sooner', () => {
    expect(weigh(judged({ method: 'turn' }), target()).latestSafeDay).toBe(90)
    expect(weigh(turned, target()).latestSafeDay).toBe(75)
    const late = weigh(turned, target(), 85)
    expect(late.chance).toBe(0)
    expect(late.risk).toMatch(/Seed flies come to what is freshly buried/)
  })
})
