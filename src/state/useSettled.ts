import { useEffect, useState } from 'react'

/**
 * A value once it has stayed the same for a while: what is dragged is not asked for at every step. `first` stands until
 * then; the value itself where left out.
 */
export function useSettled<T>(value: T, ms = 350, first = value): T {
  const [settled, setSettled] = useState(first)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), ms)
    return () => clearTimeout(timer)
  }, [value, ms])
  return settled
}
