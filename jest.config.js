/** Unit tests run as native ES modules; the swc transform only strips types. */
const shared = {
  roots: ['<rootDir>/src', '<rootDir>/server'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  setupFiles: ['fake-indexeddb/auto'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
}

/** `.test.ts` needs no page; `.test.tsx` shows rooms and hooks on one made of jsdom. */
export default {
  maxWorkers: '100%',
  // Modules of a test stay in its worker: one that has grown is begun anew, before it spends its time clearing up.
  workerIdleMemoryLimit: '1GB',
  // Nothing here measures speed: a busy machine takes its time.
  testTimeout: 120_000,
  coverageProvider: 'v8',
  coverageDirectory: 'reports/coverage',
  coverageReporters: ['text-summary', 'json-summary'],
  collectCoverageFrom: ['src/**/*.{ts,tsx}', '!**/*.test.*', '!**/testing/**'],
  // Floors in percent of lines, which may only rise; the first is for all but the core.
  coverageThreshold: { global: { lines: 80 }, './src/core/': { lines: 90 } },
  projects: [
    {
      ...shared,
      displayName: 'core',
      testEnvironment: '<rootDir>/scripts/jest-core.mjs',
      testMatch: ['**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'rooms',
      testEnvironment: '<rootDir>/scripts/jest-page.mjs',
      testMatch: ['**/*.test.tsx'],
    },
  ],
}
