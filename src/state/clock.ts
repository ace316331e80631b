import { useEffect, useState } from 'react'
import type { Garden } from '../core/garden/schema'
import { useAppSelector } from './store'
import { dayIn, realToday } from './today'

/** Today's day number in the browser's own time zone; follows midnight and waking from sleep. */
function useRealToday(): number {
  const [today, setToday] = useState(realToday)
  useEffect(() => {
    const look = () => setToday(realToday())
    const timer = setInterval(look, 60_000)
    document.addEventListener('visibilitychange', look)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', look)
    }
  }, [])
  return today
}

/** The garden's day; follows midnight and the demo clock. */
export function useToday(garden: Garden | null): number {
  const real = useRealToday()
  const demoDay = useAppSelector((state) => (garden ? state.session.demoDays[garden.id] : undefined))
  return dayIn(garden, demoDay, real)
}
