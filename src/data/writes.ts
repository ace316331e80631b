import type { WeatherYear } from '../core/garden/weatherYear'
import type { PictureBytes, Records, TableName } from './database'

/**
 * A record to store. `seen` is the record that the change was made on, null for a new one: only what differs between
 * the two is written, onto the record as it is stored by then.
 */
type Put<T extends TableName> = { table: T; put: Records[T]; seen: Records[T] | null }

/** What to write in one step: records to put, keys to remove. */
export type Write =
  | { [T in Exclude<TableName, 'pictures'>]: Put<T> }[Exclude<TableName, 'pictures'>]
  | (Put<'pictures'> & { bytes?: Omit<PictureBytes, 'id'> })
  | { table: TableName; remove: string }

/** A new record. */
export const added = <T extends TableName>(table: T, put: Records[T]) => ({ table, put, seen: null }) as Write

/** Some fields of a record as it was seen, set anew. */
export const changed = <T extends TableName>(table: T, seen: Records[T], part: Partial<Records[T]>) =>
  ({ table, put: { ...seen, ...part }, seen }) as Write

/** Years of weather with days written into them, against the years as they were seen. */
export const yearWrites = (seen: readonly WeatherYear[], years: readonly WeatherYear[]): Write[] =>
  years.map((put) => ({ table: 'weather', put, seen: seen.find(({ id }) => id === put.id) ?? null }))
