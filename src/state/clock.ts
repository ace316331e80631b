import { formatISO } from 'date-fns/formatISO'
import { useEffect, useState } from 'react'
import { dayNumber } from '../core/foundations/day'
import type { Garden } from '../core/garden/schema'
import { useAppSelector } from './store'

const realToday = () => dayNumber(formatISO(new Date(), { representation: 'date' }))

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

/** The garden's day: the demo clock's for demo gardens, the real one otherwise. */
export function useToday(garden: Garden | null): number {
  const real = useRealToday()
  const demoDay = useAppSelector((state) => (garden ? state.session.demoDays[garden.id] : undefined))
  return garden?.demo ? dayNumber(demoDay ?? garden.demo.opensOn) : real
}
