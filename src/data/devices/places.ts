import { isEqual as equal } from 'es-toolkit/predicate'
import { isPlain, keyed, type Plain } from '../merge'

/**
 * The places of a record that are written and merged as one: a field; the field of an object in it (`start/actual`); the
 * entry of a list whose entries can be told apart (`tools/…`). Objects of several kinds, and whatever lies deeper, are one.
 */
export type Place = string

/** Fields that name a record: never written again. */
const NAMES = ['id', 'gardenId']

/** How a field is laid out in all of some records. */
type Layout = 'one' | 'object' | 'list'

function layoutOf(values: readonly unknown[]): Layout {
  const there = values.filter((value) => value !== undefined && value !== null)
  if (there.length === 0 || there.length < values.filter((value) => value !== undefined).length) return 'one'
  if (there.every((value) => isPlain(value) && !('kind' in value))) return 'object'
  return there.every((value) => Array.isArray(value) && keyed(value) !== null) ? 'list' : 'one'
}

/** The fields of some states of a record. */
export const fieldsOf = (...records: readonly Plain[]): string[] =>
  [...new Set(records.flatMap((record) => Object.keys(record)))].filter((field) => !NAMES.includes(field))

const entriesOf = (value: unknown, layout: Layout): Map<string, unknown> =>
  layout === 'list' ? (keyed(value ?? []) ?? new Map()) : new Map(Object.entries((value ?? {}) as Plain))

/** The parts of a field by name, in some states of a record; a single nameless one where it is one place. */
export function segmentsAlike(field: string, records: readonly Plain[]) {
  const values = records.map((record) => record[field])
  const layout = layoutOf(values)
  if (layout === 'one') return { layout, places: [{ place: field, values }] }
  const entries = values.map((value) => entriesOf(value, layout))
  const names = [...new Set(entries.flatMap((of) => [...of.keys()]))]
  return {
    layout,
    places: names.map((name) => ({ place: `${field}/${name}`, values: entries.map((of) => of.get(name)) })),
  }
}

/** The places in which two states of a record differ. */
export const differingPlaces = (before: Plain, after: Plain): Place[] =>
  fieldsOf(before, after).flatMap((field) =>
    segmentsAlike(field, [before, after]).places.flatMap(({ place, values: [a, b] }) =>
      equal(a, b) ? [] : [place],
    ),
  )

/** What stands in a place of a record; undefined where nothing does. */
export function valueAt(record: Plain, place: Place): unknown {
  const slash = place.indexOf('/')
  if (slash < 0) return record[place]
  const [field, name] = [place.slice(0, slash), place.slice(slash + 1)]
  const value = record[field]
  return Array.isArray(value) ? keyed(value)?.get(name) : isPlain(value) ? value[name] : undefined
}

/** A record with another value in a place; undefined takes out what stands there. */
export function withValueAt(record: Plain, place: Place, value: unknown): Plain {
  const slash = place.indexOf('/')
  const put = (of: Plain, name: string, to: unknown): Plain => {
    const others = Object.fromEntries(Object.entries(of).filter(([key]) => key !== name))
    return to === undefined ? others : { ...of, [name]: to }
  }
  if (slash < 0) return put(record, place, value)
  const [field, name] = [place.slice(0, slash), place.slice(slash + 1)]
  const holder = record[field]
  if (isPlain(holder)) return { ...record, [field]: put(holder, name, value) }
  const entries = new Map(keyed(holder ?? []) ?? [])
  if (value === undefined) entries.delete(name)
  else entries.set(name, value)
  return { ...record, [field]: [...entries.values()] }
}
