import { randomStream } from '../../core/foundations/random'

/** Draws for one mutation after another. */
export type Draw = { below: (count: number) => number; of: <T>(list: readonly T[]) => T }

export function drawFrom(seed: number): Draw {
  const { uniform } = randomStream(seed)
  const below = (count: number) => Math.floor(uniform() * count)
  return { below, of: (list) => list[below(list.length)] }
}

/** Values that have no business where they are put. */
const ODD: readonly unknown[] = [
  null,
  '',
  ' ',
  0,
  -1,
  1e308,
  -1e-308,
  2 ** 53,
  'nought',
  [],
  {},
  [null],
  true,
  'x'.repeat(5000),
  '2026-02-30',
  '9999-12-31',
  '0000-01-01',
  '<img src=x onerror=alert(1)>',
  '=1+1',
  '\u0000\u202E\uD800',
  '__proto__',
  'constructor',
  { id: 'x' },
]

type Holder = Record<string, unknown> | unknown[]
const isHolder = (value: unknown): value is Holder => typeof value === 'object' && value !== null

/** Something in a tree that holds other things, on a path drawn from the top. */
function drawn(tree: Holder, draw: Draw): Holder {
  let at = tree
  for (;;) {
    const inner = Object.values(at).filter(isHolder)
    if (inner.length === 0 || draw.below(5) === 0) return at
    at = draw.of(inner)
  }
}

const keysOf = (holder: Holder) => Object.keys(holder)
const at = (holder: Holder) => holder as Record<string, unknown>

/** Ways to spoil a tree in one place. `others` are ids that belong elsewhere. */
const SPOILS: readonly ((tree: Holder, draw: Draw, others: readonly string[]) => void)[] = [
  (tree, draw) => {
    const holder = drawn(tree, draw)
    if (keysOf(holder).length > 0) at(holder)[draw.of(keysOf(holder))] = structuredClone(draw.of(ODD))
  },
  (tree, draw) => {
    const holder = drawn(tree, draw)
    const key = draw.of(keysOf(holder))
    if (Array.isArray(holder)) holder.splice(draw.below(holder.length + 1), 1)
    else if (key !== undefined) delete at(holder)[key]
  },
  (tree, draw) => {
    const holder = drawn(tree, draw)
    if (Array.isArray(holder) && holder.length > 0) holder.push(structuredClone(draw.of(holder)))
    else at(holder)[`more ${draw.below(9)}`] = structuredClone(draw.of(ODD))
  },
  (tree, draw, others) => {
    const holder = drawn(tree, draw)
    const names = keysOf(holder).filter((key) => /id$/i.test(key))
    if (names.length > 0) at(holder)[draw.of(names)] = draw.of(others)
  },
  (tree, draw) => {
    const [one, other] = [drawn(tree, draw), drawn(tree, draw)]
    const [a, b] = [draw.of(keysOf(one)), draw.of(keysOf(other))]
    if (a === undefined || b === undefined) return
    const moved = structuredClone(at(other)[b])
    at(one)[a] = moved
  },
  (tree, draw) => {
    const holder = drawn(tree, draw)
    const numbers = keysOf(holder).filter((key) => typeof at(holder)[key] === 'number')
    if (numbers.length === 0) return
    const key = draw.of(numbers)
    at(holder)[key] = (at(holder)[key] as number) * draw.of([-1, 0.5, 1.5, 10, 1000, 1e-6])
  },
  (tree, draw) => {
    const holder = drawn(tree, draw)
    const days = keysOf(holder).filter((key) => /^\d{4}-\d\d-\d\d$/.test(String(at(holder)[key])))
    if (days.length > 0)
      at(holder)[draw.of(days)] = `20${10 + draw.below(40)}-0${1 + draw.below(9)}-1${draw.below(10)}`
  },
]

/** A garden file as text, spoilt in one to three places. */
export function spoiltText(file: object, draw: Draw, others: readonly string[]): string {
  const tree = structuredClone(file) as Holder
  for (let i = 1 + draw.below(3); i > 0; i--) draw.of(SPOILS)(tree, draw, others)
  const text = JSON.stringify(tree)
  // One in twenty is cut short or has a sign changed.
  if (draw.below(20) > 0) return text
  const place = draw.below(text.length)
  return draw.below(2) === 0
    ? text.slice(0, place)
    : text.slice(0, place) + draw.of(['}', '"', ',', '9', '\\']) + text.slice(place + 1)
}

/** Bytes with some of them changed, left out, put twice or put in. */
export function spoiltBytes(bytes: Uint8Array, draw: Draw): Uint8Array<ArrayBuffer> {
  const list = Array.from(bytes)
  for (let i = 1 + draw.below(4); i > 0; i--) {
    // The names and sizes of a zip stand at its end: that is spoilt more often than the middle.
    const place =
      draw.below(2) === 0 ? draw.below(list.length) : Math.max(0, list.length - 1 - draw.below(400))
    const how = draw.below(4)
    if (how === 0) list[place] = draw.below(256)
    else if (how === 1) list.splice(place, 1 + draw.below(20))
    else if (how === 2) list.splice(place, 0, ...list.slice(place, place + 1 + draw.below(60)))
    else list[place] ^= 1 << draw.below(8)
  }
  return Uint8Array.from(list)
}
