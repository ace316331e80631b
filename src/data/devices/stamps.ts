/**
 * When and where a place of a garden was written last: the garden's own count of steps, which goes up with every step and
 * past every step that is brought in from elsewhere (Lamport 1978), and the device. No clock decides anything.
 */
export type Stamp = readonly [count: number, device: string]

/** Before anything was written. */
export const NEVER: Stamp = [0, '']

/** Positive where the first stands over the second; 0 only for equal stamps. */
export const compareStamps = (a: Stamp, b: Stamp): number =>
  a[0] - b[0] || (a[1] < b[1] ? -1 : a[1] > b[1] ? 1 : 0)

export const higher = (a: Stamp, b: Stamp): Stamp => (compareStamps(a, b) >= 0 ? a : b)
export const lower = (a: Stamp, b: Stamp): Stamp => (compareStamps(a, b) < 0 ? a : b)

/** The last step of each device that a replica of a garden has in it. */
export type Seen = Readonly<Record<string, number>>

/** Whether a replica that has seen so much knows of a stamp. */
export const knows = (seen: Seen, [count, device]: Stamp): boolean => count <= (seen[device] ?? 0)

/** What two replicas have seen together. */
export function seenTogether(a: Seen, b: Seen): Seen {
  const both: Record<string, number> = { ...a }
  for (const [device, count] of Object.entries(b)) both[device] = Math.max(count, both[device] ?? 0)
  return both
}

/**
 * What is known of the writing of one record: when it came, when each of its places was written since, and when it was taken
 * out, null while it stands.
 */
export type History = { whole: Stamp; places: Readonly<Record<string, Stamp>>; gone: Stamp | null }

export const NO_HISTORY: History = { whole: NEVER, places: {}, gone: null }

/** When a place was written last: by itself, with the field that it is in, or with the whole record. */
export function stampOf({ whole, places }: History, place: string): Stamp {
  const slash = place.indexOf('/')
  const field = slash < 0 ? null : places[place.slice(0, slash)]
  return [places[place], field].reduce<Stamp>((last, stamp) => (stamp ? higher(last, stamp) : last), whole)
}

/** When anything of a record was written last; its being taken out is not counted. */
export const lastStamp = ({ whole, places }: History): Stamp => Object.values(places).reduce(higher, whole)

/** Under what a record and its history stand in a replica. */
export const nameOf = (table: string, id: string) => `${table} ${id}`
