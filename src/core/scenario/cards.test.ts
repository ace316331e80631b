import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { shareOf } from '../foundations/statistics'
import { USUAL_CLIMATE } from '../garden/fresh'
import type { SiteClimate } from '../garden/site'
import { findSpecies } from '../plants/catalogue'
import { grown, endBy, mowing, planned, type Drawn } from '../testing/relations/draw'
import { TEST_SITES } from '../testing/sites'
import { evaluate } from './evaluate'

/** What a grower does one after the other, and what must hold of it: what is told of the plan, as the rooms tell it. */
const plants = (...ids: string[]) => ids.map((id) => findSpecies(id)!)
const tell = (drawn: Drawn, ...of: Parameters<typeof planned> extends [unknown, infer P] ? [P] : never) =>
  evaluate(planned(drawn, ...of), drawn.ensemble)!
const alive = ({ termination }: ReturnType<typeof tell>) =>
  termination!.endings.reduce((sum, { survival }) => sum + survival, 0) / termination!.endings.length
const deadBy = ({ termination }: ReturnType<typeof tell>, date: string) =>
  shareOf(termination!.dead.length, (m) => termination!.dead[m] <= dayNumber(date))

/** Cold, humid, inland; and hot summers after mild winters. */
const massachusetts: SiteClimate = {
  ...USUAL_CLIMATE,
  latitude: 42.3,
  elevationM: 60,
  coastal: false,
  tMaxC: [1, 3, 8, 15, 21, 26, 29, 28, 23, 17, 10, 4],
  tMinC: [-9, -8, -4, 2, 8, 13, 16, 15, 11, 4, 0, -6],
  rainMm: [90, 80, 105, 100, 90, 100, 90, 90, 95, 105, 100, 100],
  wetDays: [11, 10, 11, 11, 12, 11, 10, 10, 9, 10, 11, 11],
}

describe('mown, then ended', () => {
  const rye = grown(TEST_SITES.maryland, plants('cereal-rye'), dayNumber('2025-09-25'), 11)
  const milk = dayNumber('2026-06-06')
  test.each(['turn', 'chop', 'bury'] as const)(
    'heads out: %s after a mowing leaves no more than alone',
    (way) => {
      for (const after of [7, 14]) {
        const alone = alive(tell(rye, { end: endBy(way, milk + after) }))
        const mown = alive(tell(rye, { end: endBy(way, milk + after), cuts: [mowing(milk)] }))
        expect(mown).toBeLessThanOrEqual(alone + 0.05)
      }
    },
  )
})

describe('a sheet against doing nothing', () => {
  const oats = grown(massachusetts, plants('oats', 'field-pea'), dayNumber('2025-08-10'), 5)
  test('laid in October it makes the day of death no later', () => {
    const by = dayNumber('2026-04-15')
    const alone = tell(oats, { end: endBy('winter-kill', by), plantOn: by })
    for (const date of ['2025-10-19', '2025-11-10']) {
      const sheeted = tell(oats, { end: endBy('tarp', dayNumber(date)), plantOn: by })
      for (const on of ['2025-12-01', '2026-01-01', '2026-02-01', '2026-03-01'])
        expect(deadBy(sheeted, on)).toBeGreaterThanOrEqual(deadBy(alone, on) - 0.05)
    }
  })
})

describe('ripe is dead', () => {
  const barley = grown(TEST_SITES.alabama, plants('spring-barley', 'field-pea'), dayNumber('2026-01-15'), 9)
  test('for a bed wanted in late July the natural death is a way with a high chance, seed told beside it', () => {
    const by = dayNumber('2026-07-25')
    const left = tell(barley, { end: endBy('summer-kill', by), plantOn: by })
    expect(left.outcome.chance.dead).toBeGreaterThan(0.8)
    expect(isoDate(left.outcome.dead!.p50) > '2026-04-15').toBe(true)
  })
})
