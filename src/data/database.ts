import Dexie, { type DexieOptions, type EntityTable, type Transaction } from 'dexie'
import type { Check, Picture } from '../core/garden/check'
import type { Bed, Garden, Stand } from '../core/garden/schema'
import { GARDEN_SCHEMA_VERSION } from '../core/garden/version'
import type { SeedLot } from '../core/garden/seed'
import type { WeatherYear } from '../core/garden/weatherYear'
import type { DayForecast } from '../core/site/forecast'
import { migrateRecord } from './migrations/migrate'
import type { History, Seen } from './devices/stamps'
import type { OldRecord } from './migrations/steps'

// Served from this machine, Dexie would take it for development and write down where every call came from.
Dexie.debug = false

/** One stored change with what it takes to undo and redo it. */
export type UndoEntry = {
  id: number
  gardenId: string
  label: string
  at: number
  undone: 0 | 1
  changes: RecordChange[]
  /** Whose it is, where it was not done on this device: it came with a file, or from the other device. */
  by?: 'file'
  /** Of a step that brought in another device's writing: the histories as they were without it. */
  without?: Without
}

/** What was known of the writing of some records, and what had been seen at which count, before another device's came in. */
export type Without = { histories: HistoryRow[]; seen: Seen; count: number }

/** What each table of a garden keeps. */
export type Records = {
  gardens: Garden
  beds: Bed
  stands: Stand
  checks: Check
  weather: WeatherYear
  lots: SeedLot
  pictures: Picture
}
export type TableName = keyof Records
export type StoredRecord = Records[TableName]

/** A record before and after a change; null where it did not exist. */
export type RecordChange = {
  table: TableName
  key: string
  before: StoredRecord | null
  after: StoredRecord | null
}

/**
 * What a demo garden's station was last heard to say. `heardUntil`: days before it have been asked for; `forecast` is
 * the one issued that day; `trouble` is why it could not be heard further, null when all is well.
 */
export type StationState = {
  gardenId: string
  heardUntil: string
  forecast: DayForecast[]
  trouble: string | null
}

/** The bytes of a picture as kept (JPEG), and a small one for lists. */
export type PictureBytes = { id: string; full: Uint8Array<ArrayBuffer>; small: Uint8Array<ArrayBuffer> }

/** The history of a record under its table and id; see `devices/stamps`. */
export type HistoryRow = History & { name: string; gardenId: string }

/** How far a garden has come here: its count of steps, and the steps of each device that are in it; under no garden this device's own name. */
export type ReplicaRow = {
  gardenId: string
  device: string
  count: number
  seen: Seen
  /** When it came here, was last exported and at which count, and when to be reminded of that again; ms since 1970. */
  begunAt?: number
  exported?: { at: number; count: number }
  remindAfter?: number
}

/** A place, or with an empty one a whole record, that both had written: what was taken, and what the other had there. */
export type Conflict = {
  table: TableName
  id: string
  /** See `devices/places`. */
  place: string
  taken: unknown
  other: unknown
}

/** What both devices had written when a garden was brought together, until the grower has looked at it; `step` is the undo entry. */
export type MergeRow = { id: number; gardenId: string; at: number; step: number; conflicts: Conflict[] }

/** A garden as it was before a file took its place, as the text of a garden file. */
export type CopyRow = { id: number; gardenId: string; name: string; at: number; text: string }

/** A piece of persisted screen state: drafts, the demo clock, the theme. */
type SessionEntry = { key: string; value: unknown }

/** The oldest version of the garden data that a database may hold; steps taken again change nothing. */
const OLDEST = 1

const migrated = (table: TableName, record: StoredRecord) =>
  migrateRecord(table, record as unknown as OldRecord, OLDEST) as unknown as StoredRecord

const inPlace = (table: TableName) => (record: StoredRecord) =>
  void Object.assign(record, migrated(table, record))

/** Where two devices differ in a whole record, what either has there is one. */
function wholeMigrated(conflict: Conflict): Conflict {
  if (conflict.place !== '') return conflict
  const record = (value: unknown) => value && migrated(conflict.table, value as StoredRecord)
  return { ...conflict, taken: record(conflict.taken), other: record(conflict.other) }
}

/** Records of older versions of the garden data, and what undo and the lists of differences keep of them, become those of today. */
async function bringUp(upgrade: Transaction): Promise<void> {
  for (const table of ['gardens', 'beds', 'stands', 'checks'] as const)
    await upgrade.table(table).toCollection().modify(inPlace(table))
  await upgrade
    .table('undo')
    .toCollection()
    .modify((entry: UndoEntry) => {
      entry.changes = entry.changes.map((change) => ({
        ...change,
        before: change.before && migrated(change.table, change.before),
        after: change.after && migrated(change.table, change.after),
      }))
    })
  await upgrade
    .table('merges')
    .toCollection()
    .modify((merge: MergeRow) => {
      merge.conflicts = merge.conflicts.map(wholeMigrated)
    })
}

export class KilimDatabase extends Dexie {
  gardens!: EntityTable<Garden, 'id'>
  beds!: EntityTable<Bed, 'id'>
  stands!: EntityTable<Stand, 'id'>
  checks!: EntityTable<Check, 'id'>
  weather!: EntityTable<WeatherYear, 'id'>
  lots!: EntityTable<SeedLot, 'id'>
  pictures!: EntityTable<Picture, 'id'>
  pictureBytes!: EntityTable<PictureBytes, 'id'>
  station!: EntityTable<StationState, 'gardenId'>
  undo!: EntityTable<UndoEntry, 'id'>
  session!: EntityTable<SessionEntry, 'key'>
  history!: EntityTable<HistoryRow, 'name'>
  replicas!: EntityTable<ReplicaRow, 'gardenId'>
  merges!: EntityTable<MergeRow, 'id'>
  copies!: EntityTable<CopyRow, 'id'>

  constructor(name = 'kilim', options: Pick<DexieOptions, 'indexedDB' | 'IDBKeyRange'> = {}) {
    // A step counts as stored once it lies on the disk, not once the browser has promised to put it there.
    super(name, { chromeTransactionDurability: 'strict', ...options })
    this.version(1).stores({
      gardens: 'id',
      beds: 'id, gardenId',
      stands: 'id, gardenId, bedId',
      checks: 'id, gardenId, standId',
      undo: '++id, gardenId',
      session: 'key',
    })
    this.version(2).stores({ weather: 'id, gardenId', station: 'gardenId' })
    this.version(3).stores({ lots: 'id, gardenId' })
    this.version(4).stores({ pictures: 'id, gardenId, bedId, standId', pictureBytes: 'id' })
    this.version(8).stores({
      history: 'name, gardenId',
      replicas: 'gardenId',
      merges: '++id, gardenId',
      copies: '++id, gardenId',
    })
    // Records of any older version of the garden data come to that of today at once: a version of them is one of the
    // database, so that none can be forgotten here.
    this.version(GARDEN_SCHEMA_VERSION).upgrade(bringUp)
  }
}

export const database = new KilimDatabase()
