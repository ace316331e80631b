import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { dayNumber } from '../src/core/foundations/day'
import { findSpecies } from '../src/core/plants/catalogue'
import type { Species } from '../src/core/plants/parameters'
import { generatedEnsemble } from '../src/core/site/ensemble'
import { runStand, stateOn } from '../src/core/stand/kernel'
import { drawMemberParameters } from '../src/core/stand/memberParameters'
import { TEST_SITES } from '../src/core/testing/sites'
import { plainInput } from '../src/core/season/plainInput'

/**
 * Speed of weather and of the day kernel, nanoseconds per member, day and species, beside a compiled program of the same
 * kind where its source lies next to the project; and how cost grows with members, days, species and beds.
 */
const REFERENCE = '../shared/reference/kernel.c'
const DAYS = 300
const MEMBERS = 200
const ROUNDS = 6
const sowDay = dayNumber('2025-09-01')
const MIX = ['cereal-rye', 'hairy-vetch', 'oats', 'phacelia']
const TEN = [
  'cereal-rye',
  'oats',
  'hairy-vetch',
  'crimson-clover',
  'buckwheat',
  'sorghum-sudangrass',
  'oilseed-radish',
  'winter-pea',
  'phacelia',
  'red-clover',
]

type Reference = { weather_ns_per_member_day: number; kernel_ns_per_member_day_species: number }

/** The compiled program, run in this very minute; null where there is none or no compiler. */
function reference(): Reference | null {
  if (!existsSync(REFERENCE)) return null
  try {
    const program = join(mkdtempSync(join(tmpdir(), 'kilim-bench-')), 'reference')
    execFileSync('gcc', ['-O2', REFERENCE, '-lm', '-o', program])
    return JSON.parse(execFileSync(program, ['bench', '100'], { encoding: 'utf8' })) as Reference
  } catch {
    return null
  }
}

/** Least milliseconds of some rounds. */
function least(work: () => unknown): number {
  for (let i = 0; i < 3; i++) work()
  let best = Infinity
  for (let i = 0; i < ROUNDS; i++) {
    const start = performance.now()
    work()
    best = Math.min(best, performance.now() - start)
  }
  return best
}

const sownOf = (ids: readonly string[]) =>
  ids.map((id) => ({ plant: findSpecies(id) as Species, seedsPerM2: 200, emergenceShare: 0.6, depthCm: 2 }))
const weather = (members: number, days: number) =>
  generatedEnsemble(TEST_SITES.maryland, sowDay - 40, days + 40, members, 1)

function kernelMs(ids: readonly string[], recording: boolean, members = MEMBERS, days = DAYS): number {
  const ensemble = weather(members, days)
  const input = plainInput(sownOf(ids), sowDay)
  const own = drawMemberParameters(input.sown, members, 2)
  return least(() =>
    recording ? runStand(input, ensemble, own) : stateOn(input, ensemble, own, sowDay + days),
  )
}
const perStep = (ms: number, species: number) => (ms * 1e6) / (MEMBERS * DAYS * species)
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length

const beside = reference()
const ratio = (ns: number, of: keyof Reference, goal: number) =>
  beside ? `${(ns / beside[of]).toFixed(2)} × compiled (goal ${goal})` : ''
const line = (name: string, ns: number, rest: string) =>
  console.log(`${name.padEnd(34)} ${ns.toFixed(0).padStart(5)} ns   ${rest}`)

if (beside)
  console.log(
    `compiled: weather ${beside.weather_ns_per_member_day.toFixed(0)} ns, kernel ${beside.kernel_ns_per_member_day_species.toFixed(0)} ns`,
  )
const weatherNs = (least(() => weather(100, 360)) * 1e6) / (100 * 400)
line('weather, per member-day', weatherNs, ratio(weatherNs, 'weather_ns_per_member_day', 2.5))
const kernel = 'kernel_ns_per_member_day_species'
const single = mean(TEN.map((id) => perStep(kernelMs([id], false), 1)))
line('one species, mean of ten', single, ratio(single, kernel, 2))
const two = perStep(kernelMs(MIX.slice(0, 2), false), 2)
line('a mix of two, per species', two, ratio(two, kernel, 2.5))
const recorded = mean(TEN.map((id) => perStep(kernelMs([id], true), 1)))
line('recording, one species', recorded - single, 'on top of it')

/** How cost grows when something doubles twice: 1 is in proportion. */
const slope = (name: string, small: number, large: number) =>
  console.log(
    `cost by ${name.padEnd(26)} ${(Math.log(large / small) / Math.log(4)).toFixed(2)} (goal 0.9–1.1)`,
  )
slope('members', kernelMs(MIX, true, 100), kernelMs(MIX, true, 400))
slope('days', kernelMs(MIX, true, 100, 150), kernelMs(MIX, true, 100, 600))
slope('species', kernelMs(MIX.slice(0, 1), true), kernelMs(MIX, true))
const bedsMs = (beds: number) => {
  const ensemble = weather(100, DAYS)
  return least(() => {
    for (let bed = 0; bed < beds; bed++) {
      const input = plainInput(sownOf([MIX[bed % 4]]), sowDay)
      runStand(input, ensemble, drawMemberParameters(input.sown, 100, bed))
    }
  })
}
slope('beds', bedsMs(8), bedsMs(32))
