import { rankCovers } from '../src/core/choosing/rank'
import { generatedEnsemble } from '../src/core/site/ensemble'
import { testQuestion } from '../src/core/testing/questions'
import { TEST_SITES } from '../src/core/testing/sites'

/** Time to rank all covers and their mixes for a window, and until the first twenty are known. */
const WINDOWS = [
  ['a short summer gap', testQuestion('2026-06-20', '2026-08-25', { purposes: ['quick', 'smother'] })],
  [
    'spring to midsummer',
    testQuestion('2026-04-05', '2026-07-01', { purposes: ['insects', 'feed', 'loosen'] }),
  ],
  ['over winter', testQuestion('2025-09-05', '2026-06-05', { purposes: ['mass', 'feed'] })],
] as const

for (const [name, question] of WINDOWS) {
  const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, question.today - 60, 420, 200, 3)
  const start = performance.now()
  let early = 0
  const answer = rankCovers(question, ensemble, (_, soFar) => {
    if (early === 0 && soFar.candidates.length + soFar.rejections.length >= 20)
      early = performance.now() - start
  })
  const whole = performance.now() - start
  const mixes = answer.candidates.filter((entry) => entry.components.length > 1).length
  console.log(
    `${name.padEnd(22)} ${(whole / 1000).toFixed(1)} s for ${answer.candidates.length} that fit (${mixes} mixes), the first twenty judged after ${(early / whole).toFixed(2)} of it`,
  )
}
