/** Plain objects with their keys in order; all else as it is. */
const inOrder = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value

/**
 * A short key for plain data: equal data gives equal keys, in whatever order its fields were written. Two FNV-1a hashes
 * over the JSON text and its length.
 */
export function stableHash(value: unknown): string {
  const text = JSON.stringify(value, inOrder)
  let a = 0x811c9dc5
  let b = 0x01000193
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    a = Math.imul(a ^ code, 0x01000193)
    b = Math.imul(b ^ (code + i), 0x85ebca6b)
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}${text.length.toString(36)}`
}
