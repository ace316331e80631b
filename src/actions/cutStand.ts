import type { Step } from './step'
import { dayNumber, isoDate } from '../core/foundations/day'
import type { CutDetails, Stand } from '../core/garden/schema'
import { latest } from '../core/garden/timeline'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { standName } from '../text/names'

const withCuts = (stand: Stand, label: string, cuts: Stand['cuts']): Step => ({
  label,
  writes: [changed('stands', stand, { cuts })],
})

/** Plans a cut that lets the stand live, or records it where its day has come. */
export function addCut(stand: Stand, details: CutDetails, today: number): Step {
  const done = dayNumber(details.date) <= today
  const cut = done ? { plan: null, actual: details } : { plan: details, actual: null }
  return withCuts(stand, `${done ? 'Recorded' : 'Planned'} a cut of ${standName(stand).toLowerCase()}`, [
    ...stand.cuts,
    { id: newId('cut'), cut },
  ])
}

/** A planned cut was made as planned, on its day or, where that lies ahead, today. */
export const cutDone = (stand: Stand, cutId: string, today: number): Step =>
  withCuts(
    stand,
    'Recorded a cut',
    stand.cuts.map((entry) => {
      if (entry.id !== cutId) return entry
      const details = latest(entry.cut)!
      const date = isoDate(Math.min(today, dayNumber(details.date)))
      return { ...entry, cut: { ...entry.cut, actual: { ...details, date } } }
    }),
  )

export const takeOutCut = (stand: Stand, cutId: string): Step =>
  withCuts(
    stand,
    'Took out a cut',
    stand.cuts.filter(({ id }) => id !== cutId),
  )
