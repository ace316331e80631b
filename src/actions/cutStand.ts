import type { Step } from './step'
import { dayNumber, isoDate } from '../core/foundations/day'
import type { CutDetails, Stand } from '../core/garden/schema'
import { latest } from '../core/garden/timeline'
import { cutOn, type AisleMowing } from '../core/scenario/aisle'
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

/** Plans the mowings of a living aisle, in the place of those planned before; the cuttings land on a bed, or stay where null. */
export const planAisle = (stand: Stand, mowings: readonly AisleMowing[], toBedId: string | null): Step =>
  withCuts(stand, `Planned the mowings of ${standName(stand).toLowerCase()}`, [
    ...stand.cuts.filter(({ cut }) => cut.actual),
    ...mowings.map(({ day, cutToM, massKg, nitrogenG }) => ({
      id: newId('cut'),
      cut: {
        plan: {
          ...cutOn(day, cutToM),
          ...(toBedId !== null && { fate: 'carried off' as const, toBedId, took: { massKg, nitrogenG } }),
        },
        actual: null,
      },
    })),
  ])

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
