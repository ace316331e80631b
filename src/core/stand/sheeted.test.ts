import { describe, expect, test } from '@jest/globals'
import { quantilesOf } from '../foundations/statistics'
import { TEST_SITES } from '../testing/sites'
import { growStand } from '../testing/stands'
import type { SheetKind } from './fate'
import type { StandRun } from './types'
import { placeIn } from './series'

const { maryland } = TEST_SITES
/** Rye cut down in bloom, and what lies on it for eight weeks. */
const SOWN = '2025-09-25'
const CUT_AFTER = 240
const LAIN = 56

function cutDown(sheet: SheetKind | null) {
  const sowDay = growStand(maryland, 'cereal-rye', SOWN, { members: 1, days: 1 }).sowDay
  const day = sowDay + CUT_AFTER
  return growStand(maryland, 'cereal-rye', SOWN, {
    members: 40,
    events: [
      {
        day,
        kind: 'end',
        topLeft: 0,
        fate: { by: 'share', share: 0 },
        ...(sheet && { sheet: { kind: sheet, offDay: day + LAIN } }),
      },
    ],
  }).run
}

const runs = {
  open: cutDown(null),
  black: cutDown('black'),
  clear: cutDown('clear'),
  cardboard: cutDown('cardboard'),
}
/** The middle of a series some days after the sowing. */
const middle = (run: StandRun, name: 'residueG' | 'mineralG' | 'soilWaterMm', after: number) =>
  quantilesOf(Float64Array.from({ length: run.members }, (_, m) => run[name][placeIn(run, m, after)]))!.p50

describe('ground under a sheet', () => {
  test('until it is laid nothing differs', () => {
    for (const run of Object.values(runs))
      expect(middle(run, 'residueG', CUT_AFTER - 1)).toBe(middle(runs.open, 'residueG', CUT_AFTER - 1))
  })
  test('residue rots faster in damp warmth, fastest under clear film; cardboard keeps out light, not rain', () => {
    const left = (run: StandRun) =>
      middle(run, 'residueG', CUT_AFTER + LAIN) / middle(run, 'residueG', CUT_AFTER + 1)
    expect(left(runs.black)).toBeLessThan(0.9 * left(runs.open))
    expect(left(runs.clear)).toBeLessThan(left(runs.black))
    expect(left(runs.black)).toBeGreaterThan(0.15)
    expect(left(runs.cardboard)).toBeCloseTo(left(runs.open), 2)
  })
  test('rain does not reach it, so that nothing is washed out, and the ground keeps what water it had', () => {
    const after = CUT_AFTER + LAIN - 1
    expect(middle(runs.black, 'mineralG', after)).toBeGreaterThan(middle(runs.open, 'mineralG', after))
    expect(middle(runs.black, 'soilWaterMm', after)).toBeCloseTo(
      middle(runs.black, 'soilWaterMm', CUT_AFTER + 1),
      0,
    )
  })
  test('matter, nitrogen and water balance under it as in the open', () => {
    for (const { accounts } of Object.values(runs))
      for (const account of ['mass', 'nitrogen', 'water'] as const)
        accounts[`${account}In`].forEach((came, m) =>
          expect(accounts[`${account}Out`][m]).toBeCloseTo(came, 6),
        )
  })
})
