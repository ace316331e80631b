/** A fresh id for a record, readable by kind. */
export const newId = (kind: 'stand' | 'check' | 'bed' | 'garden' | 'section' | 'tool' | 'fixture') =>
  `${kind}-${crypto.randomUUID()}`
