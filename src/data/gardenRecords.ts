import type { GardenData } from '../core/garden/schema'
import type { StoredRecord, TableName } from './database'
import type { GardenFileData } from './gardenFile'
import type { Write } from './writes'

/** Every record of a garden with its table. */
export function recordsOf(
  data: GardenData & Partial<GardenFileData>,
): { table: TableName; record: StoredRecord }[] {
  const of = (table: TableName, records: readonly StoredRecord[] = []) =>
    records.map((record) => ({ table, record }))
  return [
    ...of('gardens', [data.garden]),
    ...of('beds', data.beds),
    ...of('stands', data.stands),
    ...of('checks', data.checks),
    ...of('weather', data.weather),
    ...of('lots', data.lots),
    ...of('pictures', data.pictures),
  ]
}

/** The writes that store a whole garden in the place of the one that was seen, or as a new one. */
export function gardenWrites(
  data: GardenData & Partial<GardenFileData>,
  seen: (GardenData & Partial<GardenFileData>) | null = null,
): Write[] {
  const nameOf = (entry: { table: TableName; record: StoredRecord }) => `${entry.table} ${entry.record.id}`
  const old = new Map(seen ? recordsOf(seen).map((entry) => [nameOf(entry), entry]) : [])
  const puts = recordsOf(data).map((entry) => {
    const before = old.get(nameOf(entry))
    old.delete(nameOf(entry))
    return { table: entry.table, put: entry.record, seen: before?.record ?? null } as Write
  })
  return [...[...old.values()].map(({ table, record }): Write => ({ table, remove: record.id })), ...puts]
}
