import { useEffect, useState } from 'react'
import { whenIdle } from './late'

/** Entries that are taken up in one go: few enough for a click to be answered between. */
const STEP = 6

/** How many of many entries to take up by now: some more whenever the page has nothing better to do, until it is all of them. */
export function useGradually(total: number): number {
  const [count, setCount] = useState(0)
  const taken = Math.min(count, total)
  useEffect(() => {
    if (taken >= total) return
    let left = false
    void whenIdle().then(() => {
      if (!left) setCount(taken + STEP)
    })
    return () => void (left = true)
  }, [taken, total])
  return taken
}
