import { CHROMIUM } from '../chromium'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Browser, type Page } from '@playwright/test'

const PORT = 4993
const ADDRESS = `http://127.0.0.1:${PORT}`
/** Gardens taken in by one browser before it begins anew. */
const PER_BROWSER = 10
/** How long a room is looked at after it has opened, ms: what it works out may fail later than it opens. */
const LOOK_MS = 150

export type RoomsTally = { gardens: number; rooms: number; faults: string[] }

type Kept = {
  data: { garden: { name: string }; beds: { id: string }[]; stands: { id: string; bedId: string }[] }
}

/** Takes a file in as a garden of its own; false where it is refused. */
async function takeIn(page: Page, file: string): Promise<boolean> {
  await page.goto(`${ADDRESS}/start`)
  await page.setInputFiles('input[type=file]', file)
  const form = page.getByRole('form', { name: 'Import' })
  await form.or(page.getByRole('alert')).first().waitFor()
  if (!(await form.isVisible())) return false
  await form.getByRole('radio', { name: /As a/ }).check()
  await form.getByRole('button', { name: 'Import it' }).click()
  await page.getByTestId('loom').or(page.getByRole('alert')).first().waitFor()
  return page.getByTestId('loom').isVisible()
}

/** Beds and covers of the garden that is open, as the store names them. */
const openGarden = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<{ beds: string[]; stands: string[] }>((resolve, reject) => {
        const opening = indexedDB.open('kilim')
        opening.onerror = () => reject(opening.error)
        opening.onsuccess = () => {
          const db = opening.result
          const reading = db.transaction(['session', 'beds', 'stands'])
          const all = (name: string) =>
            new Promise<{ id: string; gardenId: string; key: string; value: unknown }[]>((done) => {
              const asked = reading.objectStore(name).getAll()
              asked.onsuccess = () => done(asked.result as never)
            })
          void Promise.all([all('session'), all('beds'), all('stands')]).then(([session, beds, stands]) => {
            const open = JSON.stringify(session)
            const last = [...new Set(beds.map((bed) => bed.gardenId))].find((id) => open.includes(`"${id}"`))
            db.close()
            const of = (records: { id: string; gardenId: string }[]) =>
              records.filter(({ gardenId }) => gardenId === last).map(({ id }) => id)
            resolve({ beds: of(beds), stands: of(stands) })
          })
        }
      }),
  )

async function walk(page: Page, tally: RoomsTally, name: string) {
  const { beds, stands } = await openGarden(page)
  const some = <T>(list: readonly T[], count: number) =>
    list.filter((_, i) => i % Math.max(1, Math.floor(list.length / count)) === 0).slice(0, count)
  const paths = [
    ...[
      '/',
      '/rounds',
      '/choose',
      '/sow',
      '/seed',
      '/check',
      '/watch',
      '/end',
      '/plant',
      '/plants',
      '/weather',
      '/garden',
    ],
    ...some(beds, 2).flatMap((id) => [`/bed/${id}`, `/choose/${id}`]),
    ...some(stands, 3).flatMap((id) =>
      ['sow', 'check', 'watch', 'end', 'plant'].map((room) => `/${room}/${id}`),
    ),
  ]
  for (const path of paths) {
    await page.evaluate((to) => {
      history.pushState({}, '', to)
      dispatchEvent(new PopStateEvent('popstate'))
    }, path)
    await page.waitForTimeout(LOOK_MS)
    tally.rooms++
    const broken = page.getByText(/This room stopped working|could not be (worked out|calculated)|Try again/)
    if ((await broken.count()) > 0)
      tally.faults.push(`${name} ${path}: ${await broken.first().textContent()}`)
  }
}

async function some(
  browser: Browser,
  texts: readonly string[],
  from: number,
  dir: string,
  tally: RoomsTally,
) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  let name = ''
  page.on('pageerror', ({ message }) => tally.faults.push(`${name}: ${message}`))
  for (const [i, text] of texts.entries()) {
    name = `garden ${from + i}`
    const { data } = JSON.parse(text) as Kept
    const file = join(dir, 'garden.json')
    writeFileSync(file, text)
    if (!(await takeIn(page, file))) {
      tally.faults.push(`${name}, ${data.garden.name.slice(0, 20)}: was refused by the page`)
      continue
    }
    tally.gardens++
    await walk(page, tally, name)
  }
  await page.context().close()
}

/** Takes in gardens that are odd and yet sound, in the built app, and opens all rooms on them. */
export async function tortureRooms(texts: readonly string[]): Promise<RoomsTally> {
  const tally: RoomsTally = { gardens: 0, rooms: 0, faults: [] }
  const dir = mkdtempSync(join(tmpdir(), 'kilim-rooms-'))
  const server = spawn(process.execPath, ['dist/server/server.js'], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: ['ignore', 'pipe', 'ignore'],
  })
  await new Promise((resolve) => server.stdout.once('data', resolve))
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  })
  for (let from = 0; from < texts.length; from += PER_BROWSER)
    await some(browser, texts.slice(from, from + PER_BROWSER), from, dir, tally)
  await browser.close()
  server.kill()
  rmSync(dir, { recursive: true, force: true })
  return tally
}
