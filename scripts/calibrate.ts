import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { parseArgs } from 'node:util'
import { inside, readCases, readSites } from './cases'
import { calibrationReport } from './calibrationReport'
import { caseJudge, type Verdict } from '../src/core/testing/cases/judge'
import { calibrate, put } from '../src/core/testing/calibration/search'
import { SPECIES } from '../src/core/plants/catalogue'
import type { Calibration } from '../src/core/plants/calibration'

/**
 * `npm run calibrate`: searches for the calibration under which all published cases cost least, then once more for each site
 * without its cases, and judges that site by what the others taught. Each search begins with what the catalogue states.
 * Writes `src/core/plants/calibrated.ts`, `validation/leftOut.json` and `docs/calibration.md`.
 */
const SEARCH_MEMBERS = 60
const JUDGE_MEMBERS = 200
const SEED = 7
const HEAD = `type Found = Readonly<Record<string, Readonly<Record<string, number>>>>

/** Written by \`npm run calibrate\`; do not edit. */
export const CALIBRATED: { shared: Found[string]; archetypes: Found; species: Found } =`
const WRITTEN = ['src/core/plants/calibrated.ts', 'validation/leftOut.json', 'docs/calibration.md']

const { values: asked } = parseArgs({
  args: process.argv.slice(3),
  options: { without: { type: 'string' } },
})
const sites = readSites()
mkdirSync('reports', { recursive: true })
const cases = readCases()

/** Calibrates on the cases of all sites but one; judges those of that site, or all where none is left out. */
function fit(without: string | null): { calibration: Calibration; verdicts: Verdict[] } {
  const taught = cases.filter(({ site }) => site !== without)
  const calibration = calibrate(taught, caseJudge(sites, SEARCH_MEMBERS), SEED)
  put(
    calibration,
    SPECIES.map(({ id }) => id),
  )
  const judged = cases.filter(({ site }) => without === null || site === without)
  return { calibration, verdicts: judged.flatMap(caseJudge(sites, JUDGE_MEMBERS)) }
}

/** The same in a process of its own: a search changes the catalogue it runs on. */
function fitApart(without: string | null): Promise<{ calibration: Calibration; verdicts: Verdict[] }> {
  return new Promise((resolve, reject) => {
    const file = `reports/calibrate-${without ?? 'all'}.json`
    const child = spawn('node', ['scripts/run-ts.mjs', 'scripts/calibrate.ts', '--without', without ?? ''], {
      stdio: 'inherit',
    })
    child.on('error', reject)
    child.on('exit', (code) =>
      code === 0
        ? resolve(JSON.parse(readFileSync(file, 'utf8')) as Awaited<ReturnType<typeof fitApart>>)
        : reject(new Error(`The search without “${without}” ended with ${code}.`)),
    )
  })
}

async function inTurn<T, R>(items: readonly T[], abreast: number, of: (item: T) => Promise<R>): Promise<R[]> {
  const results: R[] = []
  let next = 0
  const work = async () => {
    while (next < items.length) {
      const i = next++
      results[i] = await of(items[i])
    }
  }
  await Promise.all(Array.from({ length: abreast }, work))
  return results
}

if (asked.without !== undefined) {
  const without = asked.without === '' ? null : asked.without
  const started = Date.now()
  const found = fit(without)
  writeFileSync(`reports/calibrate-${without ?? 'all'}.json`, JSON.stringify(found))
  console.log(
    `${without ? `without ${without}` : 'all sites'}: ${inside(found.verdicts)} of ${found.verdicts.length} inside, ${Math.round((Date.now() - started) / 1000)} s`,
  )
} else {
  const places = [...new Set(cases.map(({ site }) => site))]
  const [all, ...folds] = await inTurn([null, ...places], availableParallelism(), fitApart)
  const left = folds.flatMap(({ verdicts }) => verdicts)
  writeFileSync('src/core/plants/calibrated.ts', `${HEAD} ${JSON.stringify(all.calibration)}\n`)
  writeFileSync(
    'validation/leftOut.json',
    `${JSON.stringify({ inside: inside(left), checks: left.length })}\n`,
  )
  writeFileSync(
    'docs/calibration.md',
    calibrationReport(
      all,
      places.map((site, i) => ({ site, ...folds[i] })),
    ),
  )
  spawnSync('npx', ['prettier', '--write', '--log-level', 'warn', ...WRITTEN], { stdio: 'inherit' })
  console.log(
    `\n${inside(all.verdicts)} of ${all.verdicts.length} inside; left out ${inside(left)} of ${left.length}`,
  )
}
