import { z } from 'zod'
import { chosen, day } from '../form/codecs'

/** The beds that something is asked of, and what follows. */
export type Asked = { bedIds: readonly string[]; onDone: () => void; onCancel: () => void }

/** How far off the day of sowing may be, in days; `''` before anybody has said. */
export const WITHIN = [
  ['0', 'on that very day'],
  ['3', 'give or take some days'],
  ['10', 'give or take a week or two'],
  ['30', 'give or take a month'],
] as const

/** Longest that a stand is followed back, days. */
const LONGEST_AGO_DAYS = 1000

/** A cover that grows already. */
export const growingForm = (today: number) =>
  z.object({
    bedIds: z.array(z.string()).min(1, 'Choose a bed.'),
    speciesIds: z
      .array(z.string())
      .min(1, 'Choose what grows there; several for a mix.')
      .max(4, 'At most four of a mix; choose those there is most of.'),
    sownDay: day((sown) =>
      sown > today
        ? 'This lies ahead. What is only planned is chosen with “Choose a cover”.'
        : sown < today - LONGEST_AGO_DAYS
          ? 'Growth is followed back for about two and a half years. Choose the day from which it grew anew, as after a winter.'
          : null,
    ),
    within: z.enum(['0', '3', '10', '30']),
    looks: z.enum(['', 'just up', 'half green', 'closed']),
  })

/** A crop that stands already. */
export const standingForm = (today: number) =>
  z.object({
    bedIds: z.array(z.string()).min(1, 'Choose a bed.'),
    cropId: chosen('Choose a crop.'),
    untilDay: day((until) => (until <= today ? 'Choose the day it is to be cleared, after today.' : null)),
  })
