// Runs unit tests: bundled first, then by Jest. Coverage is told of the sources, so they run unbundled for it.
import { spawnSync } from 'node:child_process'
import { bundleTests } from './bundleTests.mjs'

const asked = process.argv.slice(2)
const bundled = !asked.includes('--coverage')
if (bundled) await bundleTests()
const { status } = spawnSync(
  process.execPath,
  [
    '--experimental-vm-modules',
    '--no-warnings',
    'node_modules/jest/bin/jest.js',
    ...(bundled ? ['--config', 'jest.bundled.js'] : []),
    ...asked,
  ],
  { stdio: 'inherit' },
)
process.exit(status ?? 1)
