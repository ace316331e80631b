import { isoDate } from '../core/foundations/day'
import type { MulchLoad } from '../core/garden/mulch'
import type { Bed, Garden, Segment } from '../core/garden/schema'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import type { Step } from './step'

const step = (garden: Garden, label: string, part: Partial<Garden>): Step => ({
  label,
  writes: [changed('gardens', garden, part)],
})

/** Mulch was brought into store. */
export const bringMulch = (garden: Garden, load: Omit<MulchLoad, 'id'>): Step =>
  step(garden, `Brought in ${load.kind}`, { mulch: [...garden.mulch, { id: newId('mulch'), ...load }] })

/** What a load has become known to hold. */
export const sayOfMulch = (
  garden: Garden,
  load: MulchLoad,
  said: Partial<Pick<MulchLoad, 'seeds' | 'sprayed'>>,
): Step =>
  step(garden, `Changed what is known of the ${load.kind}`, {
    mulch: garden.mulch.map((other) => (other.id === load.id ? { ...other, ...said } : other)),
  })

/** A load goes, and what was laid from it is forgotten with it. */
export const removeMulch = (garden: Garden, { id, kind }: MulchLoad): Step =>
  step(garden, `Removed ${kind}`, {
    mulch: garden.mulch.filter((other) => other.id !== id),
    mulchLaid: garden.mulchLaid.filter(({ sourceId }) => sourceId !== id),
  })

/** Mulch from store was laid on a bed, or is owed to it from a day to come. */
export const layMulch = (
  garden: Garden,
  bed: Bed,
  {
    sourceId,
    kg,
    day,
    segment,
    after,
  }: {
    sourceId: string
    kg: number
    day: number
    segment: Segment
    /** The stand whose ending it comes after, and the day its ground lies open by its plan. */
    after?: { standId: string; openDay: number } | null
  },
  today: number,
): Step =>
  step(garden, day > today ? `Owed mulch to ${bed.label}` : `Laid mulch on ${bed.label}`, {
    mulchLaid: [
      ...garden.mulchLaid,
      {
        id: newId('laid'),
        date: isoDate(day),
        bedId: bed.id,
        ...(segment.kind !== 'whole' && { segment }),
        ...(day > today && {
          owed: true,
          ...(after &&
            day >= after.openDay && { after: { standId: after.standId, days: day - after.openDay } }),
        }),
        sourceId,
        kg: Math.round(kg * 100) / 100,
      },
    ],
  })

/** Mulch that was owed is laid. */
export const mulchDone = (garden: Garden, laidId: string, day: number): Step =>
  step(garden, 'Laid the mulch that was owed', {
    mulchLaid: garden.mulchLaid.map((laid) =>
      laid.id === laidId ? { ...laid, owed: undefined, after: undefined, date: isoDate(day) } : laid,
    ),
  })

export const takeOutMulch = (garden: Garden, laidId: string): Step =>
  step(garden, 'Took out mulch laid', {
    mulchLaid: garden.mulchLaid.filter(({ id }) => id !== laidId),
  })
