import { describe, expect, test } from '@jest/globals'
import { quantilesOf } from '../foundations/statistics'
import { bladesFor, workedGround } from '../termination/workRates'
import { testBed, testTool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { growStand } from '../testing/stands'
import type { Blade } from './fate'
import type { StandEvent, StandRun } from './types'
import { placeIn } from './series'

const SOWN = '2025-09-25'
const CUT_AFTER = 240
const sowDay = growStand(TEST_SITES.maryland, 'cereal-rye', SOWN, { members: 1, days: 1 }).sowDay

/** Rye cut down in bloom with some blades. */
const cutWith = (blades?: readonly Blade[], after: readonly StandEvent[] = []): StandRun =>
  growStand(TEST_SITES.maryland, 'cereal-rye', SOWN, {
    members: 30,
    events: [
      {
        day: sowDay + CUT_AFTER,
        kind: 'end',
        topLeft: 0,
        fate: { by: 'acts', method: 'chop', passes: 1, ...(blades && { blades }) },
      },
      ...after,
    ],
  }).run

const left = (run: StandRun, after: number) =>
  quantilesOf(
    Float64Array.from({ length: run.members }, (_, m) => run.residueG[placeIn(run, m, CUT_AFTER + after)]),
  )!.p50

describe('what a blade leaves', () => {
  const short = { hardest: 0.95, contact: 1.25 }
  const whole = cutWith()
  const fine = cutWith([short])

  test('in short pieces rots faster, by no more than its contact with the soil', () => {
    expect(left(fine, 1)).toBeGreaterThan(0.9 * left(whole, 1))
    const kept = (run: StandRun) => left(run, 45) / left(run, 1)
    expect(kept(fine)).toBeLessThan(0.97 * kept(whole))
    // A quarter more contact is at most a quarter more of the way.
    expect(Math.log(kept(fine))).toBeGreaterThan(1.3 * Math.log(kept(whole)))
    expect(fine.mineralG).not.toEqual(whole.mineralG)
  })
  test('is that of the first that still cuts the stems', () => {
    const other = { hardest: 1, contact: 1 }
    expect(cutWith([{ ...short, hardest: 0.05 }, other]).residueG).toEqual(whole.residueG)
    expect(cutWith([short, other]).residueG).toEqual(fine.residueG)
  })
  test('counts by weight with straw that is laid on it', () => {
    const straw = { day: sowDay + CUT_AFTER, kind: 'mulch' as const, massG: 3000, nitrogenG: 18 }
    const kept = (blades?: readonly Blade[]) => {
      const run = cutWith(blades, [straw])
      return Math.log(left(run, 45) / left(run, 1))
    }
    const faster = Math.log(left(fine, 45) / left(fine, 1)) / Math.log(left(whole, 45) / left(whole, 1))
    expect(kept([short]) / kept()).toBeGreaterThan(1)
    expect(kept([short]) / kept()).toBeLessThan(faster)
  })
  test('matter and nitrogen balance all the same', () => {
    const { accounts } = fine
    accounts.massIn.forEach((came, m) => expect(accounts.massOut[m]).toBeCloseTo(came, 6))
    accounts.nitrogenIn.forEach((came, m) => expect(accounts.nitrogenOut[m]).toBeCloseTo(came, 6))
  })
})

test('the blades owned stand in the order of the work; nothing is told where none cuts finer', () => {
  const small = workedGround(testBed, { kind: 'whole' })
  const kinds = (...tools: Parameters<typeof testTool>[0][]) =>
    bladesFor(
      tools.map((kind) => testTool(kind)),
      small,
    )
  expect(kinds('scythe', 'hand shears', 'crimp board')).toBeUndefined()
  expect(kinds()).toBeUndefined()
  const both = kinds('hand shears', 'mower')!
  expect(both).toHaveLength(2)
  expect(both.map(({ contact }) => contact).sort()).toEqual([1, 1.25])
})
