import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './scripts/chromium'

const port = Number(process.env.KILIM_TEST_PORT ?? 4317)

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers: 2,
  fullyParallel: true,
  // Run once more, one that passes then is unsteady: the end of the run names how many, with the page it failed on above.
  retries: 1,
  // Waits hold for the slowest machine: nothing here is a measure of speed.
  timeout: 480_000,
  expect: { timeout: 180_000 },
  reporter: [['list'], ['./e2e/reporter.ts'], ['json', { outputFile: 'reports/browser.json' }]],
  testIgnore: process.env.KILIM_SCREENSHOTS ? [] : ['**/screenshots.spec.ts'],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node dist/server/server.js',
    env: { PORT: String(port) },
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    timeout: 30_000,
  },
})
