import { STEPS, type OldRecord, type RecordTable } from './steps'

/** A record of an older version brought to the version of today. */
export const migrateRecord = (table: RecordTable, record: OldRecord, fromVersion: number): OldRecord =>
  STEPS.filter(({ to }) => to > fromVersion).reduce(
    (current, { tables }) => tables[table]?.(current) ?? current,
    record,
  )

/** Where the records of each table stand in a garden file. */
const LISTS: readonly RecordTable[] = ['beds', 'stands', 'checks', 'weather', 'lots', 'pictures']

/** The data of a garden file of an older version brought to the version of today; what is no list of records is left alone. */
export function migrateFile(data: unknown, fromVersion: number): unknown {
  if (typeof data !== 'object' || data === null) return data
  const old = data as OldRecord
  const lists = LISTS.flatMap((table) => {
    const records = old[table]
    return Array.isArray(records)
      ? [
          [
            table,
            records.map((record: unknown) =>
              typeof record === 'object' && record !== null
                ? migrateRecord(table, record as OldRecord, fromVersion)
                : record,
            ),
          ] as const,
        ]
      : []
  })
  const garden = old.garden
  return {
    ...old,
    ...Object.fromEntries(lists),
    ...(typeof garden === 'object' &&
      garden !== null && { garden: migrateRecord('gardens', garden as OldRecord, fromVersion) }),
  }
}
