// For the loop of work: types, lint and the unit tests of what is not committed yet, without suites that take long.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'

/** Suites that took longer than this in the last whole run are left to that, s. */
const LONG_S = 8
/** What the tools keep between runs. */
const KEPT = 'node_modules/.cache/kilim'
const unit = existsSync('reports/unit.json') ? JSON.parse(readFileSync('reports/unit.json', 'utf8')) : null
const long = (unit?.testResults ?? [])
  .filter(({ startTime, endTime }) => endTime - startTime > 1000 * LONG_S)
  .map(({ name }) => /(?:src|server)\/.*\.test/.exec(name)[0])
const git = (...args) => spawnSync('git', args, { encoding: 'utf8' }).stdout.split('\n').filter(Boolean)
const changed = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')]
const sources = changed.filter(
  (file) => /^(src|server|e2e|scripts|bench)\/.*\.(ts|tsx|mjs)$/.test(file) && existsSync(file),
)
const tested = sources.filter((file) => /^(src|server)\//.test(file))

const run = (name, command, args) =>
  new Promise((resolve) => {
    const from = performance.now()
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] })
    const said = []
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => said.push(text))
    child.on('close', (code) => {
      const seconds = ((performance.now() - from) / 1000).toFixed(0)
      console.log(`── ${name}: ${code === 0 ? 'passed' : 'failed'} in ${seconds} s`)
      if (code !== 0) process.stdout.write(Buffer.concat(said))
      resolve(code === 0)
    })
  })

const jest = ['--experimental-vm-modules', '--no-warnings', 'node_modules/jest/bin/jest.js']
const passed = await Promise.all([
  run('types', 'npx', ['tsc', '--noEmit', '--incremental', '--tsBuildInfoFile', `${KEPT}/types.tsbuildinfo`]),
  sources.length === 0 ||
    run('lint', 'npx', ['eslint', '--cache', '--cache-location', `${KEPT}/eslint`, ...sources]),
  tested.length === 0 ||
    run('unit tests of what changed', process.execPath, [
      ...jest,
      '--passWithNoTests',
      ...(long.length > 0 ? ['--testPathIgnorePatterns', '/node_modules/', ...long] : []),
      '--findRelatedTests',
      ...tested,
    ]),
])
if (long.length > 0) console.log(`Left to the whole run: ${long.length} suites that took over ${LONG_S} s.`)
process.exit(passed.every((one) => one !== false) ? 0 : 1)
