type RecordKind =
  | 'stand'
  | 'check'
  | 'picture'
  | 'bed'
  | 'garden'
  | 'section'
  | 'watering'
  | 'trouble'
  | 'lot'
  | 'pack'
  | 'sower'
  | 'tool'
  | 'fixture'
  | 'cut'
  | 'count'
  | 'work'
  | 'livestock'
  | 'feed'
  | 'spread'
  | 'mulch'
  | 'laid'
  | 'device'
  | 'away'
  | 'press'

/**
 * A fresh id for a record, readable by kind: 128 random bits in hexadecimal. Uses `getRandomValues`, which also works
 * where the page was opened over plain http from a phone.
 */
export function newId(kind: RecordKind): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  return `${kind}-${Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')}`
}
