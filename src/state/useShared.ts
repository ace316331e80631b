import { replaceEqualDeep } from '@tanstack/react-query'
import { useState } from 'react'

/** A value whose parts stay the same objects while they say the same, so that what shows an unchanged part is left alone. */
export function useShared<T>(value: T): T {
  const [kept, setKept] = useState(value)
  const shared = replaceEqualDeep(kept, value) as T
  if (shared !== kept) setKept(shared)
  return shared
}
