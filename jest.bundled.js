import sources from './jest.config.js'
import { BUNDLED, UNBUNDLED } from './scripts/bundleTests.mjs'

const { projects, maxWorkers, workerIdleMemoryLimit, testTimeout } = sources
const [core, rooms] = projects
const rootDir = process.cwd()
const fromBundles = (project, ending) => ({
  ...project,
  rootDir,
  roots: [`<rootDir>/${BUNDLED}`],
  extensionsToTreatAsEsm: [],
  moduleFileExtensions: ['mjs', 'js', 'json', 'node'],
  transform: { '\\.mjs$': '<rootDir>/scripts/jest-bundled.mjs' },
  transformIgnorePatterns: ['/node_modules/'],
  testMatch: [`**/*.test.${ending}.mjs`],
})

/** The unit tests out of few files; a few that put modules in the place of others run from their sources. */
export default {
  maxWorkers,
  workerIdleMemoryLimit,
  testTimeout,
  projects: [
    fromBundles(core, 'plain'),
    fromBundles(rooms, 'page'),
    {
      ...core,
      rootDir,
      displayName: 'unbundled',
      testMatch: UNBUNDLED.map((file) => `<rootDir>/${file}`),
    },
  ],
}
