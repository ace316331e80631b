import { isoDate } from '../core/foundations/day'
import { describe, expect, test } from '@jest/globals'
import { chosenCover } from '../actions/planCover'
import { standsWith } from '../actions/planStretch'
import { plantsOf, scenarioFor } from '../core/choosing/composition'
import { coveringFor } from '../core/choosing/covering'
import { REJECT_BELOW } from '../core/choosing/limits'
import { IN_EARNEST } from '../core/choosing/screening'
import { bestOption } from '../core/scenario/best'
import { judge } from '../core/choosing/judge'
import { compareTerminations } from '../core/scenario/compare'
import { evaluate } from '../core/scenario/evaluate'
import { scenarioOf } from '../core/scenario/fromGarden'
import { sowingOutlook } from '../core/scenario/sowingDays'
import { standRun } from '../core/bed/standRun'
import { generatedEnsemble } from '../core/site/ensemble'
import { chanceLine, planData } from '../text/plan'
import { candidateTried } from '../rooms/choose/candidateTried'
import { plannedCrop, questionOf } from '../rooms/choose/question'
import { AGREEING_GARDENS, seededGarden } from './testing/seededGarden'

describe('on gardens made by chance every room tells the same of the plan that was chosen', () => {
  test.each(AGREEING_GARDENS)('garden %i', (seed) => {
    const { data, bed, today, form, components } = seededGarden(seed)
    const ensemble = generatedEnsemble(data.garden.site, today - 170, 545, 5, seed)
    const question = questionOf(form, {
      bed,
      data,
      upper: null,
      next: undefined,
      sowUntilDay: null,
      seedAtHand: [],
      today,
    })
    const sowDay = today + 2
    const judged = judge(components, sowDay, question, ensemble, IN_EARNEST)
    if (judged.verdict === 'rejected') {
      // What is left out for its ending cannot be ended in time in End either.
      const { limit, reason } = judged.rejection
      // Too late is said only of what comes after the day the bed is wanted.
      if (reason.code === 'covers late') expect(reason.coverDay).toBeGreaterThan(reason.byDay)
      expect(limit.length).toBeGreaterThan(2)
      if (limit !== 'cannot be ended') return
      const left = scenarioFor(components, sowDay, coveringFor(plantsOf(components), false), question)
      const season = standRun(left.standCase, ensemble)!
      const best = bestOption(left, compareTerminations(left, season))
      expect(best?.worth ?? 0).toBeLessThan(REJECT_BELOW)
      return
    }
    const { candidate } = judged
    const cover = chosenCover(
      candidate,
      {
        bed,
        segment: { kind: 'whole' },
        purposes: form.purposes,
        underStandId: null,
        crop: null,
        follows: form.neededBy === null ? null : { kind: 'undecided', neededBy: isoDate(form.neededBy) },
      },
      'c',
    )
    const crop = plannedCrop(form)
    const planned = [...data.stands, cover]
    const stands = crop ? standsWith({ beds: data.beds, stands: planned }, cover, { crop }, 'k') : planned
    const scenario = scenarioOf(
      { ...data, stands },
      stands.find(({ id }) => id === 'c')!,
      today,
    )!
    // Watch, End and Plant evaluate what was stored.
    const { outcome } = evaluate(scenario, ensemble)!
    expect(outcome.chance.whole).toBeCloseTo(candidate.chance, 9)
    expect(outcome.failures).toEqual(candidate.failures)
    // What stands on the plan line, in words and as data, is the same before and after it is stored.
    const offered = scenarioFor(candidate.components, candidate.sowDay, candidate.covering, question)
    const line = { ...offered, standCase: { ...offered.standCase, stand: cover } }
    expect(planData(line)).toEqual(planData(scenario))
    const told = candidateTried(candidate).outcome
    expect(chanceLine(line, told)).toBe(chanceLine(scenario, outcome))
    // Sow tries the same day, End holds the same way begun on the same day against the others.
    const [sown] = sowingOutlook(scenario, ensemble, [candidate.sowDay])
    expect(sown.chance).toBeCloseTo(candidate.chance, 9)
    const end = candidate.ending?.end
    if (!end || seed % 3 > 0) return
    const season = standRun(scenario.standCase, ensemble)!
    const option = compareTerminations(scenario, season).find(
      ({ method, passes }) => method === end.method && passes === end.passes,
    )!
    const same = option.starts.find((start) => start.end.date === end.date)!
    expect(same.chance).toBeCloseTo(candidate.chance, 9)
    expect(option.obstacle).toBeNull()
  })
})
