import { isEqual as equal } from 'es-toolkit/predicate'
import type { Meanwhile } from '../core/foundations/outcome'

export type Plain = Record<string, unknown>

export const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Lengths of lists whose places mean a month or a day of the year. */
const CALENDAR_LENGTHS = [12, 366]
const isCalendar = (value: unknown): value is unknown[] =>
  Array.isArray(value) && CALENDAR_LENGTHS.includes(value.length) && !value.some(isPlain)

/** What tells the entries of a list apart: their id, their name, or the text itself. */
const keyOf = (entry: unknown): string | null => {
  if (typeof entry === 'string') return entry
  if (!isPlain(entry)) return null
  const key = entry.id ?? entry.jobId ?? entry.speciesId
  return typeof key === 'string' ? key : null
}

/** A list by the keys of its entries, in order; null where an entry has none or two have the same. */
export function keyed(value: unknown): Map<string, unknown> | null {
  if (!Array.isArray(value)) return null
  const entries = new Map<string, unknown>()
  for (const entry of value) {
    const key = keyOf(entry)
    if (key === null || entries.has(key)) return null
    entries.set(key, entry)
  }
  return entries
}

/** Objects of different kinds share no fields, so one takes the place of the other whole. */
const sameKind = (...values: Plain[]) => values.every((value) => value.kind === values[0].kind)

/**
 * The change from `seen` to `put`, made on `fresh`: fields that `put` left as they were stay as they are in `fresh`.
 * Lists whose entries can be told apart are merged by entry, months and days by place; whatever else changed is taken
 * whole from `put`.
 */
export function merged<T>(seen: T, put: T, fresh: T): T {
  return mergeValue(seen, put, fresh) as T
}

function mergeValue(seen: unknown, put: unknown, fresh: unknown): unknown {
  if (equal(seen, put)) return fresh
  if (equal(seen, fresh)) return put
  if (isPlain(seen) && isPlain(put) && isPlain(fresh))
    return sameKind(seen, put, fresh) ? mergeFields(seen, put, fresh) : put
  if (isCalendar(seen) && isCalendar(put) && isCalendar(fresh) && put.length === fresh.length)
    return put.map((value, i) => mergeValue(seen[i], value, fresh[i]))
  const [before, after, stored] = [keyed(seen ?? []), keyed(put ?? []), keyed(fresh ?? [])]
  return before && after && stored ? mergeLists(before, after, stored) : put
}

/** Places that were changed both from `seen` to `put` and, otherwise, from `seen` to `fresh`, with the three values. */
export function clashes(
  seen: unknown,
  put: unknown,
  fresh: unknown,
  path = '',
): ({ path: string } & Meanwhile)[] {
  if (equal(seen, put) || equal(seen, fresh) || equal(put, fresh)) return []
  const into = (name: string) => (path === '' ? name : `${path}/${name}`)
  if (isPlain(seen) && isPlain(put) && isPlain(fresh) && sameKind(seen, put, fresh))
    return [...new Set([...Object.keys(put), ...Object.keys(fresh)])].flatMap((field) =>
      clashes(seen[field], put[field], fresh[field], into(field)),
    )
  if (isCalendar(seen) && isCalendar(put) && isCalendar(fresh) && put.length === fresh.length)
    return put.flatMap((value, i) => clashes(seen[i], value, fresh[i], into(String(i))))
  const [before, after, stored] = [keyed(seen ?? []), keyed(put ?? []), keyed(fresh ?? [])]
  if (before && after && stored)
    return [...new Set([...after.keys(), ...stored.keys()])].flatMap((key) =>
      clashes(before.get(key), after.get(key), stored.get(key), into(key)),
    )
  return [{ path, seen, own: put, now: fresh }]
}

function mergeFields(seen: Plain, put: Plain, fresh: Plain): Plain {
  const result: Plain = {}
  for (const field of new Set([...Object.keys(fresh), ...Object.keys(put)])) {
    const value = mergeValue(seen[field], put[field], fresh[field])
    if (value !== undefined) result[field] = value
  }
  return result
}

function mergeLists(
  seen: Map<string, unknown>,
  put: Map<string, unknown>,
  fresh: Map<string, unknown>,
): unknown[] {
  const stayed = [...fresh].flatMap(([key, entry]) => {
    if (!seen.has(key)) return put.has(key) ? [put.get(key)] : [entry]
    return put.has(key) ? [mergeValue(seen.get(key), put.get(key), entry)] : []
  })
  const isNew = ([key]: [string, unknown]) => !seen.has(key) && !fresh.has(key)
  return [...stayed, ...[...put].filter(isNew).map(([, entry]) => entry)]
}

/** Places in a record that differ between two states of it, as paths; the record itself where one of them is missing. */
export function changedPlaces(before: unknown, after: unknown, path = ''): string[] {
  if (equal(before, after)) return []
  if (isPlain(before) && isPlain(after) && sameKind(before, after))
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((field) =>
      changedPlaces(before[field], after[field], `${path}/${field}`),
    )
  if (isCalendar(before) && isCalendar(after) && before.length === after.length)
    return before.flatMap((value, i) => changedPlaces(value, after[i], `${path}/${i}`))
  const [old, now] = [keyed(before ?? []), keyed(after ?? [])]
  if (!old || !now || !(Array.isArray(before) || Array.isArray(after))) return [path]
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((key) =>
    changedPlaces(old.get(key), now.get(key), `${path}/${key}`),
  )
}

/** Whether two sets of places touch: one lies in the other, or is it. */
export const placesTouch = (some: readonly string[], others: readonly string[]): boolean =>
  some.some((place) =>
    others.some((other) => place === other || place.startsWith(`${other}/`) || other.startsWith(`${place}/`)),
  )
