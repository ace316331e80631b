import { spawn } from 'node:child_process'
import { chromium, type BrowserContext, type Page } from '@playwright/test'

/**
 * Opens the demo's rooms in the built app, from nothing and from kept answers, and prints the milliseconds until the sheet is
 * woven and until a room's first and whole answer stand there. Prints the size of what is loaded and how the page felt.
 */
const PORT = 4988
const ADDRESS = `http://127.0.0.1:${PORT}`
const LONGEST = 90_000

const server = spawn(process.execPath, ['dist/server/server.js'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: 'ignore',
})
const browser = await chromium.launch({
  executablePath: process.env.KILIM_CHROMIUM ?? '/usr/bin/chromium',
})

/** Keeps, in the page, how much it moved about, its largest paint and its longest task. */
function watch() {
  const felt = { shift: 0, paint: 0, task: 0 }
  Object.assign(window, { felt })
  const on = (type: string, hear: (entry: PerformanceEntry) => void) =>
    new PerformanceObserver((list) => list.getEntries().forEach(hear)).observe({ type, buffered: true })
  on('layout-shift', (entry) => void (felt.shift += (entry as PerformanceEntry & { value: number }).value))
  on('largest-contentful-paint', (entry) => void (felt.paint = entry.startTime))
  on('longtask', (entry) => void (felt.task = Math.max(felt.task, entry.duration)))
}

/** Milliseconds from the page's script on until what `there` looks for stands on the page. */
async function until(page: Page, there: string): Promise<number> {
  await page.waitForFunction(there, null, { polling: 'raf', timeout: LONGEST })
  return page.evaluate(() => {
    const script = performance
      .getEntriesByType('resource')
      .find(({ name }) => /assets\/index-.*\.js/.test(name)) as PerformanceResourceTiming
    return performance.now() - script.responseEnd
  })
}

const WOVEN = `document.querySelector('[data-woven]') && !document.querySelector('[data-woven=false]')`
const LINE = `document.querySelector('[data-testid=plan-line]')`
const ROOMS = [
  ['loom', '/', `document.querySelector('[data-testid=loom]')`, WOVEN],
  ['bed', '/bed/marlpit-lane-L4', LINE, `${LINE}?.dataset.state === 'ready'`],
  ['watch', '/watch/marlpit-lane-stand-10', LINE, `${LINE}?.dataset.state === 'ready'`],
  [
    'end',
    '/end/marlpit-lane-stand-10',
    LINE,
    `${LINE}?.dataset.state === 'ready' && document.querySelector('[data-method]') && !document.querySelector('progress')`,
  ],
  ['plant', '/plant/marlpit-lane-stand-10', LINE, `${LINE}?.dataset.state === 'ready'`],
  [
    'rounds',
    '/rounds',
    `document.querySelector('main li')`,
    `document.querySelector('main li') && !/still looking at/.test(document.body.innerText)`,
  ],
] as const

async function visit(context: BrowserContext, path: string, first: string, whole: string) {
  const page = await context.newPage()
  await page.addInitScript(watch)
  await page.goto(`${ADDRESS}${path}`)
  const times = [await until(page, first), await until(page, whole)]
  const felt = await page.evaluate(
    () => (window as unknown as { felt: { shift: number; paint: number; task: number } }).felt,
  )
  // Answers are kept a moment after they are shown.
  await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)))
  await page.close()
  return { times, felt }
}

const context = async () => {
  const fresh = await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true })
  const page = await fresh.newPage()
  // The demo is made, its station heard, and nothing worked out: what the first weaving kept is dropped.
  await page.goto(`${ADDRESS}/demo/marlpit-lane`)
  await page.waitForFunction(WOVEN, null, { timeout: LONGEST })
  await page.goto('about:blank')
  await page.close()
  return fresh
}
const forget = async (of: BrowserContext) => {
  const page = await of.newPage()
  await page.goto(`${ADDRESS}/icon.svg`)
  await page.evaluate(
    () => new Promise((resolve) => (indexedDB.deleteDatabase('kilim-answers').onsuccess = resolve)),
  )
  await page.close()
}

console.log(
  'room      from nothing: first, whole ms     kept: first, whole ms     moved   painted   longest task',
)
for (const [name, path, first, whole] of ROOMS) {
  const own = await context()
  await forget(own)
  const cold = await visit(own, path, first, whole)
  const kept = await visit(own, path, first, whole)
  const [a, b, c, d] = [...cold.times, ...kept.times].map((ms) => ms.toFixed(0).padStart(7))
  console.log(
    `${name.padEnd(10)} ${a} ${b}                   ${c} ${d}            ${kept.felt.shift.toFixed(3)}   ${kept.felt.paint.toFixed(0).padStart(5)} ms  ${kept.felt.task.toFixed(0).padStart(5)} ms`,
  )
  await own.close()
}
await browser.close()
server.kill()
