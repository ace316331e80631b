import { useState } from 'react'

/**
 * What a form shows of a stored record: the record as it is until something is filled in, from then on as it was at
 * that moment with the changes on top. `seen` is what the changes were made on, to be written against.
 */
export function useEdits<Stored, Input>(stored: Stored, inputOf: (stored: Stored) => Input) {
  const [edit, setEdit] = useState<{ seen: Stored; input: Input } | null>(null)
  const { seen, input } = edit ?? { seen: stored, input: inputOf(stored) }
  return {
    seen,
    input,
    change: (part: Partial<Input>) => setEdit({ seen, input: { ...input, ...part } }),
    /** What was filled in is stored: the form follows the record again. */
    done: () => setEdit(null),
  }
}
