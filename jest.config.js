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
  coverageProvider: 'v8',
  coverageDirectory: 'reports/coverage',
  coverageReporters: ['text-summary', 'json-summary'],
  collectCoverageFrom: ['src/**/*.{ts,tsx}', '!**/*.test.*', '!**/testing/**'],
  // Floors in percent of lines, which may only rise; the first is for all but the core.
  coverageThreshold: { global: { lines: 80 }, './src/core/': { lines: 90 } },
  projects: [
    { ...shared, displayName: 'core', testEnvironment: 'node', testMatch: ['**/*.test.ts'] },
    {
      ...shared,
      displayName: 'rooms',
      testEnvironment: '<rootDir>/scripts/jest-page.mjs',
      testMatch: ['**/*.test.tsx'],
    },
  ],
}
