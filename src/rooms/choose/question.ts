import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { Bed, Segment, GardenData, PurposeId, Stand } from '../../core/garden/schema'
import { cropFollows, groundOf, meansOf } from '../../core/scenario/fromGarden'
import { lastTargetDay } from '../../core/scenario/plan'
import type { Follows } from '../../core/scenario/types'
import type { CropPlan } from '../../actions/planStretch'
import type { BedWindow } from '../../core/garden/windows'
import { findCrop } from '../../core/plants/crops'
import type { LightWindow } from '../../core/choosing/lightWindows'
import { untilDay, type ChooseQuestion, type WeedKind, type WinterWish } from '../../core/choosing/types'
import { beforeOn } from '../../core/season/standCase'
import { typedOrNull } from '../../parts/typed'
import { CREATURE_OF } from '../../core/garden/usualRules'

/** Which ground is asked about. */
export type Ground = 'whole' | 'first half' | 'second half' | 'path' | 'strip'

/** The question as the grower fills it in; dates and numbers are text and may be unfinished. */
export type ChooseForm = {
  ground: Ground
  stripFrom: string
  stripTo: string
  freeFrom: string
  neededBy: string
  /** A sowing day to try; empty for the best one. */
  sowOn: string
  cropId: string
  establishment: 'transplant' | 'seed'
  purposes: PurposeId[]
  weeds: WeedKind
  winter: WinterWish
  deadBy: string
  noGrasses: boolean
  maxHeight: string
  notRootKnotHost: boolean
  noGreenBridge: boolean
  seedAtHandOnly: boolean
  budget: string
  neverReseeds: boolean
  organicSeed: boolean
  /** Tools left out of the reckoning, to see what would follow. */
  withoutTools: string[]
}

export const MOST_PURPOSES = 3
/** Days ahead a gap without an end is looked at. */
const OPEN_END_DAYS = 230

export function startingForm(
  window: BedWindow | null,
  light: LightWindow | null,
  next: Stand | undefined,
  today: number,
): ChooseForm {
  const free = light ? light.sowFromDay : Math.max(window?.freeFromDay ?? today, today)
  // Where nothing is planned no day is invented.
  const needed = light && next ? light.neededByDay : window?.nextStandId ? window.neededByDay : null
  const crop = next?.content.kind === 'crop' ? next.content : null
  return {
    ground: 'whole',
    stripFrom: '0',
    stripTo: '',
    freeFrom: isoDate(free),
    neededBy: needed === null ? '' : isoDate(needed),
    sowOn: '',
    cropId: crop?.cropId ?? '',
    establishment: crop?.establishment ?? 'transplant',
    purposes: ['mass'],
    weeds: 'any',
    winter: 'either',
    deadBy: '',
    noGrasses: false,
    maxHeight: '',
    notRootKnotHost: false,
    noGreenBridge: false,
    seedAtHandOnly: false,
    budget: '',
    neverReseeds: false,
    organicSeed: false,
    withoutTools: [],
  }
}

/** The part of the bed that is meant; null when a strip is not filled in rightly. */
export function segmentOf(
  form: Pick<ChooseForm, 'ground' | 'stripFrom' | 'stripTo'>,
  bed: Bed,
): Segment | null {
  if (form.ground === 'whole' || form.ground === 'path') return { kind: form.ground }
  if (form.ground !== 'strip')
    return { kind: 'half', which: form.ground === 'first half' ? 'first' : 'second' }
  const fromM = typedOrNull(form.stripFrom) ?? 0
  const toM = typedOrNull(form.stripTo) ?? bed.lengthM
  return fromM >= 0 && toM > fromM && toM <= bed.lengthM + 1e-9 ? { kind: 'strip', fromM, toM } : null
}

export type ProblemField =
  'freeFrom' | 'neededBy' | 'sowOn' | 'purposes' | 'deadBy' | 'maxHeight' | 'budget' | 'strip'

/** What is wrong with the question as filled in, by field. */
export function formProblems(
  form: ChooseForm,
  bed: Bed,
  today: number,
  horizon: number,
): Partial<Record<ProblemField, string>> {
  const free = parseDay(form.freeFrom)
  const needed = parseDay(form.neededBy)
  const problems: ReturnType<typeof formProblems> = {}
  if (free === null) problems.freeFrom = 'Enter a date that exists, such as 2026-04-18.'
  else if (free < today - 30) problems.freeFrom = 'This is long past. Choose today or a later date.'
  if (needed === null) {
    if (form.neededBy !== '') problems.neededBy = 'Enter a date that exists, such as 2026-06-18, or empty it.'
    else if (form.cropId !== '') problems.neededBy = 'Say when the crop is to be planted.'
  } else if (free !== null && needed <= Math.max(free, today))
    problems.neededBy = 'The bed must be needed after it becomes free. Choose a later date.'
  else if (needed > lastTargetDay(horizon))
    problems.neededBy = `Forecasts reach to ${isoDate(lastTargetDay(horizon))}. Choose an earlier date.`
  const sow = form.sowOn === '' ? null : parseDay(form.sowOn)
  if (
    form.sowOn !== '' &&
    (sow === null || sow < Math.max(free ?? today, today) || sow >= (needed ?? sow + 1))
  )
    problems.sowOn = 'Choose a day inside the window, or leave it empty.'
  const dead = form.deadBy === '' ? null : parseDay(form.deadBy)
  if (form.deadBy !== '' && (dead === null || dead <= today || dead > (needed ?? dead)))
    problems.deadBy = 'Choose a day before the bed is needed, or leave it empty.'
  if (form.purposes.length === 0) problems.purposes = 'Choose at least one purpose.'
  const height = typedOrNull(form.maxHeight)
  if (height !== null && !(height >= 0.1 && height <= 5))
    problems.maxHeight = 'The height must be between 0.1 and 5 m.'
  const budget = typedOrNull(form.budget)
  if (budget !== null && !(budget > 0 && budget <= 100_000))
    problems.budget = 'The budget must be a number above 0.'
  if (segmentOf(form, bed) === null)
    problems.strip = `The strip must lie between 0 and ${bed.lengthM} m and end after it starts.`
  return problems
}

/** The crop that was named in the form, with the day it is to be planted; null where none is. */
function namedCrop(form: Pick<ChooseForm, 'cropId' | 'establishment' | 'neededBy'>): CropPlan | null {
  const crop = findCrop(form.cropId)
  return crop && parseDay(form.neededBy) !== null
    ? {
        cropId: crop.id,
        establishment: form.establishment,
        plantingMethod: null,
        feed: null,
        date: form.neededBy,
      }
    : null
}

/** The crop that is planned with the cover: a named one, where it takes the whole bed. */
export const plannedCrop = (form: Parameters<typeof namedCrop>[0] & Pick<ChooseForm, 'ground'>) =>
  form.ground === 'whole' ? namedCrop(form) : null

/** What follows by the form: the crop planned or named, a day by which the ground is wanted, or nothing. */
function followsIn(form: ChooseForm, { bed, data, next }: Asked): Follows {
  const day = parseDay(form.neededBy)
  if (form.ground === 'path' || day === null) return { kind: 'nothing' }
  const named = plannedCrop(form)
  const planned = next && cropFollows(next, bed, data.garden)
  if (planned?.kind === 'crop' && named?.cropId === planned.crop.id)
    return { ...planned, day, establishment: form.establishment }
  const crop = named && findCrop(named.cropId)
  return crop
    ? {
        kind: 'crop',
        crop,
        establishment: form.establishment,
        plantingMethod: null,
        feedG: 0,
        day,
        done: false,
      }
    : { kind: 'deadline', day, establishment: 'transplant' }
}

/** What the question is asked of: the bed in its garden, what stands above and what is planned after. */
export type Asked = {
  bed: Bed
  data: GardenData
  upper: Stand | null
  next: Stand | undefined
  sowUntilDay: number | null
  seedAtHand: string[]
  today: number
}

/** The question for the core, from a form without problems. */
export function questionOf(form: ChooseForm, asked: Asked): ChooseQuestion {
  const { bed, data, upper, sowUntilDay, seedAtHand, today } = asked
  const { garden } = data
  const means = meansOf(data)
  const freeFromDay = dayNumber(form.freeFrom)
  const segment = segmentOf(form, bed) ?? { kind: 'whole' }
  const follows = followsIn(form, asked)
  const openUntilDay = Math.max(freeFromDay, today) + OPEN_END_DAYS
  return {
    bed,
    segment,
    upper,
    follows,
    means: { ...means, tools: means.tools.filter((tool) => !form.withoutTools.includes(tool.id)) },
    ground: groundOf(data, bed, null),
    before: beforeOn(
      data,
      bed,
      segment,
      untilDay({ follows, openUntilDay }),
      null,
      Math.max(freeFromDay, today),
    ),
    freeFromDay,
    sowDay: form.sowOn === '' ? null : dayNumber(form.sowOn),
    sowUntilDay,
    openUntilDay,
    purposes: form.purposes,
    weeds: form.weeds,
    limits: {
      winter: form.winter,
      deadByDay: form.deadBy === '' ? null : dayNumber(form.deadBy),
      noGrasses: form.noGrasses,
      maxHeightM: typedOrNull(form.maxHeight),
      notRootKnotHost: form.notRootKnotHost,
      noGreenBridge: form.noGreenBridge,
      seedAtHandOnly: form.seedAtHandOnly,
      budget: typedOrNull(form.budget),
      neverReseeds: form.neverReseeds,
    },
    animals: [
      ...new Set([
        ...(garden.animals ?? []),
        ...(garden.livestock ?? []).map(({ kind }) => CREATURE_OF[kind]),
      ]),
    ],
    seedAtHand,
    organicSeed: form.organicSeed,
    today,
  }
}
