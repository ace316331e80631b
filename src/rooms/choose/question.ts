import { z } from 'zod'
import { isoDate } from '../../core/foundations/day'
import { purposeId, type Bed, type GardenData, type Stand } from '../../core/garden/schema'
import { cropFollows, groundOf, meansOf } from '../../core/scenario/fromGarden'
import { lastTargetDay } from '../../core/scenario/plan'
import type { Follows } from '../../core/scenario/types'
import type { CropPlan } from '../../actions/planStretch'
import type { BedWindow } from '../../core/garden/windows'
import { findCrop } from '../../core/plants/crops'
import type { LightWindow } from '../../core/choosing/lightWindows'
import { untilDay, type ChooseQuestion } from '../../core/choosing/types'
import { beforeOn, earlierUse } from '../../core/season/standCase'
import { day, dayOrNone, quantityOrNone } from '../../parts/form/codecs'
import {
  groundProblem,
  groundShape,
  segmentFrom,
  WHOLE_GROUND,
  type GroundText,
} from '../../parts/ground/groundForm'
import type { Units } from '../../text/format'
import { CREATURE_OF } from '../../core/garden/usualRules'

export const MOST_PURPOSES = 3
/** Days ago that a window may have begun. */
const LONG_PAST_DAYS = 30
/** Days ahead a gap without an end is looked at. */
const OPEN_END_DAYS = 230

/** The question as the grower fills it in, asked today of a bed; forecasts reach to `horizon`. */
export function chooseForm(bed: Bed, today: number, horizon: number, units: Units) {
  return z
    .object({
      ...groundShape(units),
      freeFrom: day((free) =>
        free < today - LONG_PAST_DAYS ? 'This is long past. Choose today or a later date.' : null,
      ),
      neededBy: dayOrNone((needed) =>
        needed > lastTargetDay(horizon)
          ? `Forecasts reach to ${isoDate(lastTargetDay(horizon))}. Choose an earlier date.`
          : null,
      ),
      /** A sowing day to try; none for the best one. */
      sowOn: dayOrNone(),
      cropId: z.string(),
      establishment: z.enum(['transplant', 'seed']),
      purposes: z.array(purposeId).min(1, 'Choose at least one purpose.'),
      weeds: z.enum(['any', 'cool season', 'warm season', 'creeping']),
      winter: z.enum(['either', 'must live', 'must die']),
      deadBy: dayOrNone(),
      noGrasses: z.boolean(),
      maxHeightM: quantityOrNone('length', units, { name: 'The height', low: 0.1, high: 5 }),
      notRootKnotHost: z.boolean(),
      noGreenBridge: z.boolean(),
      seedAtHandOnly: z.boolean(),
      budget: quantityOrNone('money', units, { name: 'The budget', above: 0, high: 100_000 }),
      neverReseeds: z.boolean(),
      organicSeed: z.boolean(),
      /** Tools left out of the reckoning, to see what would follow. */
      withoutTools: z.array(z.string()),
    })
    .superRefine((form, context) => {
      for (const [path, message] of Object.entries(inWindow(form, bed, today)))
        context.addIssue({ code: 'custom', path: [path], message })
    })
}
type ChooseSchema = ReturnType<typeof chooseForm>
/** The question as typed, and as understood. */
export type ChooseText = z.input<ChooseSchema>
export type ChooseValue = z.output<ChooseSchema>

/** What does not lie where it should among the days of the window, and along the bed. */
function inWindow(
  { freeFrom, neededBy, sowOn, deadBy, cropId, ...ground }: ChooseValue,
  bed: Bed,
  today: number,
): Partial<Record<keyof ChooseValue, string>> {
  const from = Math.max(freeFrom, today)
  return {
    ...(neededBy === null && cropId !== '' && { neededBy: 'Say when the crop is to be planted.' }),
    ...(neededBy !== null &&
      neededBy <= from && {
        neededBy: 'The bed must be needed after it becomes free. Choose a later date.',
      }),
    ...(sowOn !== null &&
      (sowOn < from || sowOn >= (neededBy ?? sowOn + 1)) && {
        sowOn: 'Choose a day inside the window, or leave it empty.',
      }),
    ...(deadBy !== null &&
      (deadBy <= today || deadBy > (neededBy ?? deadBy)) && {
        deadBy: 'Choose a day before the bed is needed, or leave it empty.',
      }),
    ...(groundProblem(ground, bed) !== null && { ground: groundProblem(ground, bed)! }),
  }
}

export function startingForm(
  window: BedWindow | null,
  light: LightWindow | null,
  next: Stand | undefined,
  today: number,
  ground: GroundText = WHOLE_GROUND,
): ChooseText {
  const free = light ? light.sowFromDay : Math.max(window?.freeFromDay ?? today, today)
  // Where nothing is planned no day is invented.
  const needed = light && next ? light.neededByDay : window?.nextStandId ? window.neededByDay : null
  const crop = next?.content.kind === 'crop' ? next.content : null
  return {
    ...ground,
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
    maxHeightM: '',
    notRootKnotHost: false,
    noGreenBridge: false,
    seedAtHandOnly: false,
    budget: '',
    neverReseeds: false,
    organicSeed: false,
    withoutTools: [],
  }
}

/** The crop that was named in the form, with the day it is to be planted; null where none is. */
function namedCrop(form: Pick<ChooseValue, 'cropId' | 'establishment' | 'neededBy'>): CropPlan | null {
  const crop = findCrop(form.cropId)
  return crop && form.neededBy !== null
    ? {
        cropId: crop.id,
        establishment: form.establishment,
        plantingMethod: null,
        feed: null,
        date: isoDate(form.neededBy),
      }
    : null
}

/** The crop that is planned with the cover: a named one, where it takes the whole bed. */
export const plannedCrop = (form: Parameters<typeof namedCrop>[0] & Pick<ChooseValue, 'ground'>) =>
  form.ground === 'whole' ? namedCrop(form) : null

/** What follows by the form: the crop planned or named, a day by which the ground is wanted, or nothing. */
function followsIn(form: ChooseValue, { bed, data, next }: Asked): Follows {
  const day = form.neededBy
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

/** The question for the core. */
export function questionOf(form: ChooseValue, asked: Asked): ChooseQuestion {
  const { bed, data, upper, sowUntilDay, seedAtHand, today } = asked
  const { garden } = data
  const freeFromDay = form.freeFrom
  const segment = segmentFrom(form, bed) ?? { kind: 'whole' }
  const means = meansOf(data, bed, segment)
  const follows = followsIn(form, asked)
  const openUntilDay = Math.max(freeFromDay, today) + OPEN_END_DAYS
  return {
    bed,
    segment,
    upper: upper && earlierUse(data, { ...upper, underStandId: null }),
    underStandId: upper?.id ?? null,
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
    sowDay: form.sowOn,
    sowUntilDay,
    openUntilDay,
    purposes: form.purposes,
    weeds: form.weeds,
    limits: {
      winter: form.winter,
      deadByDay: form.deadBy,
      noGrasses: form.noGrasses,
      maxHeightM: form.maxHeightM,
      notRootKnotHost: form.notRootKnotHost,
      noGreenBridge: form.noGreenBridge,
      seedAtHandOnly: form.seedAtHandOnly,
      budget: form.budget,
      neverReseeds: form.neverReseeds,
    },
    animals: [...new Set([...garden.animals, ...garden.livestock.map(({ kind }) => CREATURE_OF[kind])])],
    seedAtHand,
    organicSeed: form.organicSeed,
    currency: garden.currency,
    today,
    climate: garden.site,
  }
}
