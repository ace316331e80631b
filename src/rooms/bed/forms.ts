import { z } from 'zod'
import { livestockKind } from '../../core/garden/rules'
import { groundSheetKind, sheetAim, stand, type Bed } from '../../core/garden/schema'
import { chosen, day, quantity } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

/** Water given by hand, between the sowing and today. */
export const waterForm = (sownDay: number, today: number, units: Units) =>
  z.object({
    day: day((given) =>
      given < sownDay || given > today ? 'Choose a day between the sowing and today.' : null,
    ),
    mm: quantity('rain', units, { name: 'Water given', of: stand.shape.waterings.element.shape.mm }),
  })

/** Longest that animals are written down for on one bed, days. */
const LONGEST_STAY_DAYS = 120

/** Animals on a bed: which, how many, between which days. */
export const staysForm = ({ kind, label }: Pick<Bed, 'kind' | 'label'>, today: number) =>
  z
    .object({
      kind: livestockKind,
      head: quantity('count', 'metric', { name: 'How many', low: 1, high: 2000, whole: true }),
      from: day((from) =>
        from > today + LONGEST_STAY_DAYS ? 'This lies far ahead. Choose a nearer day.' : null,
      ),
      until: day(),
    })
    .superRefine(({ kind: animals, from, until }, context) => {
      const wrong = (path: 'kind' | 'until', message: string) =>
        context.addIssue({ code: 'custom', path: [path], message })
      if (until < from) wrong('until', 'They leave before they come. Exchange the two days.')
      else if (until - from > LONGEST_STAY_DAYS)
        wrong('until', `That is more than ${LONGEST_STAY_DAYS} days. Write down the stays one by one.`)
      if (kind === 'planter')
        wrong(
          'kind',
          `${label} is a planter: animals fall from it, and predators reach them. Carry the growth to them.`,
        )
      else if (kind === 'framed' && animals === 'pigs')
        wrong('kind', `${label} has a frame, which pigs break. Take them to a bed in the ground.`)
    })

/** Longest that a sheet is planned to lie, days, and how far ahead or back it may be laid. */
const LONGEST_SHEET_DAYS = 400

/** A sheet on ground without a cover: which, on what, where, between which days. */
export const sheetForm = (today: number) =>
  z
    .object({
      sheet: groundSheetKind,
      aim: sheetAim,
      where: z.enum(['whole', 'first', 'second']),
      from: day((from) =>
        Math.abs(from - today) > LONGEST_SHEET_DAYS
          ? 'This lies more than a year away. Choose a nearer day.'
          : null,
      ),
      until: day((until) => (until < today ? 'This day is past. Choose the day it is to come off.' : null)),
    })
    .superRefine(({ from, until }, context) => {
      const wrong = (message: string) => context.addIssue({ code: 'custom', path: ['until'], message })
      if (until <= from) wrong('It comes off before it has lain. Choose a later day.')
      else if (until - from > LONGEST_SHEET_DAYS) wrong('That is more than a year. Choose an earlier day.')
    })
export type LayingForm = z.output<ReturnType<typeof sheetForm>>

/** A disease, pest or worst weed of a bed. */
export const troubleForm = (today: number) =>
  z.object({
    day: day((seen) => (seen > today ? 'Choose today or an earlier day.' : null)),
    family: chosen('Plant family: choose the one that suffered.'),
    what: z
      .string()
      .trim()
      .min(1, 'Trouble: say what it was, such as clubroot.')
      .max(80, 'Trouble: at most 80 signs.'),
  })
