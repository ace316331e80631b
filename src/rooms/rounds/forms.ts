import { z } from 'zod'
import { beside, day } from '../../parts/form/codecs'

/** Longest that days away may last; a longer time is a garden given up. */
const LONGEST_DAYS = 200

/** Days away, and who looks after things meanwhile. */
export const awayForm = (today: number) =>
  z
    .object({
      from: day(),
      to: day((last) => (last < today ? 'Choose a last day from today on.' : null)),
      who: z.string().trim().max(60, 'Name: use 60 characters or fewer.'),
    })
    .refine(({ from, to }) => to >= from, beside('to', 'The last day lies before the first.'))
    .refine(
      ({ from, to }) => to - from <= LONGEST_DAYS,
      beside('to', `At most ${LONGEST_DAYS} days at once.`),
    )
