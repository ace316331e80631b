import { firstProblem, type Outcome } from '../core/foundations/outcome'
import { GARDEN_SCHEMA_VERSION } from '../core/garden/version'
import { commit } from './commit'
import type { KilimDatabase } from './database'
import { newId } from './ids'
import { redo, undo, undoStep } from './undo'
import type { Write } from './writes'

/**
 * What was pressed and is not stored yet. The database answers later, and a page that is left meanwhile takes its
 * unfinished write with it; so what was pressed is kept first where it can be written at once, as text, and the next
 * page does it. It is done once, whoever comes to it first (`once`).
 */
export type Press =
  | { kind: 'commit'; gardenId: string; label: string; writes: readonly Write[]; over: boolean }
  | { kind: 'undo' | 'redo'; gardenId: string }
  | { kind: 'undoStep'; entryId: number }

type KeptPress = { name: string; at: number; version: number; press: Press }

/** What a press comes to: the number of the step stored, or the label of the one taken back; null where there was none. */
type Value<P extends Press> = P extends { kind: 'commit' } ? number | null : string | null

const PREFIX = 'kilim pressed '

function shelf(): Storage | null {
  try {
    return globalThis.localStorage ?? null
  } catch {
    return null
  }
}

/** Two presses in the same millisecond have their order. */
let last = 0
const now = () => (last = Math.max(Date.now(), last + 1))

/** Pictures are no text, and too large; they are stored without being kept first. */
const asText = (press: Press) =>
  press.kind !== 'commit' || press.writes.every((write) => !('bytes' in write && write.bytes))

function keep(kept: KeptPress): void {
  if (!asText(kept.press)) return
  try {
    shelf()?.setItem(PREFIX + kept.name, JSON.stringify(kept))
  } catch {
    // Where it is full or forbidden, the press is stored as the database gets to it.
  }
}

const forget = (name: string) => shelf()?.removeItem(PREFIX + name)

function run(db: KilimDatabase, press: Press, name: string): Promise<Outcome<number | string | null>> {
  if (press.kind === 'undoStep') return undoStep(db, press.entryId, name)
  if (press.kind !== 'commit') return (press.kind === 'undo' ? undo : redo)(db, press.gardenId, name)
  const { gardenId, label, writes, over } = press
  return commit(db, gardenId, label, writes, { over, once: name })
}

/** Does what was pressed, so that it is done even where the page is left before the database has answered. */
export async function pressed<P extends Press>(db: KilimDatabase, press: P): Promise<Outcome<Value<P>>> {
  const name = newId('press')
  keep({ name, at: now(), version: GARDEN_SCHEMA_VERSION, press })
  const outcome = await run(db, press, name)
  forget(name)
  return outcome as Outcome<Value<P>>
}

/** A press as it was kept; null where that cannot be read, so that nothing stands in the way of opening. */
function readKept(text: string): KeptPress | null {
  try {
    const one = JSON.parse(text) as Partial<KeptPress> | null
    return one?.name && one.at && one.press?.kind ? (one as KeptPress) : null
  } catch {
    return null
  }
}

function kept(): KeptPress[] {
  const storage = shelf()
  if (!storage) return []
  const names = Array.from({ length: storage.length }, (_, i) => storage.key(i)!)
  return names
    .filter((name) => name.startsWith(PREFIX))
    .flatMap((name) => {
      const one = readKept(storage.getItem(name)!)
      if (!one) storage.removeItem(name)
      return one ?? []
    })
    .sort((one, other) => one.at - other.at)
}

/** What the page before had left undone: what was pressed, the step it made, or why it was not done. */
export type Finished = { what: string; step: number | null; problem: string | null }

const CALLED = { undo: 'Undo', redo: 'Redo', undoStep: 'Undo' }

/** Whether steps were stored since a press, other than those that were pressed before it. */
async function moreDone(db: KilimDatabase, gardenId: string, at: number, own: ReadonlySet<number>) {
  const steps = await db.undo.where('gardenId').equals(gardenId).toArray()
  return steps.some((step) => step.at > at && !own.has(step.id))
}

async function finish(db: KilimDatabase, { name, at, version, press }: KeptPress, own: Set<number>) {
  const label = press.kind === 'commit' ? press.label : CALLED[press.kind]
  const failed = (problem: string): Finished => ({ what: label, step: null, problem })
  if (version !== GARDEN_SCHEMA_VERSION)
    return failed('Kilim was updated in between. Enter it again where it is missing.')
  if ((press.kind === 'undo' || press.kind === 'redo') && (await moreDone(db, press.gardenId, at, own)))
    return failed('More was done since. Press it again if it is still wanted.')
  const outcome = await run(db, press, name)
  if (!outcome.ok) return failed(firstProblem(outcome.problems))
  if (typeof outcome.value === 'number') {
    own.add(outcome.value)
    return { what: label, step: outcome.value, problem: null }
  }
  return outcome.value === null ? null : { what: `${label}: ${outcome.value}`, step: null, problem: null }
}

/** Does what was pressed on pages that were left before it was stored, in its order. */
export async function finishPressed(db: KilimDatabase): Promise<Finished[]> {
  const finished: Finished[] = []
  const own = new Set<number>()
  for (const press of kept()) {
    const one = await finish(db, press, own)
    forget(press.name)
    if (one) finished.push(one)
  }
  return finished
}
