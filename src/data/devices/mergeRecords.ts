import { isEqual as equal } from 'es-toolkit/predicate'
import { stableHash } from '../../core/foundations/hash'
import type { Plain } from '../merge'
import { fieldsOf, segmentsAlike, type Place } from './places'
import {
  compareStamps,
  higher,
  knows,
  lastStamp,
  lower,
  stampOf,
  type History,
  type Seen,
  type Stamp,
} from './stamps'

/** A record on one device, with what that device has seen of the garden. */
export type Side = { record: Plain; history: History; seen: Seen }

/** A place that both had written without knowing of each other: what was taken and what stood there on the other. */
export type Difference = { place: Place; taken: unknown; other: unknown }

export type MergedRecord = { record: Plain; history: History; differences: Difference[] }

/** Equal stamps on unequal values come of gardens that were never followed: the text decides, the same way round on both. */
const textOver = (a: unknown, b: unknown) => (stableHash(a) > stableHash(b) ? 1 : -1)

/** Whether the first side's value of a place stands over the other's. */
function standsOver(place: Place, values: readonly unknown[], a: Side, b: Side): boolean {
  const order = compareStamps(stampOf(a.history, place), stampOf(b.history, place))
  // Of one writing and yet there on one side only: what was taken out there has come back since.
  const there = Number(values[0] !== undefined) - Number(values[1] !== undefined)
  return (order || there || textOver(values[0] ?? null, values[1] ?? null)) > 0
}

/** Whether both wrote a place, each without knowing of the other's writing. */
export const wroteBoth = (a: Stamp, aSeen: Seen, b: Stamp, bSeen: Seen): boolean =>
  !knows(bSeen, a) && !knows(aSeen, b)

/** The history of what both have: of each place the later of the two writings. */
function historyOf(a: History, b: History, places: Iterable<Place>): History {
  const all = [...new Set([...places, ...Object.keys(a.places), ...Object.keys(b.places)])].map(
    (place) => [place, higher(stampOf(a, place), stampOf(b, place))] as const,
  )
  // As a whole it is as old as the oldest of its places: only what is newer is told by itself.
  const whole = all.length > 0 ? all.map(([, stamp]) => stamp).reduce(lower) : lower(a.whole, b.whole)
  const newer = all.filter(([, stamp]) => compareStamps(stamp, whole) > 0)
  return { whole, places: Object.fromEntries(newer), gone: null }
}

/**
 * The names of a list's entries in order: as on the side that knows all that the other wrote in it, else as on the one that
 * wrote in it last; what only the other has comes behind.
 */
function orderOf(field: string, a: Side, b: Side, names: readonly string[]): string[] {
  const stamps = ({ history }: Side) => names.map((name) => stampOf(history, `${field}/${name}`))
  const knowsAll = (side: Side, other: Side) => stamps(other).every((stamp) => knows(side.seen, stamp))
  const own = (side: Side) =>
    segmentsAlike(field, [side.record]).places.map(({ place }) => place.slice(field.length + 1))
  const [mine, theirs] = [own(a), own(b)]
  const order =
    Number(knowsAll(a, b)) - Number(knowsAll(b, a)) ||
    compareStamps(stamps(a).reduce(higher), stamps(b).reduce(higher)) ||
    textOver(mine, theirs)
  const first = order > 0 ? mine : theirs
  return [...first, ...[...names].sort().filter((name) => !first.includes(name))]
}

/** One record as two devices have it, brought together place by place; the same whichever of them is called the first. */
export function mergeRecord(a: Side, b: Side): MergedRecord {
  // Most of a garden is alike on both: nothing of it need be taken apart.
  if (equal(a.record, b.record) && equal(a.history, b.history))
    return { record: a.record, history: { ...a.history, gone: null }, differences: [] }
  const record: Plain = { ...a.record }
  const places: Place[] = []
  const differences: Difference[] = []
  const pick = (place: Place, values: readonly unknown[]): unknown => {
    places.push(place)
    if (equal(values[0], values[1])) return values[0]
    const [taken, other] = standsOver(place, values, a, b) ? values : [values[1], values[0]]
    if (wroteBoth(stampOf(a.history, place), a.seen, stampOf(b.history, place), b.seen))
      differences.push({ place, taken, other })
    return taken
  }
  for (const field of fieldsOf(a.record, b.record)) {
    const parts = segmentsAlike(field, [a.record, b.record])
    const picked = new Map(
      parts.places.map(({ place, values }) => [place.slice(field.length + 1), pick(place, values)] as const),
    )
    if (parts.layout === 'one') {
      const value = picked.get('')
      if (value === undefined) delete record[field]
      else record[field] = value
    } else if (parts.layout === 'object')
      record[field] = Object.fromEntries([...picked].filter(([, value]) => value !== undefined))
    else {
      const names = [...picked.keys()]
      const order = names.length > 0 ? orderOf(field, a, b, names) : []
      record[field] = order.flatMap((name) => {
        const value = picked.get(name)
        return value === undefined ? [] : [value]
      })
    }
  }
  return { record, history: historyOf(a.history, b.history, places), differences }
}

/** What was done by a record: a sowing, an end. */
const actualsIn = (record: Plain): number =>
  ['start', 'end'].filter((field) => (record[field] as Plain | undefined)?.actual).length

/**
 * A record that makes no sense put together is taken whole from one device: from the one that recorded more of what was
 * done, else from the one that wrote last.
 */
export function takeWhole(a: Side, b: Side, merged: MergedRecord): MergedRecord {
  const order =
    actualsIn(a.record) - actualsIn(b.record) ||
    compareStamps(lastStamp(a.history), lastStamp(b.history)) ||
    textOver(a.record, b.record)
  const [taken, other] = order > 0 ? [a, b] : [b, a]
  const differences = fieldsOf(a.record, b.record).flatMap((field) =>
    segmentsAlike(field, [taken.record, other.record]).places.flatMap(({ place, values }): Difference[] =>
      equal(values[0], values[1]) || knows(taken.seen, stampOf(other.history, place))
        ? []
        : [{ place, taken: values[0], other: values[1] }],
    ),
  )
  return { record: taken.record, history: merged.history, differences }
}
