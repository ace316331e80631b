import { spawn } from 'node:child_process'
import { chromium, type Page } from '@playwright/test'
import { CHROMIUM } from '../scripts/chromium'
import { FRESH_CHECK } from '../src/core/garden/fresh'
import { marlpitLane } from '../src/demo/marlpitLane'

/** Opens Bed and Rounds with few and with many checks and pictures kept, and prints what the many cost. */
const PORT = 4989
const ADDRESS = `http://127.0.0.1:${PORT}`
const ROUNDS = 3
const BED = '/bed/marlpit-lane-L4'

const server = spawn(process.execPath, ['dist/server/server.js'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: 'ignore',
})

/** Old, ended stands of the demo's beds with checks and pictures on them, so that the forecasts stay as they are. */
function records(checks: number, pictures: number) {
  const garden = marlpitLane()
  const model = garden.stands.find((stand) => stand.content.kind === 'cover' && stand.start.actual)!
  const step = { ...model.start.actual!, date: '2021-08-20' }
  const stands = garden.beds.map((bed) => ({
    ...model,
    id: `old ${bed.id}`,
    bedId: bed.id,
    start: { plan: null, actual: step },
    end: { plan: null, actual: { date: '2022-05-20', method: 'chop' as const, passes: 1, note: '' } },
  }))
  const day = (i: number) => new Date(Date.UTC(2021, 7, 21 + (i % 270))).toISOString().slice(0, 10)
  return {
    stands,
    checks: Array.from({ length: checks }, (_, i) => ({
      ...FRESH_CHECK,
      id: `many ${i}`,
      gardenId: garden.garden.id,
      standId: stands[i % stands.length].id,
      date: day(i),
      stageBbch: 31,
      cover: (i % 90) / 100,
      heightCm: null,
      note: 'A look among many.',
      ...(i < pictures && { pictureIds: [`many ${i}`] }),
    })),
    pictures: Array.from({ length: pictures }, (_, i) => ({
      id: `many ${i}`,
      gardenId: garden.garden.id,
      bedId: stands[i % stands.length].bedId,
      standId: stands[i % stands.length].id,
      date: day(i),
      widthPx: 1600,
      heightPx: 1200,
      bytes: 300_000,
      caption: '',
    })),
  }
}

async function fill(page: Page, many: ReturnType<typeof records>) {
  await page.goto(`${ADDRESS}/demo/marlpit-lane`)
  await page.getByTestId('loom').waitFor()
  await page.evaluate(async ({ stands, checks, pictures }) => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open('kilim')
      open.onsuccess = () => resolve(open.result)
    })
    const write = db.transaction(['stands', 'checks', 'pictures', 'pictureBytes'], 'readwrite')
    stands.forEach((entry) => write.objectStore('stands').put(entry))
    checks.forEach((entry) => write.objectStore('checks').put(entry))
    for (const entry of pictures) {
      write.objectStore('pictures').put(entry)
      const full = new Uint8Array(300_000)
      write.objectStore('pictureBytes').put({ id: entry.id, full, small: full.slice(0, 6000) })
    }
    await new Promise((resolve) => (write.oncomplete = resolve))
  }, many)
}

/** Waits for what a page has to show; throws where the room stopped working instead. */
async function shows(page: Page, ready: (page: Page) => Promise<unknown>): Promise<void> {
  const stopped = page
    .getByText('This room stopped working')
    .waitFor({ timeout: 0 })
    .then(() => {
      throw new Error(`A room stopped working at ${page.url()}: ${STOPPED}`)
    })
  // Where it goes on, nobody waits for it to stop.
  stopped.catch(() => undefined)
  await Promise.race([ready(page), stopped])
}
const STOPPED = 'what is measured here would be of no use.'

/** Milliseconds until a page shows all it has to, the middle of some rounds. */
async function opening(page: Page, path: string, ready: (page: Page) => Promise<unknown>): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < ROUNDS; i++) {
    await page.goto('about:blank')
    const from = performance.now()
    await page.goto(ADDRESS + path)
    await shows(page, ready)
    times.push(performance.now() - from)
  }
  return times.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]
}

async function measure(checks: number, pictures: number) {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
  })
  const page = await browser.newPage()
  await fill(page, records(checks, pictures))
  const bed = await opening(page, BED, (shown) =>
    shown.getByTestId('journal').locator('li').first().waitFor(),
  )
  const rounds = await opening(page, '/rounds', (shown) =>
    shown.getByTestId('jobs').locator('li').first().waitFor(),
  )
  await browser.close()
  return { bed, rounds }
}

/** Longest time the page itself was busy while every way of an ending is compared and a date is dragged, ms. */
async function busiest(): Promise<{ comparing: number; dragging: number }> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage()
  await page.goto(`${ADDRESS}/demo/marlpit-lane`)
  await page.getByTestId('loom').waitFor()
  await page.goto(`${ADDRESS}/end/marlpit-lane-stand-10`)
  await page.getByTestId('endings').waitFor({ timeout: 60_000 })
  await page.evaluate(() => {
    const seen: number[] = []
    Object.assign(window, { busy: seen })
    new PerformanceObserver((list) => seen.push(...list.getEntries().map((entry) => entry.duration))).observe(
      {
        type: 'longtask',
      },
    )
  })
  const longest = () =>
    page.evaluate(() => {
      const seen = (window as unknown as { busy: number[] }).busy.splice(0)
      return Math.max(0, ...seen)
    })
  await page.getByText('Ending this stand by every way').waitFor({ state: 'hidden', timeout: 60_000 })
  const comparing = await longest()
  await page.getByRole('slider', { name: 'Drag the planting date' }).focus()
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight')
  await page.waitForTimeout(300)
  const dragging = await longest()
  await browser.close()
  return { comparing, dragging }
}

await new Promise((resolve) => setTimeout(resolve, 1500))
try {
  const { comparing, dragging } = await busiest()
  console.log(
    `End room: the page was never busy for longer than ${comparing.toFixed(0)} ms while the ways streamed in, ${dragging.toFixed(0)} ms while a date was dragged (0: under 50)`,
  )
  const few = await measure(500, 50)
  const many = await measure(5000, 500)
  for (const room of ['bed', 'rounds'] as const)
    console.log(
      `opening ${room}: ${few[room].toFixed(0)} ms with 500 checks and 50 pictures, ${many[room].toFixed(0)} ms with 5000 and 500, ratio ${(many[room] / few[room]).toFixed(2)} (goal 1.5)`,
    )
} finally {
  server.kill()
}
