import { randomStream } from '../../core/foundations/random'
import { Pool } from '../pool'
import type { JobArgs, ToWorker } from '../protocol'
import { TestWorker } from './testWorker'

/** How a worker goes wrong, once it has been sent so many messages. */
const FAULTS = ['none', 'throws', 'error', 'silent', 'dead', 'unreadable'] as const
type Fault = { kind: (typeof FAULTS)[number]; after: number }

/** Patience of the pools that are tried, and longest that a question may hang, ms. */
const PATIENCE_MS = 40
const LONGEST_MS = 40 * PATIENCE_MS
const QUESTIONS = 12

/** Work at once, and work in steps; each answers with what it was asked for. */
const jobs = {
  outlook: (_spec: unknown, day: number) => day,
  *choose(name: string) {
    for (let step = 0; step < 3; step++) yield
    return name
  },
}

/** A worker that breaks down as it is told. */
class FaultyWorker extends TestWorker {
  #sent = 0
  readonly #fault: Fault
  readonly #onUnreadable: (() => void)[] = []
  constructor(fault: Fault) {
    super(jobs as never, TestWorker.records)
    this.#fault = fault
  }
  override addEventListener(kind: string, receive: (event: never) => void) {
    if (kind === 'messageerror') this.#onUnreadable.push(receive as never)
    super.addEventListener(kind, receive)
  }
  override postMessage(message: ToWorker) {
    const { kind, after } = this.#fault
    const broken = ++this.#sent > after
    if (!broken || kind === 'none' || kind === 'throws') return super.postMessage(message)
    if (kind === 'error') setTimeout(() => this.fail('The script stopped.'), 0)
    if (kind === 'unreadable') setTimeout(() => this.#onUnreadable.forEach((hear) => hear()), 0)
    if (kind === 'dead') this.ended = true
  }
}

type Asked = { ask: (pool: Pool) => Promise<unknown>; wanted: unknown }
const asked = (index: number, long: boolean): Asked => {
  const name = `mix ${index}`
  return long
    ? { ask: (pool) => pool.ask('choose', [name] as unknown as JobArgs<'choose'>), wanted: name }
    : { ask: (pool) => pool.ask('outlook', [null, index, 1] as unknown as JobArgs<'outlook'>), wanted: index }
}

type Settled = { value: unknown } | { words: string } | 'hangs'
const settled = (answer: Promise<unknown>): Promise<Settled> => {
  let timer: ReturnType<typeof setTimeout>
  const late = new Promise<Settled>((resolve) => {
    timer = setTimeout(() => resolve('hangs'), LONGEST_MS)
  })
  const told = answer.then(
    (value): Settled => ({ value }),
    (error: unknown): Settled => ({ words: error instanceof Error ? error.message : '' }),
  )
  return Promise.race([told, late]).finally(() => clearTimeout(timer))
}

/** What is wrong with how a question ended; null where it was answered, or refused in words. */
function faultOf(end: Settled, wanted: unknown): string | null {
  if (end === 'hangs') return 'was never answered'
  if ('value' in end) return end.value === wanted ? null : `was answered with ${JSON.stringify(end.value)}`
  return end.words.length > 10 ? null : `failed without words: “${end.words}”`
}

export type WorkersTally = {
  cases: number
  answered: number
  refused: number
  faults: string[]
}

/**
 * Asks pools of workers of which some never start, break down, fall silent or vanish: every question is answered rightly or
 * refused in words, and once workers hold, all of them are answered.
 */
export async function tortureWorkers(count: number, seed: number): Promise<WorkersTally> {
  const { uniform } = randomStream(seed)
  const below = (most: number) => Math.floor(uniform() * most)
  const tally: WorkersTally = { cases: 0, answered: 0, refused: 0, faults: [] }
  for (let one = 0; one < count; one++) {
    TestWorker.reset()
    let sound = false
    const start = () => {
      const fault: Fault = sound
        ? { kind: 'none', after: 0 }
        : { kind: FAULTS[below(FAULTS.length)], after: below(6) }
      if (fault.kind === 'throws') throw new Error('Workers are not allowed here.')
      return new FaultyWorker(fault) as unknown as Worker
    }
    const pool = new Pool(1 + below(4), start, PATIENCE_MS)
    const questions = Array.from({ length: QUESTIONS }, (_, i) => asked(i, below(2) === 0))
    const ends = await Promise.all(questions.map(({ ask }) => settled(ask(pool))))
    sound = true
    // Tried again as its button would: those still broken are found out first, then all hold.
    const again = await Promise.all(
      questions.map(async ({ ask }) => {
        let end: Settled = 'hangs'
        for (let tries = 0; tries < 6; tries++) {
          end = await settled(ask(pool))
          if (end !== 'hangs' && 'value' in end) break
        }
        return end
      }),
    )
    questions.forEach(({ wanted }, i) => {
      const wrong = faultOf(ends[i], wanted)
      if (wrong) tally.faults.push(`case ${one}, question ${i} ${wrong}`)
      const end = again[i]
      if (end === 'hangs' || !('value' in end) || end.value !== wanted)
        tally.faults.push(`case ${one}, question ${i} is not answered when tried again`)
      const first = ends[i]
      if (first !== 'hangs') tally['value' in first ? 'answered' : 'refused']++
    })
    pool.close()
    tally.cases++
  }
  TestWorker.reset()
  return tally
}
