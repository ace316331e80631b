import Dexie, { type EntityTable } from 'dexie'
import type { Bed, Check, Garden, Stand } from '../core/garden/schema'

/** One stored change with what it takes to undo and redo it. */
export type UndoEntry = {
  id: number
  gardenId: string
  label: string
  at: number
  undone: 0 | 1
  changes: RecordChange[]
}

export type TableName = 'gardens' | 'beds' | 'stands' | 'checks'
type StoredRecord = Garden | Bed | Stand | Check

/** A record before and after a change; null where it did not exist. */
export type RecordChange = {
  table: TableName
  key: string
  before: StoredRecord | null
  after: StoredRecord | null
}

/** A piece of persisted screen state: drafts, the demo clock, the theme. */
type SessionEntry = { key: string; value: unknown }

export class KilimDatabase extends Dexie {
  gardens!: EntityTable<Garden, 'id'>
  beds!: EntityTable<Bed, 'id'>
  stands!: EntityTable<Stand, 'id'>
  checks!: EntityTable<Check, 'id'>
  undo!: EntityTable<UndoEntry, 'id'>
  session!: EntityTable<SessionEntry, 'key'>

  constructor(name = 'kilim') {
    super(name)
    this.version(1).stores({
      gardens: 'id',
      beds: 'id, gardenId',
      stands: 'id, gardenId, bedId',
      checks: 'id, gardenId, standId',
      undo: '++id, gardenId',
      session: 'key',
    })
  }
}

export const database = new KilimDatabase()
