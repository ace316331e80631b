import { describe, expect, test } from '@jest/globals'
import { chosenCover } from '../../actions/planCover'
import { standsWith } from '../../actions/planStretch'
import { coveringFor, plantsOf, scenarioFor } from '../../core/choosing/composition'
import { REJECT_BELOW } from '../../core/choosing/limits'
import { IN_EARNEST } from '../../core/choosing/screening'
import { bestOption } from '../../core/scenario/best'
import { judge } from '../../core/choosing/judge'
import { isoDate, dayNumber } from '../../core/foundations/day'
import { randomStream } from '../../core/foundations/random'
import { USUAL_RULES } from '../../core/garden/rules'
import { clearing, cropContent, cropStand, planting } from '../../core/garden/newStands'
import type { Bed, GardenData, Stand } from '../../core/garden/schema'
import { findCrop } from '../../core/plants/crops'
import { compareTerminations } from '../../core/scenario/compare'
import { evaluate } from '../../core/scenario/evaluate'
import { scenarioOf } from '../../core/scenario/fromGarden'
import { sowingOutlook } from '../../core/scenario/sowingDays'
import { standRun } from '../../core/bed/standRun'
import { generatedEnsemble } from '../../core/site/ensemble'
import { testCover, testTool } from '../../core/testing/beds'
import { marlpitLane } from '../../demo/marlpitLane'
import { chanceLine, planData } from '../../text/plan'
import { candidateTried } from './candidateTried'
import { plannedCrop, questionOf, startingForm, type ChooseForm } from './question'

const OWNED = [
  testTool('scythe'),
  testTool('hand shears'),
  testTool('crimp board', 1.2),
  testTool('black tarp', 2, 20),
  testTool('spade or fork'),
  testTool('wheelbarrow'),
  testTool('mower'),
]
const SPECIES = ['cereal-rye', 'hairy-vetch', 'oats', 'buckwheat', 'field-pea', 'phacelia', 'crimson-clover']
const CROPS = ['tomato', 'cabbage', 'lettuce', 'carrot', 'bean', 'leek', 'squash']

/** What stood in the bed until a week ago: nothing, a crop, or a cover that was cut. */
function earlier(bed: Bed, today: number, what: string | null): Stand[] {
  const where = { id: 'earlier', gardenId: bed.gardenId, bedId: bed.id }
  const from = isoDate(today - 120)
  const until = isoDate(today - 7)
  if (what === null) return []
  if (findCrop(what))
    return [
      {
        ...cropStand(where, cropContent(what, 'transplant'), { plan: null, fact: planting(from) }, 113),
        end: { plan: null, fact: clearing(until) },
      },
    ]
  const end = { method: 'chop' as const, date: until, passes: 1, note: '' }
  return [testCover(what, from, { ...where, end: { plan: null, fact: end } })]
}

/** A garden made by chance: tools, rules, soil, a day, a crop and a cover of its own. */
function seeded(seed: number) {
  const random = randomStream(seed)
  const below = (n: number) => Math.floor(random.uniform() * n)
  const one = <T>(of: readonly T[]) => of[below(of.length)]
  const demo = marlpitLane()
  const today = dayNumber('2026-01-15') + below(330)
  const bed = {
    ...demo.beds[0],
    soil: one(['sand', 'loam', 'clay'] as const),
    fertility: one(['low', 'medium', 'high'] as const),
  }
  const data: GardenData = {
    garden: {
      ...demo.garden,
      tools: OWNED.filter(() => random.uniform() < 0.7),
      rules: { ...USUAL_RULES, seedSet: one(['never', 'allowed'] as const) },
    },
    beds: [bed],
    stands: earlier(bed, today, one([null, 'cabbage', 'tomato', 'oats'])),
    checks: [],
  }
  const cropId = one(['', ...CROPS, ...CROPS].filter((id) => id === '' || findCrop(id)))
  const form: ChooseForm = {
    ...startingForm(null, null, undefined, today),
    cropId,
    establishment: findCrop(cropId)?.establishment ?? 'transplant',
    neededBy: cropId === '' && below(2) === 0 ? '' : isoDate(today + 60 + below(180)),
  }
  const ids = SPECIES.filter(() => random.uniform() < 0.25)
  const parts = (ids.length > 0 ? ids : [one(SPECIES)]).map((speciesId) => ({
    speciesId,
    share: ids.length > 1 ? 0.6 : 1,
  }))
  const ensemble = generatedEnsemble(data.garden.site, today - 170, 545, 5, seed)
  return { data, bed, today, form, parts, ensemble }
}

describe('on gardens made by chance every room tells the same of the plan that was chosen', () => {
  test.each(Array.from({ length: 50 }, (_, seed) => seed))('garden %i', (seed) => {
    const { data, bed, today, form, parts, ensemble } = seeded(seed)
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
    const judged = judge(parts, sowDay, question, ensemble, IN_EARNEST)
    if (judged.verdict === 'rejected') {
      // What is left out for its ending cannot be ended in time in End either.
      const { limit, reason } = judged.rejection
      // Too late is said only of what comes after the day the bed is wanted.
      if (reason.code === 'covers late') expect(reason.coverDay).toBeGreaterThan(reason.byDay)
      expect(limit.length).toBeGreaterThan(2)
      if (limit !== 'cannot be ended') return
      const left = scenarioFor(parts, sowDay, coveringFor(plantsOf(parts), false), question)
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
        part: { kind: 'whole' },
        purposes: form.purposes,
        underStandId: null,
        crop: null,
        follows: form.neededBy === '' ? null : { kind: 'undecided', neededBy: form.neededBy },
      },
      'c',
    )
    const crop = plannedCrop(form)
    const planned = [...data.stands, cover]
    const stands = crop ? standsWith({ stands: planned }, cover, { crop }, 'k') : planned
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
    const offered = scenarioFor(candidate.parts, candidate.sowDay, candidate.covering, question)
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
