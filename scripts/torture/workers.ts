import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page, type Worker } from '@playwright/test'
import { randomStream } from '../../src/core/foundations/random'
import { CHROMIUM } from '../chromium'
import { servePage } from './servePage'

const PORT = 4993
/** Questions asked together in a round, and longest that one may take, ms. */
const TOGETHER = 6
const LONGEST_MS = 60_000

/** Ends of a worker that a page does not bring about itself; each is run in the worker. */
const ENDS = {
  vanishes: () => self.close(),
  throws: () =>
    void setTimeout(() => {
      throw new Error('The worker broke.')
    }),
  'never comes back': () =>
    void setTimeout(() => {
      for (;;);
    }),
}
type End = keyof typeof ENDS

export type WorkerTally = {
  rounds: number
  killed: number
  answered: number
  refused: number
  faults: string[]
}

type InPage = { questions: number; ask: (n: number) => Promise<string> }
const ask = (page: Page, n: number) => page.evaluate((which) => (window as unknown as InPage).ask(which), n)

/** A worker that is at work may hear of its end late or never: it is not waited for. */
const kill = (worker: Worker, end: End) => void worker.evaluate(ENDS[end]).catch(() => undefined)

const within = (answer: Promise<string>): Promise<string> =>
  Promise.race([
    answer,
    new Promise<string>((resolve) => setTimeout(() => resolve('never answered'), LONGEST_MS).unref()),
  ])

/**
 * Kills the workers of a browser while they compute: what comes is what came undisturbed, or a refusal in words; asked again,
 * every question is answered.
 */
export async function tortureBrowserWorkers(count: number, seed: number): Promise<WorkerTally> {
  const dir = mkdtempSync(join(tmpdir(), 'kilim-torture-'))
  const server = await servePage('scripts/torture/workerPage.ts', dir, PORT)
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] })
  const page = await browser.newPage()
  await page.goto(`http://127.0.0.1:${PORT}/`)
  await page.waitForFunction(() => 'ask' in window)
  const { uniform } = randomStream(seed)
  const below = (most: number) => Math.floor(uniform() * most)
  const tally: WorkerTally = { rounds: 0, killed: 0, answered: 0, refused: 0, faults: [] }
  const all = await page.evaluate(() => (window as unknown as InPage).questions)
  const undisturbed = new Map<number, string>()
  for (let n = 0; n < all; n++) undisturbed.set(n, await ask(page, n))
  for (let round = 0; round < count; round++) {
    const numbers = Array.from({ length: TOGETHER }, () => below(all))
    const asked = numbers.map((n) => within(ask(page, n)))
    await new Promise((resolve) => setTimeout(resolve, below(400)))
    const end = (Object.keys(ENDS) as End[])[below(3)]
    for (const worker of page.workers().filter(() => uniform() < 0.7)) {
      kill(worker, end)
      tally.killed++
    }
    const answers = await Promise.all(asked)
    for (const [i, n] of numbers.entries()) {
      const answer = answers[i].startsWith('refused: ') ? await within(ask(page, n)) : answers[i]
      if (answers[i].startsWith('refused: ') && answers[i].length < 20)
        tally.faults.push(`round ${round}, ${end}: refused without words`)
      tally[answers[i].startsWith('refused: ') ? 'refused' : 'answered']++
      if (answer !== undisturbed.get(n))
        tally.faults.push(`round ${round}, ${end}: question ${n} is “${answer}”`)
    }
    tally.rounds++
  }
  await browser.close()
  server.close()
  rmSync(dir, { recursive: true, force: true })
  return tally
}
