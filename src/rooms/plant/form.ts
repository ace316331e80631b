import { z } from 'zod'
import { isoDate } from '../../core/foundations/day'
import { rules, spread } from '../../core/garden/rules'
import { stand } from '../../core/garden/schema'
import { day, notAhead, note, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

/** A planting that was done, not before the cover was ended; null where it was not. */
export const plantForm = (today: number, coverEndDay: number | null) =>
  z.object({
    day: day((planted) =>
      coverEndDay !== null && planted < coverEndDay
        ? `The cover was ended on ${isoDate(coverEndDay)}. Choose that day or a later one.`
        : notAhead(today, 'A planting')(planted),
    ),
    note: note(),
  })

/** Lanes planted one after the other, and the days between them; 1 is all at once. */
export const lanesForm = (units: Units) =>
  z.object({
    lanes: quantity('count', units, { name: 'Lanes', low: 1, high: 12, whole: true }),
    everyDays: quantity('days', units, { name: 'Days between', low: 1, high: 60, whole: true }),
  })

/** How much closer a crop is planted for each week it is late, and the least share of its distance. */
export const closerForm = (units: Units) => {
  const { closerPerWeek, least } = rules.shape.closerWhenLate.valueType.shape
  return z.object({
    closerPerWeek: quantity('share', units, { name: 'Closer a week', of: closerPerWeek }),
    least: quantity('share', units, { name: 'The least distance', of: least }),
  })
}

/** A feed that was spread. */
export const spreadForm = (today: number, units: Units) =>
  z.object({
    day: day((spread) => (spread > today ? 'Choose today or the earlier day on which it was spread.' : null)),
    kg: quantityOrNone('weight', units, { name: 'The weight', of: spread.shape.kg }),
  })

/** What a crop came to. */
export const outcomeForm = (units: Units) =>
  z.object({
    yieldKg: quantityOrNone('weight', units, {
      name: 'The yield',
      of: stand.shape.outcome.unwrap().shape.yieldKg,
    }),
    verdict: z.enum(['', 'better', 'as usual', 'worse']),
    note: note(),
  })
