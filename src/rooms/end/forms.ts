import { z } from 'zod'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { ending, endMethodId, finishing, followUp } from '../../core/garden/ending'
import { findMethod, type MethodId } from '../../core/termination/methods'
import { day, dayOrNone, notAhead, note, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

const minutes = (units: Units) =>
  quantityOrNone('minutes', units, { name: 'Minutes', of: ending.shape.minutes })

/** A start asked of every way; empty: each at its own best. */
export const startForm = (sownDay: number, planting: number | null) =>
  z.object({
    startDate: dayOrNone((start) => {
      if (start <= sownDay) return `It was sown on ${isoDate(sownDay)}. The end must come after.`
      return planting !== null && start >= planting
        ? 'The work must begin before the planting date. Choose an earlier day.'
        : null
    }),
  })

/** An ending that was done. */
export const endForm = (sownDay: number, today: number, units: Units) =>
  z.object({
    method: endMethodId.exclude(['harvest']),
    passes: z.enum(['1', '2']),
    doneOn: day((done) =>
      done <= sownDay
        ? `It was sown on ${isoDate(sownDay)}. The end must come after.`
        : notAhead(today, 'An ending')(done),
    ),
    by: z.string().max(80, 'By: use 80 characters or fewer.'),
    minutes: minutes(units),
    materials: z.string().max(400, 'Materials: use 400 characters or fewer.'),
    hurt: quantityOrNone('count', units, {
      name: 'How many were hurt or lost',
      of: ending.shape.hurt,
      whole: true,
    }),
    note: note(),
  })

/** Whether a way can be done more than once. */
export const canRepeat = (method: MethodId) => findMethod(method)?.twice !== null

/** A count of what stands again. */
export const countForm = (endedDay: number, today: number, units: Units) =>
  z
    .object({
      day: day((counted) =>
        counted < endedDay
          ? 'It was ended after that. Choose a later date.'
          : notAhead(today, 'A count')(counted),
      ),
      standing: quantity('count', units, {
        name: 'Plants standing again',
        of: followUp.shape.standing,
        whole: true,
      }),
      groundM2: quantity('area', units, { name: 'Ground counted', of: followUp.shape.groundM2 }),
      before: quantity('number', units, {
        name: 'Plants that stood there before',
        of: followUp.shape.before,
      }),
      speciesId: z.string(),
      note: note(),
    })
    .refine(({ standing, before }) => standing <= before, {
      path: ['before'],
      error: 'More stand again than stood before. Count plants, not stems, or correct this number.',
    })

/** What was done about what stood again. */
export const finishingForm = (countedOn: string, today: number, units: Units) =>
  z.object({
    act: finishing.shape.act,
    day: day((done) =>
      done < dayNumber(countedOn)
        ? `They were counted on ${countedOn}, after that. Choose a later date.`
        : notAhead(today, 'It')(done),
    ),
    minutes: minutes(units),
  })

/** The day a sheet came off. */
export const liftForm = (laidOn: string, today: number) =>
  z.object({
    day: day((lifted) =>
      lifted <= dayNumber(laidOn)
        ? `The sheet was laid on ${laidOn}. Choose a later date.`
        : notAhead(today, 'It')(lifted),
    ),
  })
