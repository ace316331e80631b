import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { quantilesOf } from '../foundations/statistics'
import type { PurposeId } from '../garden/schema'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { testCounting } from '../testing/questions'
import { valuesOn } from '../stand/summary'
import { daysHeld } from './counting'
import { findPurpose, PURPOSES } from './purposes'
import type { WeedKind } from './types'
import { placeIn } from '../stand/series'

const summer = { members: 12, days: 75 }
const grown = new Map<string, ReturnType<typeof growStand>>()
const stand = (id: string) => {
  const known = grown.get(id) ?? growStand(TEST_SITES.maryland, id, '2025-05-01', summer)
  grown.set(id, known)
  return known
}

/** Mean amount of a purpose over the members, some days after sowing. */
function amount(purpose: PurposeId, species: string, days = 60, weeds: WeedKind = 'any', left = 1): number {
  const grown = stand(species)
  const { members, startDay } = grown.run
  const values = Array.from({ length: members }, (_, member) =>
    findPurpose(purpose).amount(testCounting(grown, member, startDay + days, { left, weeds })),
  )
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

describe('purposes are counted from what grew', () => {
  test('feed: peas fix nitrogen, oats none', () => {
    expect(amount('feed', 'field-pea')).toBeGreaterThan(1)
    expect(amount('feed', 'oats')).toBe(0)
  })
  test('feed and mulch: what is carried off is not counted', () => {
    for (const purpose of ['feed', 'mulch'] as const) {
      const all = amount(purpose, 'field-pea')
      const carried = amount(purpose, 'field-pea', 60, 'any', 0.05)
      expect(carried).toBeGreaterThanOrEqual(0.05 * all)
      expect(carried).toBeLessThan(0.3 * all)
      expect(amount(purpose, 'field-pea', 60, 'any', 0.5)).toBeLessThan(0.7 * all)
    }
  })
  test('hold: oats take up soil nitrogen; what peas fixed does not count', () => {
    expect(amount('hold', 'oats')).toBeGreaterThan(2)
    expect(amount('hold', 'field-pea')).toBeLessThan(amount('hold', 'oats') + amount('feed', 'field-pea'))
  })
  test('hold: a catch crop that winter kills still holds most of its nitrate in March, less what was freed and lost', () => {
    const grown = growStand(TEST_SITES.pennsylvania, 'oilseed-radish', '2025-08-15', {
      members: 20,
      days: 240,
    })
    const { run } = grown
    const held = (date: string) => {
      const each = Array.from({ length: run.members }, (_, member) =>
        findPurpose('hold').amount(testCounting(grown, member, dayNumber(date))),
      )
      return each.reduce((sum, value) => sum + value, 0) / each.length
    }
    const alive = valuesOn(run, run.species[0].alive, dayNumber('2026-03-01'))
    expect(alive.reduce((sum, share) => sum + share, 0) / alive.length).toBeLessThan(0.1)
    expect(held('2026-03-01')).toBeGreaterThan(0.5 * held('2025-11-15'))
    expect(held('2026-03-01')).toBeLessThan(held('2025-11-15'))
  })
  test('quick: buckwheat leaves fewer days bare than red clover, and a tender cover many once frost has killed it', () => {
    expect(amount('quick', 'buckwheat')).toBeLessThan(amount('quick', 'red-clover'))
    const left = (id: string) => {
      const grown = growStand(TEST_SITES.pennsylvania, id, '2025-08-05', { members: 6, days: 260 })
      const { members, startDay } = grown.run
      const days = (m: number) => findPurpose('quick').amount(testCounting(grown, m, startDay + 250))
      return quantilesOf(Float64Array.from({ length: members }, (_, m) => days(m)))!.p50
    }
    expect(left('cowpea')).toBeGreaterThan(left('oats') + 60)
  })
  test('days are bare before, held and bare after; what is carried off leaves the ground bare', () => {
    const grown = stand('buckwheat')
    const { startDay } = grown.run
    const window = { fromDay: startDay - 10, untilDay: startDay + 70 }
    const all = daysHeld(testCounting(grown, 0, startDay + 60, { window }))
    expect(all.before).toBeGreaterThan(20)
    expect(all.held).toBeGreaterThan(30)
    expect(all.after).toBe(0)
    expect(all.before + all.held + all.after).toBe(80)
    const carried = daysHeld(testCounting(grown, 0, startDay + 60, { window, left: 0.05, onTop: 0.05 }))
    expect(carried.after).toBe(10)
    expect(carried.before).toBe(all.before)
  })
  test('smother: mean cover, higher for the quicker, and only over the season of the weeds', () => {
    expect(amount('smother', 'buckwheat')).toBeGreaterThan(amount('smother', 'red-clover'))
    expect(amount('smother', 'buckwheat')).toBeLessThanOrEqual(100)
    expect(amount('smother', 'buckwheat', 60, 'warm season')).toBeGreaterThan(
      amount('smother', 'buckwheat', 60, 'cool season'),
    )
    expect(amount('smother', 'red-clover', 40, 'creeping')).toBeLessThan(
      amount('smother', 'red-clover', 40, 'any') + 1e-9,
    )
  })
  test('insects: flowers count by their worth, grasses not at all', () => {
    expect(amount('insects', 'buckwheat')).toBeGreaterThan(5)
    expect(amount('insects', 'oats')).toBe(0)
    // In a cold week no bee comes to an open flower.
    const grown = stand('buckwheat')
    const cold = {
      ...grown.ensemble,
      members: grown.ensemble.members.map((member) => ({ ...member, tMaxC: member.tMaxC.map(() => 8) })),
    }
    const counting = testCounting(grown, 0, grown.run.startDay + 60)
    expect(findPurpose('insects').amount({ ...counting, ensemble: cold })).toBe(0)
  })
  test('loosen: radish roots work more than buckwheat’s', () => {
    expect(amount('loosen', 'oilseed-radish')).toBeGreaterThan(amount('loosen', 'buckwheat'))
  })
  test('mass and mulch count residue along with what stands', () => {
    const grown = stand('oats')
    const { run } = grown
    const counting = testCounting(grown, 0, run.startDay + 60)
    expect(findPurpose('mass').amount(counting)).toBeCloseTo(
      run.massG[placeIn(run, 0, 60)] + run.residueG[placeIn(run, 0, 60)],
      6,
    )
    expect(amount('mulch', 'oats')).toBeCloseTo(amount('mass', 'oats'), 6)
    // Long after its death most of it has rotted; it was grown all the same.
    expect(amount('mass', 'buckwheat', 74)).toBeGreaterThanOrEqual(amount('mulch', 'buckwheat', 74))
    const old = growStand(TEST_SITES.maryland, 'cereal-rye', '2025-09-10', { members: 6, days: 400 })
    const late = testCounting(old, 0, old.run.startDay + 395)
    expect(findPurpose('mass').amount(late)).toBeGreaterThan(1.5 * findPurpose('mulch').amount(late))
  })
  test('carry: strawy growth counts full, soft growth half', () => {
    const { run } = stand('field-pea')
    const standing = Array.from({ length: run.members }, (_, m) => run.massG[placeIn(run, m, 60)])
    const mean = standing.reduce((sum, value) => sum + value, 0) / standing.length
    expect(amount('carry', 'field-pea')).toBeLessThan(0.8 * mean)
    expect(amount('carry', 'oats', 74)).toBeGreaterThan(amount('carry', 'field-pea', 74))
  })
  test('nematodes: sorghum starves them, peas feed them, oats too', () => {
    expect(amount('nematodes', 'sorghum-sudangrass', 74)).toBeGreaterThan(100)
    expect(amount('nematodes', 'field-pea')).toBe(0)
  })
  test('slope: what covers early shelters more of the hard rain', () => {
    expect(amount('slope', 'buckwheat')).toBeGreaterThan(amount('slope', 'red-clover'))
    expect(amount('slope', 'buckwheat')).toBeLessThanOrEqual(100)
  })
  test('forage: nothing from what harms poultry', () => {
    expect(amount('forage', 'oats')).toBeGreaterThan(30)
    expect(amount('forage', 'hairy-vetch')).toBe(0)
  })
  test('raw: more roots with more growth', () => {
    expect(amount('raw', 'oats', 70)).toBeGreaterThan(amount('raw', 'oats', 30))
  })
  test('kitchen: pea tips are eaten, phacelia is not', () => {
    expect(amount('kitchen', 'field-pea')).toBeGreaterThan(20)
    expect(amount('kitchen', 'phacelia')).toBe(0)
  })
  test('each purpose has its test here', () => {
    expect(PURPOSES.map((purpose) => purpose.id).sort()).toEqual([
      'carry',
      'feed',
      'forage',
      'hold',
      'insects',
      'kitchen',
      'loosen',
      'mass',
      'mulch',
      'nematodes',
      'quick',
      'raw',
      'slope',
      'smother',
    ])
  })
})
