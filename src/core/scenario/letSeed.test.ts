import { describe, expect, test } from '@jest/globals'
import { standRun } from '../bed/standRun'
import { dayNumber } from '../foundations/day'
import { generatedEnsemble } from '../site/ensemble'
import { testPlan } from '../testing/plans'
import { TEST_SITES } from '../testing/sites'
import { letSeed } from './letSeed'
import type { Scenario } from './types'

const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, dayNumber('2026-03-01'), 330, 24, 1)
const oats = (): Scenario => ({
  ...testPlan('oats', '2026-04-05', '2026-08-10', 'chop', 'garlic', '2026-10-15'),
  follows: { kind: 'nothing' },
  today: dayNumber('2026-06-10'),
})
const days = letSeed(oats(), standRun(oats().standCase, ensemble)!)
const seeds = (at: number) => days[at].seeds.reduce((sum, { viablePerM2 }) => sum + viablePerM2.p50, 0)

describe('a cover that is let seed', () => {
  test('has no seed fit to sprout on the first day told, and more the longer it is left', () => {
    expect(seeds(0)).toBeLessThan(1)
    for (let i = 1; i < days.length; i++) expect(seeds(i)).toBeGreaterThanOrEqual(seeds(i - 1) - 1e-9)
    expect(seeds(days.length - 1)).toBeGreaterThan(300)
  })
  test('the day planned for its end is among those told', () => {
    expect(days.map(({ day }) => day)).toContain(dayNumber('2026-08-10'))
  })
  test('nothing is told where the ground is wanted before, or none is set', () => {
    const early = {
      ...oats(),
      follows: {
        kind: 'deadline' as const,
        day: dayNumber('2026-06-15'),
        establishment: 'transplant' as const,
      },
    }
    expect(letSeed(early, standRun(early.standCase, ensemble)!)).toEqual([])
    const vetch = testPlan('hairy-vetch', '2026-08-20', '2026-12-01', 'chop', 'garlic', '2026-12-20')
    expect(letSeed(vetch, standRun(vetch.standCase, ensemble)!)).toEqual([])
  })
})
