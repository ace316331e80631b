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

/** How long work goes on before it is said that it does: what is there sooner needs no word. */
const SAID_AFTER_MS = 500

/** Whether something has gone on for so long that it should be said. */
export function useLasting(running: boolean): boolean {
  return useSettled(running, SAID_AFTER_MS, false) && running
}
