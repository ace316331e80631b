import { USUAL_RULES } from '../src/core/garden/rules'
import { dayNumber } from '../src/core/foundations/day'
import { standRun, type StandCase } from '../src/core/season/run'
import { generatedEnsemble } from '../src/core/site/ensemble'
import { testBed, testCover, testTool } from '../src/core/testing/beds'
import { TEST_SITES } from '../src/core/testing/sites'
import { compareWays } from '../src/core/weighing/ways'

/** Time to compare every way of ending one bed, until the first is known, and how it grows with the members. */
const today = dayNumber('2026-04-20')
const tools = (['scythe', 'hand shears', 'wheelbarrow', 'spade or fork', 'burner'] as const)
  .map((kind) => testTool(kind))
  .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12), testTool('clear film', 2, 12))
const standCase: StandCase = {
  bed: testBed,
  stand: testCover('cereal-rye', '2025-09-20'),
  upper: null,
  checks: [],
  nextStartDay: null,
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
  const season = standRun(standCase, ensemble, false)!
  const start = performance.now()
  let first = 0
  const ways = compareWays(
    {
      standCase,
      target: { plantingDay: dayNumber('2026-06-20'), establishment: 'transplant', waitDays: 7 },
      tools,
      livestock: [{ id: 'h', kind: 'hens', head: 4, penLengthM: 2, penWidthM: 1.2 }],
      rules: USUAL_RULES,
      own: {},
    },
    season,
    today,
    () => (first ||= performance.now() - start),
  )
  return { whole: performance.now() - start, first, ways: ways.filter((way) => !way.judged.obstacle).length }
}

compare(50)
const unit = expNs()
const hundred = compare(100)
const doubled = compare(200)
console.log(
  `every way for one bed  ${(hundred.whole / 1000).toFixed(2)} s for ${hundred.ways} that can be done, ${(hundred.whole / hundred.ways).toFixed(0)} ms each (${((hundred.whole * 1e6) / unit / 1e6).toFixed(0)} million Math.exp in all), the first after ${(hundred.first / hundred.whole).toFixed(2)} of it; twice the members ${(doubled.whole / hundred.whole).toFixed(2)} times as long`,
)
