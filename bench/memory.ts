import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { chromium, type CDPSession, type Page } from '@playwright/test'

/**
 * Clicks through all rooms of the demo, stepping its clock a day at every round, for so many minutes (30 where none are given),
 * and prints what the page's own heap and its renderer hold at every tenth of the time, garbage swept: both should stay flat.
 */
const PORT = 4987
const ADDRESS = `http://127.0.0.1:${PORT}`
const MINUTES = Number(process.argv[3] ?? 30)
const SAMPLES = 10
const BED = 'marlpit-lane-L4'
const STAND = 'marlpit-lane-stand-10'
const PLACES = [
  '/',
  `/bed/${BED}`,
  `/choose/${BED}`,
  `/watch/${STAND}`,
  `/end/${STAND}`,
  `/plant/${STAND}`,
  '/rounds',
  '/seed',
  '/weather',
  '/plants',
  '/garden',
]

const server = spawn(process.execPath, ['dist/server/server.js'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: 'ignore',
})
const browser = await chromium.launch({
  executablePath: process.env.KILIM_CHROMIUM ?? '/usr/bin/chromium',
})
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
const session = await page.context().newCDPSession(page)
await session.send('Performance.enable')
await session.send('HeapProfiler.enable')
const browserSession = await browser.newBrowserCDPSession()

/** Goes to a place as a link would, without loading the page anew. */
const goTo = (place: string) =>
  page.evaluate((path) => {
    history.pushState({}, '', path)
    dispatchEvent(new PopStateEvent('popstate'))
  }, place)

/** Megabytes of the page's heap, and of the processes that show pages, workers included. */
async function held(of: CDPSession): Promise<{ heap: number; renderers: number }> {
  await of.send('HeapProfiler.collectGarbage')
  const { metrics } = await of.send('Performance.getMetrics')
  const heap = metrics.find(({ name }) => name === 'JSHeapUsedSize')!.value / 2 ** 20
  const { processInfo } = await browserSession.send('SystemInfo.getProcessInfo')
  const renderers = processInfo
    .filter(({ type }) => type === 'renderer')
    .reduce((sum, { id }) => {
      const resident = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))
      return sum + Number(resident?.[1] ?? 0) / 1024
    }, 0)
  return { heap, renderers }
}

/** A round of all rooms, each left to answer for a moment, then a day on. */
async function round(of: Page) {
  for (const place of PLACES) {
    await goTo(place)
    await of.waitForTimeout(700)
  }
  await of.getByRole('group', { name: 'Clock' }).getByRole('button', { name: 'day' }).click()
}

while (!(await fetch(`${ADDRESS}/api/health`).catch(() => null))) await page.waitForTimeout(100)
await page.goto(`${ADDRESS}/demo/marlpit-lane`)
await page.waitForSelector('[data-testid=loom]')
const started = Date.now()
console.log('minutes   heap MB   renderer MB   rounds')
let rounds = 0
for (let sample = 0; sample <= SAMPLES; sample++) {
  while (Date.now() - started < (sample * MINUTES * 60_000) / SAMPLES) {
    await round(page)
    rounds++
  }
  const { heap, renderers } = await held(session)
  console.log(
    `${((Date.now() - started) / 60_000).toFixed(1).padStart(7)}   ${heap.toFixed(1).padStart(7)}   ${renderers.toFixed(0).padStart(11)}   ${String(rounds).padStart(6)}`,
  )
}
await browser.close()
server.kill()
