import { formatISO } from 'date-fns/formatISO'
import { dayNumber } from '../core/foundations/day'
import type { Garden } from '../core/garden/schema'

/** Today's day number in the browser's own time zone. */
export const realToday = () => dayNumber(formatISO(new Date(), { representation: 'date' }))

/** The garden's day: the demo clock's for demo gardens, the real one otherwise. */
export const dayIn = (garden: Garden | null, demoDay: string | undefined, real: number): number =>
  garden?.demo ? dayNumber(demoDay ?? garden.demo.opensOn) : real

/** The garden's day in this moment. */
export const todayIn = (garden: Garden, demoDay: string | undefined): number =>
  dayIn(garden, demoDay, realToday())
