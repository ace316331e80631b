/** A short key for plain data: equal data gives equal keys. Two FNV-1a hashes over the JSON text and its length. */
export function stableHash(value: unknown): string {
  const text = JSON.stringify(value)
  let a = 0x811c9dc5
  let b = 0x01000193
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    a = Math.imul(a ^ code, 0x01000193)
    b = Math.imul(b ^ (code + i), 0x85ebca6b)
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}${text.length.toString(36)}`
}
