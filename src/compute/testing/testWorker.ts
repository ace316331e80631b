import { setImmediate } from 'node:timers'
import { Agenda, type Doable } from '../agenda'
import type { FromWorker, ToWorker } from '../protocol'

/** A store of weather records that only notes what came. */
class NotedRecords {
  readonly held = new Set<string>()
  /** Keys in the order in which records were sent. */
  sent: string[] = []
  keep(key: string): void {
    this.held.add(key)
    this.sent.push(key)
  }
}

/** A worker for tests, on the page itself: an agenda of its own behind messages that arrive, copied, a moment later. */
export class TestWorker {
  static started: TestWorker[] = []
  static records = new NotedRecords()
  /** Whether workers speak at all. */
  static speak = true
  ended = false
  readonly #agenda: Agenda
  readonly #onMessage: ((event: { data: FromWorker }) => void)[] = []
  readonly #onError: ((event: { message: string }) => void)[] = []

  constructor(jobs: Doable, records: ConstructorParameters<typeof Agenda>[1]) {
    TestWorker.started.push(this)
    const post = (message: FromWorker) => {
      const data = structuredClone(message)
      this.#later(() => this.#onMessage.forEach((receive) => receive({ data })))
    }
    this.#agenda = new Agenda(jobs, records, post, () => new Promise((resolve) => this.#later(resolve)))
  }
  #later(act: () => void) {
    setImmediate(() => {
      if (!this.ended && TestWorker.speak) act()
    })
  }
  addEventListener(kind: string, receive: (event: never) => void) {
    if (kind === 'message') this.#onMessage.push(receive as never)
    if (kind === 'error') this.#onError.push(receive as never)
  }
  postMessage(message: ToWorker) {
    const data = structuredClone(message)
    this.#later(() => this.#agenda.receive(data))
  }
  terminate() {
    this.ended = true
  }
  /** Breaks down as a fault in its script would have it. */
  fail(message: string) {
    this.#onError.forEach((receive) => receive({ message }))
  }

  static reset() {
    TestWorker.started = []
    TestWorker.records = new NotedRecords()
    TestWorker.speak = true
  }
}

/** Lets everything that is on its way arrive. */
export async function turns(count = 20): Promise<void> {
  for (let i = 0; i < count; i++) await new Promise((resolve) => setImmediate(() => resolve(null)))
}
