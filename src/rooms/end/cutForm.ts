import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { CutDetails, Stand } from '../../core/garden/schema'
import { typedNumber } from '../../parts/typed'
import { partlyFood } from '../../core/plants/food'
import { partlyFoodText } from '../../text/cautions'
import { plantsOf } from '../../parts/names'

export type CutForm = {
  date: string
  heightCm: string
  sharePct: string
  fate: CutDetails['fate']
  speciesId: string
  toBedId: string
  note: string
}

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
    hint: 'Below a third of the crop’s height, with 15 to 25 cm clear around the stems.',
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

/** What is wrong with a cut as filled in, with the fix. */
export function cutProblems(
  form: CutForm,
  stand: Stand,
  horizon: number,
): Partial<Record<'date' | 'heightCm' | 'sharePct' | 'speciesId', string>> {
  const problems: ReturnType<typeof cutProblems> = {}
  const day = parseDay(form.date)
  const sown = stand.start.actual ?? stand.start.plan
  const height = typedNumber(form.heightCm)
  const share = typedNumber(form.sharePct)
  if (day === null) problems.date = 'Enter a date that exists, such as 2026-05-18.'
  else if (sown && day <= dayNumber(sown.date))
    problems.date = `It was sown on ${sown.date}. A cut comes after.`
  else if (stand.end.actual && day >= dayNumber(stand.end.actual.date))
    problems.date = `It was ended on ${stand.end.actual.date}. A cut comes before.`
  else if (day > horizon - 45)
    problems.date = `Forecasts reach to ${isoDate(horizon - 45)}. Choose an earlier date.`
  if (form.heightCm.trim() === '' || !(height >= 0 && height <= 200))
    problems.heightCm = 'The height left is a number from 0 to 200 cm.'
  const eaten = plantsOf(stand).filter(({ id }) => form.speciesId === '' || id === form.speciesId)
  const partly = partlyFood(eaten)
  if (form.fate === 'eaten')
    problems.speciesId = partly
      ? partlyFoodText(partly)
      : eaten.some(({ edible }) => edible)
        ? undefined
        : 'People do not eat it. Choose what becomes of it.'
  if (problems.speciesId === undefined) delete problems.speciesId
  if (!(share > 0 && share <= 100)) problems.sharePct = 'The share of the ground is a number from 1 to 100 %.'
  return problems
}

/** The cut as it is stored, without what it was reckoned to take. */
export const cutOf = (form: CutForm): CutDetails => ({
  date: form.date,
  heightCm: typedNumber(form.heightCm),
  groundShare: typedNumber(form.sharePct) / 100,
  fate: form.fate,
  note: form.note,
  speciesId: form.speciesId || undefined,
  toBedId: form.fate === 'carried off' && form.toBedId ? form.toBedId : undefined,
})
