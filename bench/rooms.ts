import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { chromium, type BrowserContext, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium'

/**
 * Opens the demo's rooms in the built app, from nothing and from kept answers, and prints the milliseconds until the sheet is
 * shown and woven and until a room's first and whole answer stand there. Prints the size of what is loaded and how the page felt.
 */
const PORT = 4988
const ADDRESS = `http://127.0.0.1:${PORT}`
const LONGEST = 90_000
/** Visits with kept answers, of which the middle one is told. */
const KEPT_VISITS = 3
/** How much slower a phone is than this machine. */
const SLOWER = 6

const server = spawn(process.execPath, ['dist/server/server.js'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: 'ignore',
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

/** Keeps, in the page, the first moment at which each of what is looked for stands there: looked at once a frame, from inside. */
function keepMoments(lookedFor: readonly string[]) {
  const moments: (number | null)[] = lookedFor.map(() => null)
  Object.assign(window, { moments })
  const looks = lookedFor.map((there) => new Function(`return Boolean(${there})`) as () => boolean)
  const look = () => {
    looks.forEach((there, i) => {
      if (moments[i] === null && there()) moments[i] = performance.now()
    })
    if (moments.includes(null)) requestAnimationFrame(look)
    else console.debug('all there')
  }
  requestAnimationFrame(look)
}

/** Milliseconds from the page's script on until each of what is looked for stands on the page, asked for once all do. */
async function open(page: Page, path: string, lookedFor: readonly string[]): Promise<number[]> {
  await page.addInitScript(keepMoments, [...lookedFor])
  const there = page.waitForEvent('console', {
    predicate: (message) => message.text() === 'all there',
    timeout: LONGEST,
  })
  await page.goto(`${ADDRESS}${path}`, { waitUntil: 'commit' })
  await there
  return page.evaluate(() => {
    const script = performance
      .getEntriesByType('resource')
      .find(({ name }) => /assets\/index-.*\.js/.test(name)) as PerformanceResourceTiming
    const { moments } = window as unknown as { moments: number[] }
    return moments.map((ms) => ms - script.responseEnd)
  })
}

const WOVEN = `document.querySelector('[data-woven]') && !document.querySelector('[data-woven=false]')`
/** Every bed's cloth is on the sheet, be it from few seasons yet. */
const SHOWN = `document.querySelector('[data-shown]') && !document.querySelector('[data-shown=false]')`
const LINE = `document.querySelector('[data-testid=plan-line]')`
const ROOMS = [
  ['loom', '/', SHOWN, WOVEN],
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
  const times = await open(page, path, [first, whole])
  const felt = await page.evaluate(
    () => (window as unknown as { felt: { shift: number; paint: number; task: number } }).felt,
  )
  // Answers are kept a moment after they are shown.
  await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)))
  await page.close()
  return { times, felt }
}

/** A browser of its own that keeps what a grower's browser keeps between visits: storage, and scripts made ready. */
const context = async () => {
  const fresh = await chromium.launchPersistentContext(mkdtempSync(join(tmpdir(), 'kilim-rooms-')), {
    executablePath: CHROMIUM,
    viewport: { width: 1280, height: 800 },
    bypassCSP: true,
  })
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
  await page.evaluate(() => {
    localStorage.removeItem('kilim answers of')
    return new Promise((resolve) => (indexedDB.deleteDatabase('kilim-answers').onsuccess = resolve))
  })
  await page.close()
}

/** Goals, s: from nothing first and whole, kept first and whole. */
const GOALS = { loom: [3.5, 3.5, 0.6, 0.6], room: [0.7, 2.2, 0.4, 0.7] }

/** Turns the demo's clock on by a day, as a night does. */
const nextMorning = async (of: BrowserContext, day: string) => {
  const page = await of.newPage()
  await page.goto(`${ADDRESS}/icon.svg`)
  await page.evaluate(
    (value) =>
      new Promise((resolve) => {
        const opening = indexedDB.open('kilim')
        opening.onsuccess = () => {
          const writing = opening.result.transaction('session', 'readwrite')
          writing.objectStore('session').put({ key: 'demoDay marlpit-lane', value })
          writing.oncomplete = () => {
            opening.result.close()
            resolve(null)
          }
        }
      }),
    day,
  )
  await page.close()
}

const seconds = (times: readonly number[], goals: readonly number[]) =>
  times.map((ms, i) => `${(ms / 1000).toFixed(2)} (${goals[i]})`.padStart(12)).join('')

console.log('room, s (goal)   from nothing: first, whole     kept: first, whole    moved   longest task')
const own = await context()
for (const [name, path, first, whole] of ROOMS) {
  await forget(own)
  const cold = await visit(own, path, first, whole)
  const again = []
  for (let i = 0; i < KEPT_VISITS; i++) again.push(await visit(own, path, first, whole))
  const kept = again.sort((one, other) => one.times[1] - other.times[1])[(KEPT_VISITS - 1) / 2]
  const goals = name === 'loom' ? GOALS.loom : GOALS.room
  console.log(
    `${name.padEnd(12)} ${seconds([...cold.times, ...kept.times], goals)}    ${kept.felt.shift.toFixed(3)}  ${kept.felt.task.toFixed(0).padStart(5)} ms`,
  )
}
const mornings = []
for (const day of ['2026-04-21', '2026-04-22', '2026-04-23']) {
  await nextMorning(own, day)
  mornings.push(await visit(own, '/', SHOWN, WOVEN))
}
const morning = mornings.sort((one, other) => one.times[0] - other.times[0])[1]
console.log(`next morning ${seconds(morning.times, [0.6, 3.5])}    cloth of yesterday seen, today’s woven`)
await own.close()
await sizes()
await slowPhone()
server.kill()

/** What the first page loads until its sheet stands there, and all there is, in kB of gzip. */
async function sizes() {
  const own = await context()
  const page = await own.newPage()
  await page.goto(ADDRESS)
  await page.waitForFunction(`document.querySelector('[data-woven]')`, null, {
    timeout: LONGEST,
    polling: 'raf',
  })
  const loaded = await page.evaluate(() =>
    performance.getEntriesByType('resource').map(({ name }) => name.split('/').at(-1)!),
  )
  const all = readdirSync('dist/client/assets').filter((name) => name.endsWith('.js'))
  const kB = (names: string[]) =>
    Math.round(
      names.reduce((sum, name) => sum + gzipSync(readFileSync(`dist/client/assets/${name}`)).length, 0) /
        1000,
    )
  const first = all.filter((name) => loaded.includes(name))
  console.log(
    `script, gzip: first page ${kB(first.filter((name) => !name.includes('worker')))} kB (goal 220) and its worker ${kB(all.filter((name) => name.includes('worker')))}, whole app ${kB(all)} (goal 800)`,
  )
  await own.close()
}

/** Keeps in the page for how long a worker had something to do. */
function watchWorkers() {
  const busy = { since: 0, open: 0, ms: 0 }
  Object.assign(window, { busy })
  const Real = window.Worker
  window.Worker = class extends Real {
    constructor(...made: ConstructorParameters<typeof Worker>) {
      super(...made)
      this.addEventListener('message', ({ data }) => {
        if (data?.type !== 'done' && data?.type !== 'failed') return
        if (--busy.open === 0) busy.ms += performance.now() - busy.since
      })
    }
    override postMessage(message: { type?: string }, ...more: []) {
      if (message?.type === 'ask' && busy.open++ === 0) busy.since = performance.now()
      super.postMessage(message, ...more)
    }
  }
}

/**
 * A phone six times as slow: throttling reaches the page alone, so the worker's time, measured at full speed, is taken six
 * times and added.
 */
async function slowPhone() {
  const timed = async (path: string, there: string, slow: boolean, kept: boolean) => {
    const own = await context()
    if (!kept) await forget(own)
    const page = await own.newPage()
    await page.addInitScript(watchWorkers)
    if (slow) await (await own.newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
    const [ms] = await open(page, path, [there])
    const worker = await page.evaluate(() => (window as unknown as { busy: { ms: number } }).busy.ms)
    await own.close()
    return { ms, worker }
  }
  for (const [name, path, there] of [
    ['loom', '/', WOVEN],
    ['check', '/check/marlpit-lane-stand-10', `document.querySelector('main button')`],
  ] as const) {
    const worker = (await timed(path, there, false, false)).worker * SLOWER
    const page = (await timed(path, there, true, true)).ms
    const goal = name === 'loom' ? 'goals 5 and 2 s' : 'goal 1.5 s'
    console.log(
      `slow phone, ${name}: page ${(page / 1000).toFixed(1)} s from kept answers; from nothing ${(worker / 1000).toFixed(1)} s of worker more, ${((page + worker) / 1000).toFixed(1)} s (${goal})`,
    )
  }
}
