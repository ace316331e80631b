import { z } from 'zod'
import { fixtureKind, type Fixture } from '../../core/garden/bed'
import { rectangleM2 } from '../../core/garden/ground'
import { livestockKind } from '../../core/garden/rules'
import { groundSheetKind, sheetAim, stand, type Bed } from '../../core/garden/schema'
import { chosen, day, name, quantity, quantityOrNone } from '../../parts/form/codecs'
import {
  groundProblem,
  groundShape,
  isUndrawn,
  rectangleForm,
  rectangleFrom,
} from '../../parts/ground/groundForm'
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
        from > today + LONGEST_STAY_DAYS ? 'That is too far ahead. Choose an earlier day.' : null,
      ),
      until: day(),
    })
    .superRefine(({ kind: animals, from, until }, context) => {
      const wrong = (path: 'kind' | 'until', message: string) =>
        context.addIssue({ code: 'custom', path: [path], message })
      if (until < from) wrong('until', 'They leave before they arrive. Swap the two dates.')
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
export const sheetForm = (bed: Bed, today: number, units: Units) =>
  z
    .object({
      sheet: groundSheetKind,
      aim: sheetAim,
      ...groundShape(units),
      from: day((from) =>
        Math.abs(from - today) > LONGEST_SHEET_DAYS
          ? 'That is more than a year away. Choose an earlier day.'
          : null,
      ),
      until: day((until) => (until < today ? 'This day is past. Choose the day it is to come off.' : null)),
    })
    .superRefine(({ from, until, ...ground }, context) => {
      const message = groundProblem(ground, bed)
      if (message !== null) context.addIssue({ code: 'custom', path: ['ground'], message })
      const wrong = (message: string) => context.addIssue({ code: 'custom', path: ['until'], message })
      if (until <= from) wrong('It comes off before it is laid. Choose a later day.')
      else if (until - from > LONGEST_SHEET_DAYS) wrong('That is more than a year. Choose an earlier day.')
    })
export type LayingForm = z.output<ReturnType<typeof sheetForm>>

/**
 * Something that stays in a bed: what, where, and how much of that ground it takes; all of it where that is left empty. Where
 * it is may be left out, then how much it takes is asked.
 */
export const fixtureForm = (bed: Bed, units: Units) =>
  rectangleForm(units)
    .extend({
      kind: fixtureKind,
      label: name('Name', 60),
      areaM2: quantityOrNone('area', units, { name: 'The ground it takes', above: 0, high: 500 }),
    })
    .superRefine(({ areaM2, ...edges }, context) => {
      const place = rectangleFrom(edges, bed)
      if (isUndrawn(edges)) {
        if (areaM2 === null)
          context.addIssue({
            code: 'custom',
            path: ['areaM2'],
            message: 'Draw where it is, or say how much ground it takes.',
          })
      } else if (!place)
        context.addIssue({
          code: 'custom',
          path: ['toM'],
          message: 'It must lie on the bed and end after it starts.',
        })
      else if (areaM2 !== null && areaM2 > rectangleM2(place) + ROUNDING_M2)
        context.addIssue({
          code: 'custom',
          path: ['areaM2'],
          message: 'That is more than the place drawn for it. Draw it larger, or leave this empty.',
        })
    })
/** Areas typed in square feet are not held against lengths more closely, m². */
const ROUNDING_M2 = 0.05

export function fixtureValue(
  { kind, label, areaM2, ...edges }: z.output<ReturnType<typeof fixtureForm>>,
  bed: Bed,
): Omit<Fixture, 'id'> {
  const place = isUndrawn(edges) ? null : rectangleFrom(edges, bed)
  const most = place ? rectangleM2(place) : Infinity
  return { kind, label, place, areaM2: Math.min(areaM2 ?? most, most) }
}

/** A disease, pest or worst weed of a bed. */
export const troubleForm = (today: number) =>
  z.object({
    day: day((seen) => (seen > today ? 'Choose today or an earlier day.' : null)),
    family: chosen('Plant family: choose the one that suffered.'),
    what: z
      .string()
      .trim()
      .min(1, 'Trouble: say what it was, such as clubroot.')
      .max(80, 'Trouble: use 80 characters or fewer.'),
  })
