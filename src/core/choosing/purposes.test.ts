import { describe, expect, test } from '@jest/globals'
import type { PurposeId } from '../garden/schema'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { findPurpose } from './purposes'

const summer = { members: 12, days: 75 }
const grown = Object.fromEntries(
  ['buckwheat', 'phacelia', 'oilseed-radish', 'oats', 'field-pea', 'red-clover'].map((id) => [
    id,
    growStand(TEST_SITES.maryland, id, '2025-05-01', summer).run,
  ]),
)

/** Mean amount of a purpose over the members, sixty days after sowing. */
function amount(purpose: PurposeId, species: string): number {
  const run = grown[species]
  const values = Array.from({ length: run.members }, (_, member) =>
    findPurpose(purpose).amount(run, member, run.startDay + 60),
  )
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

describe('purposes are counted from what grew', () => {
  test('feed: peas fix nitrogen, oats none', () => {
    expect(amount('feed', 'field-pea')).toBeGreaterThan(1)
    expect(amount('feed', 'oats')).toBe(0)
  })
  test('hold: oats take up soil nitrogen; what peas fixed does not count', () => {
    expect(amount('hold', 'oats')).toBeGreaterThan(2)
    expect(amount('hold', 'field-pea')).toBeLessThan(amount('hold', 'oats') + amount('feed', 'field-pea'))
  })
  test('quick: buckwheat covers sooner than red clover', () => {
    expect(amount('quick', 'buckwheat')).toBeLessThan(amount('quick', 'red-clover'))
  })
  test('smother: mean cover is a percentage and higher for the quicker', () => {
    expect(amount('smother', 'buckwheat')).toBeGreaterThan(amount('smother', 'red-clover'))
    expect(amount('smother', 'buckwheat')).toBeLessThanOrEqual(100)
  })
  test('insects: flowers count by their worth, grasses not at all', () => {
    expect(amount('insects', 'buckwheat')).toBeGreaterThan(5)
    expect(amount('insects', 'oats')).toBe(0)
  })
  test('loosen: radish roots work more than buckwheat’s', () => {
    expect(amount('loosen', 'oilseed-radish')).toBeGreaterThan(amount('loosen', 'buckwheat'))
  })
  test('mass and mulch count residue along with what stands', () => {
    const run = grown.oats
    const day = run.startDay + 60
    const at = 60
    expect(findPurpose('mass').amount(run, 0, day)).toBeCloseTo(run.massG[at] + run.residueG[at], 6)
    expect(amount('mulch', 'oats')).toBeCloseTo(amount('mass', 'oats'), 6)
  })
})
