import { isEqual as equal } from 'es-toolkit/predicate'
import type { Bed, Garden, Stand } from '../../core/garden/schema'
import type { Check } from '../../core/garden/check'
import type { WeatherYear } from '../../core/garden/weatherYear'
import { isEmptyYear } from '../../core/garden/weatherDays'
import type { Conflict, StoredRecord, TableName } from '../database'
import type { Plain } from '../merge'
import { mergeRecord, takeWhole, wroteBoth, type Side } from './mergeRecords'
import { mergeYears } from './mergeYears'
import { withValueAt, valueAt, type Place } from './places'
import type { Replica } from './replica'
import {
  nameOf,
  compareStamps,
  higher,
  knows,
  lastStamp,
  NEVER,
  NO_HISTORY,
  seenTogether,
  type History,
  type Seen,
} from './stamps'

const tableOf = (name: string) => name.slice(0, name.indexOf(' ')) as TableName
const idOf = (name: string) => name.slice(name.indexOf(' ') + 1)

/** Two replicas in one, and what both had changed. */
export type MergedGarden = Replica & { conflicts: Conflict[] }

/** Whether a record may be stored as it is. */
type Sound = (table: TableName, record: StoredRecord) => boolean

const plain = (record: StoredRecord) => record as unknown as Plain
const stored = (record: Plain) => record as unknown as StoredRecord

const keyOf = ({ table, id, place }: Conflict) => `${nameOf(table, id)} ${place}`

/** What a record refers to, without which it cannot stand. */
function needsOf(table: TableName, record: StoredRecord): string[] {
  if (table === 'stands') return [nameOf('beds', (record as Stand).bedId)]
  if (table === 'checks') return [nameOf('stands', (record as Check).standId)]
  return []
}

/** A record as a device has it, or has not. */
type Half = { record: StoredRecord | null; history: History; seen: Seen }
type Merged = { record: StoredRecord | null; history: History; conflicts: Conflict[] }

/**
 * Two replicas of one garden brought together, the same whichever is called the first; merged again with either it stays as
 * it is. What one changed is taken; where both changed a place, or one changed what the other took out, the higher stamp
 * stands and the other is told among the conflicts. What is referred to is never gone.
 */
export function mergeGardens(a: Replica, b: Replica, sound: Sound): MergedGarden {
  const records = new Map<string, StoredRecord>()
  const histories = new Map<string, History>()
  const conflicts: Conflict[] = []
  const half = (replica: Replica, name: string): Half => ({
    record: replica.records.get(name) ?? null,
    history: replica.histories.get(name) ?? NO_HISTORY,
    seen: replica.seen,
  })
  const names = [a, b].flatMap((replica) => [...replica.records.keys(), ...replica.histories.keys()])
  for (const name of new Set(names)) {
    const [mine, theirs] = [half(a, name), half(b, name)]
    const merged =
      isThere(mine) && isThere(theirs) ? mergeBoth(name, mine, theirs, sound) : mergeLone(name, mine, theirs)
    if (merged.record) records.set(name, merged.record)
    // Of what was never written down nothing is to be told.
    const { history } = merged
    if (history.gone || compareStamps(lastStamp(history), NEVER) > 0) histories.set(name, history)
    conflicts.push(...merged.conflicts)
  }
  bringBack(a, b, records, histories, conflicts)
  conflicts.sort((one, other) => (keyOf(one) < keyOf(other) ? -1 : 1))
  return { records, histories, seen: seenTogether(a.seen, b.seen), conflicts }
}

const conflictIn = (name: string, place: Place, taken: unknown, other: unknown): Conflict => ({
  table: tableOf(name),
  id: idOf(name),
  place,
  taken,
  other,
})

/** A record that one device has at most: it stands unless the other took it out after it was written last. */
function mergeLone(name: string, mine: Half, theirs: Half): Merged {
  const [there, away] = mine.record ? [mine, theirs] : [theirs, mine]
  if (!there.record) {
    const last = [mine.history.gone, theirs.history.gone].filter((stamp) => stamp !== null)
    return {
      record: null,
      history: { ...NO_HISTORY, gone: last.length > 0 ? last.reduce(higher) : null },
      conflicts: [],
    }
  }
  const { gone } = away.history
  if (gone === null) return { record: there.record, history: { ...there.history, gone: null }, conflicts: [] }
  const written = lastStamp(there.history)
  // Where its being taken out is known and it stands all the same, it has come back since.
  const stays = knows(there.seen, gone) || compareStamps(written, gone) > 0
  const [taken, other] = stays ? [there.record, null] : [null, there.record]
  return {
    record: taken,
    history: stays ? { ...there.history, gone: null } : { ...NO_HISTORY, gone },
    conflicts: wroteBoth(written, there.seen, gone, away.seen) ? [conflictIn(name, '', taken, other)] : [],
  }
}

type RecordSide = Half & { record: StoredRecord }
const isThere = (half: Half): half is RecordSide => half.record !== null

/** A record that both have, place by place; a year of weather day by day. */
function mergeBoth(name: string, a: RecordSide, b: RecordSide, sound: Sound): Merged {
  const table = tableOf(name)
  const sides = [a, b].map((side): Side => ({ ...side, record: plain(side.record) }))
  const [mine, theirs] = sides
  const merged = mergeRecord(mine, theirs)
  // Where both are alike there is nothing that could contradict itself.
  const placed =
    equal(a.record, b.record) ||
    sound(table, stored(merged.record)) ||
    !sound(table, a.record) ||
    !sound(table, b.record)
      ? merged
      : takeWhole(mine, theirs, merged)
  const { record, history, differences } =
    table === 'weather' ? mergedYear(a, b, merged.history) : { ...placed, record: stored(placed.record) }
  return {
    record,
    history,
    conflicts: differences.map(({ place, taken, other }) => conflictIn(name, place, taken, other)),
  }
}

/** Years of weather are brought together day by day, unless one device knew all that the other has. */
function mergedYear(a: RecordSide, b: RecordSide, history: History) {
  const [mine, theirs] = [lastStamp(a.history), lastStamp(b.history)]
  const order = compareStamps(mine, theirs)
  const newer = order > 0 ? a : b
  if (order !== 0 && knows(newer.seen, order > 0 ? theirs : mine))
    return { record: newer.record, history, differences: [] }
  const { year, days } = mergeYears(a.record as WeatherYear, b.record as WeatherYear, order)
  return {
    record: year as StoredRecord,
    history,
    differences: days > 0 && !isEmptyYear(year) ? [{ place: 'days', taken: days, other: null }] : [],
  }
}

/** What stands refers to a record, or a section, that is gone: it comes back as the device that still had it knew it. */
function bringBack(
  a: Replica,
  b: Replica,
  records: Map<string, StoredRecord>,
  histories: Map<string, History>,
  conflicts: Conflict[],
): void {
  for (let again = true; again;) {
    again = false
    for (const [name, record] of [...records])
      for (const needed of needsOf(tableOf(name), record)) {
        const kept = a.records.get(needed) ?? b.records.get(needed)
        if (records.has(needed) || !kept) continue
        records.set(needed, kept)
        histories.set(needed, {
          ...((a.records.has(needed) ? a : b).histories.get(needed) ?? NO_HISTORY),
          gone: null,
        })
        const told = conflicts.findIndex(({ table, id }) => nameOf(table, id) === needed)
        if (told >= 0) conflicts.splice(told, 1)
        conflicts.push({ table: tableOf(needed), id: idOf(needed), place: '', taken: kept, other: null })
        again = true
      }
  }
  for (const [name, record] of records) {
    if (tableOf(name) !== 'gardens') continue
    let garden = record as Garden
    for (const [bedName, bed] of records) {
      if (tableOf(bedName) !== 'beds') continue
      const { sectionId } = bed as Bed
      if (garden.sections.some(({ id }) => id === sectionId)) continue
      const place = `sections/${sectionId}`
      const section = [a, b].map((replica) => {
        const own = replica.records.get(name)
        return own && valueAt(plain(own), place)
      })
      const kept = section.find((value) => value !== undefined)
      if (kept === undefined) continue
      garden = stored(withValueAt(plain(garden), place, kept)) as Garden
      conflicts.push({ table: 'gardens', id: garden.id, place, taken: kept, other: undefined })
    }
    records.set(name, garden)
  }
}
