/** Hashes of what was hashed before, as parts of something larger too: plain data is never changed once it is made. */
const known = new WeakMap<object, string>()

/** Two FNV-1a hashes over a text, and its length. */
function hashOfText(text: string): string {
  let a = 0x811c9dc5
  let b = 0x01000193
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    a = Math.imul(a ^ code, 0x01000193)
    b = Math.imul(b ^ (code + i), 0x85ebca6b)
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}${text.length.toString(36)}`
}

/** Parts whose text is this short stand in the text of the whole; others stand in it by their hash. */
const SHORT = 200

/** Plain data as text: fields in order of their names, what JSON leaves out left out. */
function textOf(value: unknown): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null'
  let hash = known.get(value)
  if (hash === undefined) {
    const text = Array.isArray(value)
      ? `[${value.map(textOf).join()}]`
      : `{${Object.entries(value)
          .filter(([, part]) => part !== undefined)
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([name, part]) => `${JSON.stringify(name)}:${textOf(part)}`)
          .join()}}`
    if (text.length <= SHORT) return text
    hash = `#${hashOfText(text)}`
    known.set(value, hash)
  }
  return hash
}

/**
 * A short key for plain data: equal data gives equal keys, in whatever order its fields were written. Data that has been
 * hashed must not be changed any more.
 */
export const stableHash = (value: unknown): string => hashOfText(textOf(value))
