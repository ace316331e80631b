import { FATES } from '../termination/fates'
import { describe, expect, test } from '@jest/globals'
import { dateQuantiles, stageDays, valuesOn } from '../stand/summary'
import { runStand } from '../stand/kernel'
import { drawMemberParameters } from '../stand/memberParameters'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { nextStageChange } from './change'
import { assimilate, memberWeights, resampleParameters } from './assimilate'
import { EMPTY_OBSERVATION, type Observation } from './observations'

const MEMBERS = 80
const { run, ensemble, sowDay } = growStand(TEST_SITES.maryland, 'buckwheat', '2025-06-10', {
  members: MEMBERS,
  days: 70,
})
const input = {
  sown: run.sown,
  sowDay,
  soil: 'loam' as const,
  fertility: 'medium' as const,
  shade: 0,
  canopyAbove: null,
  fates: FATES,
  events: [],
}
const prior = drawMemberParameters(run.sown, MEMBERS, 4)
const runWith = (memberParameters: typeof prior, order: readonly number[] | null = null) =>
  runStand(
    input,
    order ? { ...ensemble, members: order.map((member) => ensemble.members[member]) } : ensemble,
    memberParameters,
  )
const before = runWith(prior)
const lookDay = sowDay + 24
const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length
const look = (bbch: number | null, cover: number | null): Observation => ({
  ...EMPTY_OBSERVATION,
  day: lookDay,
  bbch,
  cover,
})
const stagesOf = (of: typeof run) =>
  [61, 65].map((bbch) => ({ bbch, date: dateQuantiles(stageDays(of, 0, bbch)) }))

describe('learning from looks', () => {
  test('no looks leave the forecast as it was', () => {
    expect(assimilate(runWith, prior, 0, [], 1, true).run.cover).toEqual(before.cover)
  })
  test('a stage ahead of the forecast brings flowering forward and narrows it', () => {
    const ahead = mean(valuesOn(before, before.species[0].bbch, lookDay)) + 6
    const { run: after } = assimilate(
      runWith,
      prior,
      0,
      [look(ahead, null), { ...look(ahead + 3, null), day: lookDay + 2 }],
      1,
      true,
    )
    const change = nextStageChange(stagesOf(before), stagesOf(after), lookDay)!
    expect(change.shiftDays).toBeLessThan(0)
    expect(change.widthAfter).toBeLessThanOrEqual(change.widthBefore)
  })
  test('less cover than forecast lowers the cover to come', () => {
    const seen = Math.max(0.02, mean(valuesOn(before, before.cover, lookDay)) - 0.2)
    const { run: after } = assimilate(runWith, prior, 0, [look(null, seen)], 1, true)
    expect(mean(valuesOn(after, after.cover, lookDay + 7))).toBeLessThan(
      mean(valuesOn(before, before.cover, lookDay + 7)),
    )
  })
  test('plants counted are taken over, however far from what was expected', () => {
    const counted = { ...look(null, null), plants: { perM2: 40, error: 4, component: null } }
    const { run: after } = assimilate(runWith, prior, 0, [counted], 1, true)
    expect(mean(before.species[0].plantsPerM2)).toBeGreaterThan(100)
    expect(mean(after.species[0].plantsPerM2)).toBeGreaterThan(35)
    expect(mean(after.species[0].plantsPerM2)).toBeLessThan(45)
    expect(mean(valuesOn(after, after.cover, lookDay))).toBeLessThan(
      mean(valuesOn(before, before.cover, lookDay)),
    )
  })
  test('a weighed sample moves the mass most of the way to what was weighed', () => {
    const massOf = (of: typeof run) => mean(valuesOn(of, of.massG, lookDay + 10))
    const weighed = { ...look(null, null), day: lookDay + 10, massG: massOf(before) * 0.6, massError: 0.15 }
    const ratio = massOf(assimilate(runWith, prior, 0, [weighed], 1, true).run) / massOf(before)
    expect(ratio).toBeLessThan(0.85)
    expect(ratio).toBeGreaterThan(0.55)
  })
  test('a look far outside all members still pulls them its way', () => {
    const seen = { ...look(null, 0.05), coverError: 0.04 }
    const { run: after } = assimilate(runWith, prior, 0, [seen], 1, true)
    expect(mean(valuesOn(after, after.cover, lookDay))).toBeLessThan(
      0.75 * mean(valuesOn(before, before.cover, lookDay)),
    )
  })
  test('a look that tells nothing changes nothing', () => {
    expect(assimilate(runWith, prior, 0, [look(null, null)], 1, true).run.cover).toEqual(before.cover)
  })
  test('weights sum to one and favour agreement', () => {
    const weights = memberWeights(before, 0, [look(null, 0.9)])
    expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 9)
    const cover = valuesOn(before, before.cover, lookDay)
    const best = weights.indexOf(Math.max(...weights))
    expect(Math.abs(cover[best] - 0.9)).toBeLessThanOrEqual(
      Math.min(...cover.map((value) => Math.abs(value - 0.9))) + 1e-6,
    )
  })
  test('drawing again with equal weights keeps mean and spread', () => {
    const again = resampleParameters(prior, new Float64Array(MEMBERS).fill(1 / MEMBERS), 5).memberParameters
    const sd = (values: Float64Array) => Math.sqrt(mean(values.map((value) => (value - mean(values)) ** 2)))
    const [now, was] = [again, prior].map(({ species }) => species[0].development)
    expect(mean(now)).toBeCloseTo(mean(was), 1)
    expect(sd(now) / sd(was)).toBeGreaterThan(0.8)
    expect(sd(now) / sd(was)).toBeLessThan(1.25)
  })
})
