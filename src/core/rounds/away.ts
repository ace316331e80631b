import { addDays, dayNumber, isoDate } from '../foundations/day'
import type { Garden } from '../garden/schema'
import type { Job, JobKind } from './jobs'

type Away = Garden['away'][number]

/** Work that wants a hand on its day: it cannot wait until somebody is back. */
const ON_ITS_DAY: readonly JobKind[] = ['moist', 'dry', 'sheet', 'move', 'strip', 'frost']
/** Days after a sowing in which it wants looking after: water, birds, a crust. */
const CARE_DAYS = 10

/** Days away in which nobody is named to look after things, and what of a job falls into them; null where nothing does. */
export function awayClash(
  job: Job,
  away: readonly Away[],
): { what: 'itself' | 'its first days'; away: Away } | null {
  const alone = away.filter(({ who }) => who === null)
  const within = (from: number, to: number) =>
    alone.find((entry) => dayNumber(entry.from) <= to && dayNumber(entry.to) >= from)
  if (ON_ITS_DAY.includes(job.kind)) {
    const found = within(job.dueDay, job.dueDay)
    return found ? { what: 'itself', away: found } : null
  }
  if (job.kind !== 'sow') return null
  const found = within(job.dueDay, job.dueDay + CARE_DAYS)
  return found ? { what: 'its first days', away: found } : null
}

/** The days away that are not over, the next first. */
export const awayAhead = (away: readonly Away[], today: number): Away[] =>
  away.filter(({ to }) => to >= isoDate(today)).sort((a, b) => (a.from < b.from ? -1 : 1))

/** The last day before days away. */
export const dayBefore = ({ from }: Away): number => dayNumber(addDays(from, -1))
