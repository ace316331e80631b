import { z } from 'zod'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { CutDetails, Stand } from '../../core/garden/schema'
import { lastTargetDay } from '../../core/scenario/plan'
import { partlyFood } from '../../core/plants/food'
import { day, note, quantity } from '../../parts/form/codecs'
import { partlyFoodText } from '../../text/cautions'
import type { Units } from '../../text/format'
import { plantsOf } from '../../text/names'

/** Cuts that are made to let the stand live, with what is usual for each. Heights in cm; judgement. */
export const CUT_KINDS = [
  {
    id: 'mow',
    name: 'Mow it, let it grow on',
    heightCm: 10,
    sharePct: 100,
    fate: 'dropped',
    hint: 'Leaves enough leaf to start again and sets flowering back.',
  },
  {
    id: 'trim',
    name: 'Trim a living mulch',
    heightCm: 7,
    sharePct: 70,
    fate: 'dropped',
    hint: 'Below a third of the crop’s height, with 15–25 cm clear around the stems.',
  },
  {
    id: 'shoots',
    name: 'Take shoots to eat or feed',
    heightCm: 20,
    sharePct: 30,
    fate: 'eaten',
    hint: 'Tips only: the stand hardly notices.',
  },
  {
    id: 'mulch',
    name: 'Harvest mulch to dry',
    heightCm: 6,
    sharePct: 100,
    fate: 'carried off',
    hint: 'At pollen, before seed; it wants dry days in a row.',
  },
  {
    id: 'partner',
    name: 'End one partner of the mix first',
    heightCm: 3,
    sharePct: 100,
    fate: 'dropped',
    hint: 'Cut the one, the other takes its light.',
  },
] as const satisfies readonly {
  id: string
  name: string
  heightCm: number
  sharePct: number
  fate: CutDetails['fate']
  hint: string
}[]
export type CutKindId = (typeof CUT_KINDS)[number]['id']

/** What becomes of the cuttings. */
export const FATES = [
  ['dropped', 'dropped where it stood'],
  ['carried off', 'carried off'],
  ['eaten', 'eaten'],
  ['grazed', 'grazed'],
] as const

/** Why what is cut may not be eaten by people; null where it may. */
function notEaten(stand: Stand, speciesId: string): string | null {
  const eaten = plantsOf(stand).filter(({ id }) => speciesId === '' || id === speciesId)
  const partly = partlyFood(eaten)
  if (partly) return partlyFoodText(partly)
  return eaten.some(({ edible }) => edible) ? null : 'People do not eat it. Choose what becomes of it.'
}

/** A cut that lets a stand live; days from its sowing to where forecasts end, heights in cm. */
export function cutForm(stand: Stand, horizon: number, units: Units) {
  const sown = stand.start.actual ?? stand.start.plan
  const ended = stand.end.actual
  return z
    .object({
      kind: z.enum(CUT_KINDS.map(({ id }) => id)),
      day: day((cut) => {
        if (sown && cut <= dayNumber(sown.date)) return `It was sown on ${sown.date}. A cut comes after.`
        if (ended && cut >= dayNumber(ended.date)) return `It was ended on ${ended.date}. A cut comes before.`
        return cut > lastTargetDay(horizon)
          ? `Forecasts reach to ${isoDate(lastTargetDay(horizon))}. Choose an earlier date.`
          : null
      }),
      heightCm: quantity('height', units, { name: 'The height left', low: 0, high: 200 }),
      groundShare: quantity('share', units, { name: 'The share of the ground', above: 0, high: 1 }),
      fate: z.enum(['dropped', 'carried off', 'eaten', 'grazed']),
      speciesId: z.string(),
      toBedId: z.string(),
      note: note(),
    })
    .superRefine(({ fate, speciesId }, context) => {
      const message = fate === 'eaten' ? notEaten(stand, speciesId) : null
      if (message) context.addIssue({ code: 'custom', path: ['speciesId'], message })
    })
}
type CutValue = z.output<ReturnType<typeof cutForm>>

/** The cut as it is stored, without what it was reckoned to take. */
export const cutOf = ({
  day,
  heightCm,
  groundShare,
  fate,
  note,
  speciesId,
  toBedId,
}: CutValue): CutDetails => ({
  date: isoDate(day),
  heightCm,
  groundShare,
  fate,
  note,
  speciesId: speciesId || undefined,
  toBedId: fate === 'carried off' && toBedId ? toBedId : undefined,
})
