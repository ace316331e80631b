/** Unit tests run as native ES modules; the swc transform only strips types. */
export default {
  testEnvironment: 'node',
  maxWorkers: '100%',
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
