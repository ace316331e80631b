import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { randomStream } from '../../src/core/foundations/random'
import { CHROMIUM } from '../chromium'
import { servePage } from './servePage'

const PORT = 4991
const DEBUG_PORT = 4992
/** Shortest and longest that the page writes before it is killed, ms. */
const LIFE = [150, 1500] as const

export type KillTally = { kills: number; answered: number; cut: number; putBack: number; faults: string[] }

/** A browser over one profile, in a process group of its own so that all of it can be killed at once. */
async function start(
  profile: string,
): Promise<{ browser: ChildProcess; page: Page; leave: () => Promise<void> }> {
  const browser = spawn(
    CHROMIUM!,
    [
      '--headless=new',
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      `--remote-debugging-port=${DEBUG_PORT}`,
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { detached: true, stdio: 'ignore' },
  )
  for (let tries = 0; ; tries++) {
    try {
      const connected = await chromium.connectOverCDP(`http://127.0.0.1:${DEBUG_PORT}`)
      const [context] = connected.contexts()
      const page = context.pages()[0] ?? (await context.newPage())
      return { browser, page, leave: () => connected.close().catch(() => undefined) }
    } catch (error) {
      if (tries > 100) throw error
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
  }
}

type InPage = {
  opened: () => Promise<{ began: boolean; putBack: number; wrong: string[] }>
  standing: (names: string[]) => Promise<string[]>
  swept: () => Promise<void>
  write: (from: number) => Promise<void>
}

/** Names of what is stored, with what was last answered with yes and what was under way when the browser died. */
class Known {
  readonly did = new Map<string, string>()
  will: { name: string; text: string } | null = null
  hear(line: string, tally: KillTally) {
    const { what, name, text } = JSON.parse(line) as { what: string; name: string; text: string }
    if (what === 'will') this.will = { name, text }
    else {
      this.did.set(name, text)
      this.will = null
      tally.answered++
    }
  }
  /** What stands must be what was answered last, or what was under way. */
  async faults(page: Page): Promise<string[]> {
    const names = [...new Set([...this.did.keys(), ...(this.will ? [this.will.name] : [])])]
    const found = await page.evaluate((asked) => (window as unknown as InPage).standing(asked), names)
    return names.flatMap((name, i) => {
      const allowed = [this.did.get(name) ?? '', ...(this.will?.name === name ? [this.will.text] : [])]
      const fine =
        allowed.includes(found[i]) || (!this.did.has(name) && this.will?.name === name && LONE.test(name))
      if (fine) this.did.set(name, found[i])
      return fine ? [] : [`${name} is “${found[i]}”, not ${allowed.map((text) => `“${text}”`).join(' or ')}`]
    })
  }
}
/** Values that stood before any deed was answered. */
const LONE = /^(shade|width|path)$/

async function round(profile: string, known: Known, tally: KillTally, life: number) {
  const { browser, page, leave } = await start(profile)
  const gone = new Promise((resolve) => browser.once('exit', resolve))
  await page.exposeFunction('heard', (line: string) => known.hear(line, tally))
  await page.goto(`http://127.0.0.1:${PORT}/`)
  await page.waitForFunction(() => 'opened' in window)
  const { began, putBack, wrong } = await page.evaluate(() => (window as unknown as InPage).opened())
  if (putBack > 0) tally.putBack++
  const lost = await known.faults(page)
  if (began && tally.kills > 0) tally.faults.push(`kill ${tally.kills}: the whole store was gone`)
  else tally.faults.push(...[...wrong, ...lost].map((line) => `kill ${tally.kills}: ${line}`))
  if (began) known.did.clear()
  known.will = null
  for (const name of known.did.keys()) if (!LONE.test(name)) known.did.delete(name)
  await page.evaluate(() => (window as unknown as InPage).swept())
  void page
    .evaluate((from) => (window as unknown as InPage).write(from), tally.answered)
    .catch(() => undefined)
  await new Promise((resolve) => setTimeout(resolve, life))
  process.kill(-browser.pid!, 'SIGKILL')
  await gone
  await leave()
  tally.kills++
  if (known.will) tally.cut++
}

/**
 * Kills a browser that writes without end, opens it again on the same profile and looks whether all that was answered with
 * yes is there, and nothing in part.
 */
export async function tortureKills(count: number, seed: number): Promise<KillTally> {
  const dir = mkdtempSync(join(tmpdir(), 'kilim-torture-'))
  const profile = mkdtempSync(join(tmpdir(), 'kilim-profile-'))
  const server = await servePage('scripts/torture/killPage.ts', dir, PORT)
  const { uniform } = randomStream(seed)
  const tally: KillTally = { kills: 0, answered: 0, cut: 0, putBack: 0, faults: [] }
  const known = new Known()
  for (let i = 0; i <= count; i++)
    await round(profile, known, tally, LIFE[0] + uniform() * (LIFE[1] - LIFE[0]))
  tally.kills--
  server.close()
  for (const made of [dir, profile]) rmSync(made, { recursive: true, force: true })
  return tally
}
