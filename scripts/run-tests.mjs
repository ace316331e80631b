// The whole test command: types, format, lint, boundaries and validation beside the unit tests, then build and browser tests.
// Ends with the time of each step and one count.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'

const unitResults = 'reports/unit.json'
const browserResults = 'reports/browser.json'
mkdirSync('reports', { recursive: true })
for (const file of [unitResults, browserResults]) rmSync(file, { force: true })

const steps = []
/** Runs a step; what runs beside others is printed once it has ended, so that lines do not mix. */
function step(name, script, args = [], beside = false) {
  const from = performance.now()
  if (!beside) console.log(`\n── ${name}`)
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', script, '--', ...args], {
      stdio: beside ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    })
    const said = []
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (text) => said.push(text))
    child.on('close', (code) => {
      if (beside) process.stdout.write(`\n── ${name}\n${Buffer.concat(said)}`)
      if (code !== 0) console.log(`── ${name}: failed`)
      steps.push({ name, seconds: (performance.now() - from) / 1000, passed: code === 0 })
      resolve(code === 0)
    })
  })
}

/** One step after another. */
async function inTurn(...all) {
  let passed = true
  for (const args of all) passed = (await step(...args)) && passed
  return passed
}

const readJson = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null)

await Promise.all([
  step('unit tests', 'unit', ['--json', `--outputFile=${unitResults}`]),
  inTurn(
    ['types', 'typecheck', [], true],
    ['format', 'format:check', [], true],
    ['lint and boundaries', 'lint', [], true],
    ['validation, a small sample', 'validate', ['60', '60'], true],
  ),
])
if (await step('build', 'build')) await step('browser tests', 'e2e')

const unit = readJson(unitResults)
const browser = readJson(browserResults)
const unsteady = browser?.stats.flaky ?? 0
const passed = (unit?.numPassedTests ?? 0) + (browser?.stats.expected ?? 0) + unsteady
const failedTests =
  (unit?.numFailedTests ?? 0) + (unit?.numFailedTestSuites ?? 0) + (browser?.stats.unexpected ?? 0)
const failed = Math.max(failedTests, steps.filter((one) => !one.passed).length)
console.log('')
for (const { name, seconds } of steps) console.log(`${name.padEnd(28)} ${seconds.toFixed(0).padStart(5)} s`)
if (unsteady > 0)
  console.log(
    `\n${unsteady} of the browser tests passed only when run again: a fault that shows now and then.`,
  )
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 && passed > 0 ? 0 : 1)
