import { useEffect, useState } from 'react'

/** A value once it has stayed the same for a while: what is dragged is not asked for at every step. */
export function useSettled<T>(value: T, ms = 350): T {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), ms)
    return () => clearTimeout(timer)
  }, [value, ms])
  return settled
}
