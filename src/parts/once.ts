import { useCallback, useEffect, useRef, useState, type MouseEvent } from 'react'

/** A press this soon after the last one, with nothing changed in between, is the same press: a double click, Enter twice. */
const SAME_PRESS_MS = 700

/**
 * Work behind a button that is done once for one wish: not begun again while it is under way, nor by the second half
 * of a double click. `changed` says that something new is wished for, which may begin at once.
 */
export function useOnce<Args extends unknown[]>(
  work: (...args: Args) => unknown,
): { run: (...args: Args) => void; busy: boolean; changed: () => void } {
  const [busy, setBusy] = useState(false)
  const underWay = useRef<symbol | null>(null)
  const begunAt = useRef(-Infinity)
  const latest = useRef(work)
  useEffect(() => {
    latest.current = work
  })
  const run = useCallback((...args: Args) => {
    const now = performance.now()
    if (underWay.current || now - begunAt.current < SAME_PRESS_MS) return
    begunAt.current = now
    const own = Symbol('run')
    underWay.current = own
    setBusy(true)
    void Promise.resolve(latest.current(...args)).finally(() => {
      if (underWay.current !== own) return
      underWay.current = null
      setBusy(false)
    })
  }, [])
  const changed = useCallback(() => {
    begunAt.current = -Infinity
    underWay.current = null
    setBusy(false)
  }, [])
  return { run, busy, changed }
}

/** A click, but not the second half of a double click: by then another row may lie under the pointer. */
export const single = (work: () => unknown) => (event: MouseEvent) => {
  if (event.detail <= 1) void work()
}
