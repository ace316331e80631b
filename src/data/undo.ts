import { failure, success, type Outcome } from '../core/foundations/outcome'
import { dayNumber, isoDate } from '../core/foundations/day'
import { referenceProblems } from '../core/garden/consistency'
import type { WeatherYear } from '../core/garden/weatherYear'
import { emptyYear, isEmptyYear } from '../core/garden/weatherDays'
import { gardenTables, ownerOf, putAll } from './commit'
import { forgetWriting, historyTables, stampChanges } from './devices/history'
import type { KilimDatabase, RecordChange, StoredRecord, UndoEntry } from './database'
import { loadGarden } from './gardens'
import { changedPlaces, merged, placesTouch } from './merge'
import { once } from './once'
import { Refusal, refusedOr } from './problems'

const refused = (code: string, message: string) => new Refusal({ path: '', code, message })

/** A record with the change of one step taken back or made again; what else has changed since stays. */
async function turned(db: KilimDatabase, gardenId: string, change: RecordChange, to: 'before' | 'after') {
  const from = to === 'before' ? 'after' : 'before'
  const fresh = ((await db.table(change.table).get(change.key)) as StoredRecord | undefined) ?? null
  if (fresh && ownerOf(fresh) !== gardenId)
    throw refused('foreign', 'Another garden holds this record by now, so nothing was changed.')
  if (change.table === 'weather')
    return { fresh, record: turnedYear(change, from, to, fresh as WeatherYear | null) }
  const [old, wanted] = [change[from], change[to]]
  return { fresh, record: old && wanted && fresh ? merged(old, wanted, fresh) : wanted }
}

/** A year of weather with only the days of one step turned: days heard from the station since then stay. */
function turnedYear(
  change: RecordChange,
  from: 'before' | 'after',
  to: 'before' | 'after',
  fresh: WeatherYear | null,
): WeatherYear | null {
  const known = (change.before ?? change.after) as WeatherYear
  const none = emptyYear(known.gardenId, known.year)
  const year = merged(
    (change[from] as WeatherYear | null) ?? none,
    (change[to] as WeatherYear | null) ?? none,
    fresh ?? none,
  )
  return isEmptyYear(year) ? null : year
}

type Turn = { change: RecordChange; from: StoredRecord | null; to: StoredRecord | null }

/** Days of a demo's station that a step left empty are asked for again. */
async function askAgain(db: KilimDatabase, gardenId: string, turns: readonly Turn[]) {
  const [station, garden] = [await db.station.get(gardenId), await db.gardens.get(gardenId)]
  if (!station || !garden?.demo) return
  const emptied = turns.flatMap(({ change, from, to }) => {
    if (change.table !== 'weather' || !from) return []
    const [old, now] = [from as WeatherYear, to as WeatherYear | null]
    const first = dayNumber(`${old.year}-01-01`)
    return old.source.flatMap((source, slot) =>
      source !== null && (now?.source[slot] ?? null) === null ? [isoDate(first + slot)] : [],
    )
  })
  const earliest = emptied.filter((date) => date >= garden.demo!.stationFrom).sort()[0]
  if (earliest !== undefined && earliest < station.heardUntil)
    await db.station.put({ ...station, heardUntil: earliest })
}

/** References of a garden that lead nowhere. */
async function looseEnds(db: KilimDatabase, gardenId: string): Promise<number> {
  const data = await loadGarden(db, gardenId)
  return data ? referenceProblems(data).length : 0
}

async function turn(db: KilimDatabase, entry: UndoEntry, to: 'before' | 'after'): Promise<string> {
  const ordered = to === 'before' ? [...entry.changes].reverse() : entry.changes
  const from = to === 'before' ? 'after' : 'before'
  const turns: Turn[] = []
  const made: RecordChange[] = []
  // One after the other, for a step may have changed a record twice.
  for (const change of ordered) {
    const { fresh, record } = await turned(db, entry.gardenId, change, to)
    await putAll(db, [{ ...change, to: record }])
    turns.push({ change, from: change[from], to: record })
    made.push({ table: change.table, key: change.key, before: fresh, after: record })
  }
  if (to === 'before' && entry.without) await forgetWriting(db, entry.gardenId, made, entry.without)
  else await stampChanges(db, entry.gardenId, made)
  await askAgain(db, entry.gardenId, turns)
  await db.undo.update(entry.id, { undone: to === 'before' ? 1 : 0 })
  return entry.label
}

/** One transaction over all that a step may touch, once under a name; refusals and failures become problems in words. */
async function inOne<T>(
  db: KilimDatabase,
  name: string | undefined,
  work: () => Promise<T>,
): Promise<Outcome<T>> {
  const tables = [...gardenTables(db), ...historyTables(db), db.station, db.undo, db.session]
  try {
    return success(await db.transaction('rw', tables, async () => once(db, name, work)))
  } catch (error) {
    return failure(...refusedOr(error))
  }
}

const stepsOf = (db: KilimDatabase, gardenId: string) =>
  db.undo.where('gardenId').equals(gardenId).sortBy('id')

/** Takes back the last change of a garden; the value is its label, or null when there is nothing left to undo. */
export const undo = (db: KilimDatabase, gardenId: string, name?: string): Promise<Outcome<string | null>> =>
  inOne(db, name, async () => {
    const entry = (await stepsOf(db, gardenId)).filter((step) => step.undone === 0).at(-1)
    return entry ? turn(db, entry, 'before') : null
  })

/** Does the last undone change again. */
export const redo = (db: KilimDatabase, gardenId: string, name?: string): Promise<Outcome<string | null>> =>
  inOne(db, name, async () => {
    const entry = (await stepsOf(db, gardenId)).find((step) => step.undone === 1)
    return entry ? turn(db, entry, 'after') : null
  })

const touches = (one: RecordChange, other: RecordChange) =>
  one.table === other.table &&
  one.key === other.key &&
  placesTouch(changedPlaces(one.before, one.after), changedPlaces(other.before, other.after))

/**
 * Takes back one step by its number, whatever was done since; the value is its label. Refused in words where it was
 * taken back before, is too old, or where a later step changed the same or belongs to it.
 */
export const undoStep = (db: KilimDatabase, entryId: number, name?: string): Promise<Outcome<string>> =>
  inOne(db, name, async () => {
    const entry = await db.undo.get(entryId)
    if (!entry) throw refused('old', 'This step is no longer kept, so it cannot be taken back.')
    if (entry.undone === 1) throw refused('undone', `“${entry.label}” was taken back already.`)
    const later = (await stepsOf(db, entry.gardenId)).filter(
      (step) => step.id > entry.id && step.undone === 0,
    )
    const blocking = later.find((step) =>
      step.changes.some((change) => entry.changes.some((own) => touches(own, change))),
    )
    if (blocking)
      throw refused(
        'changed',
        `“${entry.label}” cannot be taken back alone: “${blocking.label}” changed the same since. Undo that first.`,
      )
    const before = await looseEnds(db, entry.gardenId)
    const label = await turn(db, entry, 'before')
    if ((await looseEnds(db, entry.gardenId)) > before)
      throw refused(
        'needed',
        `“${entry.label}” cannot be taken back alone: something recorded since belongs to it. Undo that first.`,
      )
    return label
  })
