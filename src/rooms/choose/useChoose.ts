import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { partAreaM2 } from '../../core/garden/area'
import type { Bed, PurposeId, Stand } from '../../core/garden/schema'
import { bareWindows, windowAt, type BedWindow } from '../../core/garden/windows'
import { findSpecies } from '../../core/plants/catalogue'
import { findCrop } from '../../core/plants/crops'
import type { Candidate, WinterWish } from '../../core/choosing/types'
import { newId } from '../../state/ids'
import { useCommit, useGarden } from '../../state/garden'
import { useEngine } from '../../state/useEngine'
import { draftDropped, draftKept } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'

/** How far back a bare window is followed to its start. */
const LOOK_BACK_DAYS = 400

/** The question as the grower fills it in; dates are ISO text and may be unfinished. */
export type ChooseForm = {
  freeFrom: string
  neededBy: string
  cropId: string
  establishment: 'transplant' | 'seed'
  purposes: PurposeId[]
  winter: WinterWish
}

/** Days ahead a gap without an end is looked at. */
const OPEN_END_DAYS = 120

function startingForm(window: BedWindow | null, next: Stand | undefined, today: number): ChooseForm {
  const free = Math.max(window?.freeFromDay ?? today, today)
  const needed = window?.nextStandId
    ? window.neededByDay
    : Math.min(window?.neededByDay ?? Infinity, free + OPEN_END_DAYS)
  const crop = next?.content.kind === 'crop' ? next.content : null
  return {
    freeFrom: isoDate(free),
    neededBy: isoDate(needed),
    cropId: crop?.cropId ?? '',
    establishment: crop?.establishment ?? 'transplant',
    purposes: ['mass'],
    winter: 'either',
  }
}

/** What is wrong with the window as filled in, by field. */
export function formProblems(
  form: ChooseForm,
  today: number,
  horizon: number,
): Partial<Record<'freeFrom' | 'neededBy' | 'purposes', string>> {
  const free = parseDay(form.freeFrom)
  const needed = parseDay(form.neededBy)
  const problems: ReturnType<typeof formProblems> = {}
  if (free === null) problems.freeFrom = 'Enter a date that exists, such as 2026-04-18.'
  else if (free < today - 30) problems.freeFrom = 'This is long past. Choose today or a later date.'
  if (needed === null) problems.neededBy = 'Enter a date that exists, such as 2026-06-18.'
  else if (free !== null && needed <= Math.max(free, today))
    problems.neededBy = 'The bed must be needed after it becomes free. Choose a later date.'
  else if (needed > horizon - 7)
    problems.neededBy = `Forecasts reach to ${isoDate(horizon - 7)}. Choose an earlier date.`
  if (form.purposes.length === 0) problems.purposes = 'Choose at least one purpose.'
  return problems
}

/** Data and actions of the Choose room for one bed. */
export function useChoose(bed: Bed, day: number) {
  const { data, expected, today, spec } = useGarden()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const commit = useCommit()
  const horizon = spec.startDay + spec.days
  const window = useMemo(
    () => windowAt(bareWindows(bed, expected.stands, today - LOOK_BACK_DAYS, horizon), day),
    [bed, expected.stands, today, horizon, day],
  )
  const next = data.stands.find((stand) => stand.id === window?.nextStandId)
  const draftName = `choose ${bed.id} ${window?.freeFromDay ?? day}`
  const draft = useAppSelector((state) => state.session.drafts[draftName]) as ChooseForm | undefined
  const form = draft ?? startingForm(window, next, today)
  const change = (part: Partial<ChooseForm>) =>
    dispatch(draftKept({ name: draftName, value: { ...form, ...part } }))
  const problems = formProblems(form, today, horizon)

  const args = useMemo((): Parameters<typeof useEngine<'choose'>>[1] => {
    if (Object.keys(formProblems(form, today, horizon)).length > 0) return null
    return [
      spec,
      {
        bed,
        areaM2: partAreaM2(bed, { kind: 'whole' }),
        freeFromDay: dayNumber(form.freeFrom),
        target: {
          plantingDay: dayNumber(form.neededBy),
          establishment: form.establishment,
          waitDays: data.garden.waitDays[form.establishment],
        },
        nextFamily: findCrop(form.cropId)?.family ?? null,
        purposes: form.purposes,
        winter: form.winter,
        tools: data.garden.tools,
        today,
      },
    ]
  }, [form, today, horizon, spec, bed, data.garden])
  const answer = useEngine('choose', args)

  async function choose(candidate: Candidate) {
    const plant = findSpecies(candidate.speciesId)!
    const component = { speciesId: plant.id, share: 1, germination: 0.85, grams: null }
    const stand: Stand = {
      id: newId('stand'),
      gardenId: data.garden.id,
      bedId: bed.id,
      part: { kind: 'whole' },
      underStandId: null,
      cuts: [],
      note: '',
      content: { kind: 'cover', components: [component], purposes: form.purposes },
      start: {
        plan: { date: isoDate(candidate.sowDay), covering: 'raked', passes: 2, components: [], note: '' },
        fact: null,
      },
      end: {
        plan: {
          date: isoDate(
            Math.max(candidate.ending.latestSafeDay ?? candidate.ending.startDay, candidate.sowDay + 1),
          ),
          method: candidate.ending.method,
          passes: candidate.ending.passes,
          note: '',
        },
        fact: null,
      },
    }
    const stored = await commit(`Planned ${plant.name.toLowerCase()} in ${bed.label}`, [
      { table: 'stands', put: stand },
    ])
    if (!stored.ok) return
    dispatch(draftDropped(draftName))
    void navigate(`/sow/${stand.id}`)
  }

  return { window, next, form, change, problems, answer, choose, asked: args !== null }
}
