import { Pool } from '../../src/compute/pool'
import { dayNumber } from '../../src/core/foundations/day'
import { stableHash } from '../../src/core/foundations/hash'
import { standCaseOf } from '../../src/core/season/standCase'
import type { WeatherSpec } from '../../src/core/season/weatherSpec'
import { marlpitLane } from '../../src/demo/marlpitLane'

/** The page whose workers are killed: it asks the real engine about the demo's stands. */
const demo = marlpitLane()
const today = dayNumber('2026-04-20')
const spec: WeatherSpec = {
  site: demo.garden.site,
  recordKey: '',
  today,
  startDay: today - 300,
  days: 560,
  members: 20,
  seed: 5,
}
const cases = demo.stands
  .filter(({ content }) => content.kind === 'cover')
  .flatMap((stand) => standCaseOf(demo, stand) ?? [])

/** Short, so that a silent worker is found out while the test runs. */
const PATIENCE_MS = 4_000
const pool = new Pool(
  2,
  () => new Worker(new URL('../../src/compute/engine.worker.ts', import.meta.url), { type: 'module' }),
  PATIENCE_MS,
)

Object.assign(window, {
  questions: cases.length,
  /** What a question is answered with, as a short text; or why it was refused. */
  ask: (n: number) =>
    pool
      .ask('forecast', [{ ...spec, seed: spec.seed + Math.floor(n / cases.length) }, cases[n % cases.length]])
      .then(
        (answer) => stableHash(answer),
        (error: unknown) => `refused: ${error instanceof Error ? error.message : ''}`,
      ),
})
