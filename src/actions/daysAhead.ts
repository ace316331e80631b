import type { Garden, SkyAhead } from '../core/garden/schema'
import type { Job } from '../core/rounds/jobs'
import { isoDate } from '../core/foundations/day'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { shortDate } from '../text/format'
import { marked } from './markJob'
import type { Step } from './step'

/** Days on which nobody is there, or only who is named. */
export const goAway = (
  garden: Garden,
  { fromDay, toDay, who }: { fromDay: number; toDay: number; who: string },
): Step => ({
  label: `Away ${shortDate(fromDay)} to ${shortDate(toDay)}`,
  writes: [
    changed('gardens', garden, {
      away: [
        ...garden.away,
        { id: newId('away'), from: isoDate(fromDay), to: isoDate(toDay), who: who.trim() || null },
      ],
    }),
  ],
})

/** Takes days away back. */
export const stayHere = (garden: Garden, awayId: string): Step => ({
  label: 'Took back days away',
  writes: [changed('gardens', garden, { away: garden.away.filter(({ id }) => id !== awayId) })],
})

/** What is expected of a day ahead; nothing where `sky` is null. Days gone by are forgotten. */
export function expectDay(
  garden: Garden,
  day: number,
  expected: { sky: SkyAhead; frost: boolean } | null,
  today: number,
): Step {
  const id = isoDate(day)
  const others = garden.outlook.filter((entry) => entry.id !== id && entry.id >= isoDate(today))
  return {
    label: expected
      ? `${shortDate(day)}: ${expected.sky}${expected.frost ? ', frost' : ''}`
      : `Nothing is said of ${shortDate(day)}`,
    writes: [
      changed('gardens', garden, {
        outlook: (expected ? [...others, { id, ...expected }] : others).sort((a, b) =>
          a.id < b.id ? -1 : 1,
        ),
      }),
    ],
  }
}

/** Says whose job it is; nobody's where the name is empty. */
export const giveJob = (garden: Garden, job: Job, title: string, who: string): Step =>
  marked(
    garden,
    job,
    { who: who.trim() || null },
    who.trim() ? `${title}: ${who.trim()}` : `${title}: nobody named`,
  )
