import { dayNumber } from '../src/core/foundations/day'
import { compareTerminations } from '../src/core/scenario/compare'
import type { Scenario } from '../src/core/scenario/types'
import { standRun } from '../src/core/bed/standRun'
import { generatedEnsemble } from '../src/core/site/ensemble'
import { findCrop } from '../src/core/plants/crops'
import { testCase, testCover, testTool } from '../src/core/testing/beds'
import { BARE_FACTS, testMeans } from '../src/core/testing/questions'
import { TEST_SITES } from '../src/core/testing/sites'

/** Time to hold every way of ending one bed against the others, until the first is known, and how it grows with the members. */
const tools = (['scythe', 'hand shears', 'wheelbarrow', 'spade or fork', 'burner'] as const)
  .map((kind) => testTool(kind))
  .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12), testTool('clear film', 2, 12))
const scenario: Scenario = {
  standCase: testCase(testCover('cereal-rye', '2025-09-20')),
  follows: {
    kind: 'crop',
    crop: findCrop('tomato')!,
    establishment: 'transplant',
    plantingMethod: null,
    feedG: 0,
    day: dayNumber('2026-06-20'),
    done: false,
  },
  means: testMeans({
    tools,
    livestock: [{ id: 'h', kind: 'hens', head: 4, penLengthM: 2, penWidthM: 1.2 }],
  }),
  ground: BARE_FACTS,
  today: dayNumber('2026-04-20'),
}

/** One Math.exp, ns: what times are compared with. */
function expNs(): number {
  let sum = 0
  const start = performance.now()
  for (let i = 0; i < 5e6; i++) sum += Math.exp(-i / 5e6)
  return sum > 0 ? ((performance.now() - start) * 1e6) / 5e6 : 1
}

function compare(members: number) {
  const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, dayNumber('2025-08-01'), 500, members, 3)
  const season = standRun(scenario.standCase, ensemble)!
  const start = performance.now()
  let first = 0
  const methods = compareTerminations(
    scenario,
    season,
    { startDay: null },
    () => (first ||= performance.now() - start),
  )
  return {
    whole: performance.now() - start,
    first,
    ways: methods.filter((method) => !method.obstacle).length,
  }
}

compare(50)
const unit = expNs()
const hundred = compare(100)
const doubled = compare(200)
console.log(
  `every way for one bed  ${(doubled.whole / 1000).toFixed(2)} s for ${doubled.ways} that can be done, ${(doubled.whole / doubled.ways).toFixed(0)} ms each (${((doubled.whole * 1e6) / unit / 1e6).toFixed(0)} million Math.exp in all), the first after ${(doubled.first / doubled.whole).toFixed(2)} of it; half the members ${(hundred.whole / doubled.whole).toFixed(2)} of the time`,
)
