import { z } from 'zod'
import { dayNumber, dayOfYear, isoDate } from '../../core/foundations/day'
import { FRESH_HOME } from '../../core/garden/fresh'
import { home, siteClimate, type Home, type SiteClimate } from '../../core/garden/site'
import { problemsOf, type KnownProblem } from '../../core/site/doubts'
import type { Point } from '../../core/site/neighbours'
import type { Corrections, Known } from '../../core/site/usualYear'
import { beside, dayOrNone, quantityOrNone } from '../form/codecs'
import type { Units } from '../../text/format'

const PROBLEM_TEXT: Record<KnownProblem, string> = {
  'frosts the wrong way round':
    'The last frost must come before summer and the first after it. Check the dates, and the sign of the latitude.',
  'high below low': 'The hottest month: the high must be above the low.',
  'night above summer low': 'The coldest night must be colder than the nights of the hottest month.',
  'frosts without a frosty night':
    'There are frosts, yet the coldest night is above freezing. Correct one of them.',
  'frosty night without frosts':
    'The coldest night freezes, so most years have frost: untick that they have none.',
}

/** A slider's place, kept as a number. */
const slider = z.codec(z.string(), z.number(), {
  decode: (text) => Number(text) || 0,
  encode: (value) => String(value),
})

/** The fields of where a garden lies and what its grower says of the usual year there. */
export const homeShape = (units: Units) => {
  const degrees = (name: string, of: z.ZodType) => quantityOrNone('temperature', units, { name, of })
  return {
    /** As it was picked: its name, its country, km to the sea; empty where the place was typed. */
    town: z.string(),
    country: z.string(),
    seaKm: z.string(),
    latitude: quantityOrNone('degrees', units, { name: 'Latitude', of: siteClimate.shape.latitude }),
    longitude: quantityOrNone('degrees', units, { name: 'Longitude', of: home.shape.longitude }),
    elevationM: quantityOrNone('length', units, {
      name: 'Height above the sea',
      of: siteClimate.shape.elevationM,
    }),
    winter: slider,
    summer: slider,
    /** Percent of the table's rain. */
    rain: slider,
    lastFrost: dayOrNone(),
    firstFrost: dayOrNone(),
    noFrost: z.boolean(),
    coldestC: degrees('The coldest night', home.shape.coldestC),
    hottestHighC: degrees('The high of the hottest month', home.shape.hottestHighC),
    hottestLowC: degrees('The low of the hottest month', home.shape.hottestLowC),
  }
}

export const blankHome = {
  town: '',
  country: '',
  seaKm: '',
  latitude: '',
  longitude: '',
  elevationM: '',
  winter: '0',
  summer: '0',
  rain: '100',
  lastFrost: '',
  firstFrost: '',
  noFrost: false,
  coldestC: '',
  hottestHighC: '',
  hottestLowC: '',
}
export type HomeText = typeof blankHome

export const homeForm = (units: Units) => withProblems(z.object(homeShape(units)))
type HomeValue = z.output<z.ZodObject<ReturnType<typeof homeShape>>>

/** What contradicts itself is said in `known`, and a place that is not told beside its latitude. */
export function withProblems<S extends z.ZodObject<ReturnType<typeof homeShape>>>(schema: S): S {
  return schema
    .refine(
      (typed) => isLater(typed) || (typed as HomeValue).latitude !== null,
      beside('latitude', 'Pick a town from the list, or type latitude and longitude.'),
    )
    .refine(
      (typed) =>
        isLater(typed) || (typed as HomeValue).latitude === null || (typed as HomeValue).longitude !== null,
      beside('longitude', 'Type the longitude too: west is negative.'),
    )
    .superRefine((typed, context) => {
      const value = typed as HomeValue
      for (const problem of problemsOf(knownOf(value), value.latitude ?? 45))
        context.addIssue({ code: 'custom', path: ['known'], message: PROBLEM_TEXT[problem] })
    }) as S
}
const isLater = (typed: object) => 'place' in typed && typed.place === 'later'

const ofYear = (day: number) => Math.min(365, dayOfYear(day))
const monthDay = (day: number) => isoDate(day).slice(5).replace('02-29', '02-28')
const ANY_YEAR = 2023

/** What of a usual year is known. */
function knownOf({ noFrost, lastFrost, firstFrost, coldestC, hottestHighC, hottestLowC }: HomeValue): Known {
  return {
    ...(noFrost && { lastFrost: null, firstFrost: null }),
    ...(!noFrost && lastFrost !== null && { lastFrost: ofYear(lastFrost) }),
    ...(!noFrost && firstFrost !== null && { firstFrost: ofYear(firstFrost) }),
    ...(coldestC !== null && { coldestC }),
    ...(hottestHighC !== null && { hottestHighC }),
    ...(hottestLowC !== null && { hottestLowC }),
  }
}

/** What the usual year is asked with; null while it is not told where. */
export function askedOf(value: HomeValue): { point: Point; corrections: Corrections } | null {
  const { latitude, longitude, elevationM, seaKm, winter, summer, rain } = value
  if (latitude === null || longitude === null) return null
  return {
    point: { latitude, longitude, elevationM, seaKm: seaKm === '' ? null : Number(seaKm) },
    corrections: { winterC: winter, summerC: summer, rain: rain / 100, known: knownOf(value) },
  }
}

/** The fields as a garden keeps them. */
export function homeOf(value: HomeValue): Home {
  const { town, country, longitude, seaKm, winter, summer, rain, noFrost, lastFrost, firstFrost } = value
  const kept = (day: number | null) => (noFrost ? 'none' : day === null ? null : monthDay(day))
  return {
    town: town.slice(0, 160),
    country,
    longitude,
    seaKm: seaKm === '' ? null : Number(seaKm),
    winterC: winter,
    summerC: summer,
    rain: rain / 100,
    lastFrost: kept(lastFrost),
    firstFrost: kept(firstFrost),
    coldestC: value.coldestC,
    hottestHighC: value.hottestHighC,
    hottestLowC: value.hottestLowC,
  }
}

/** What a garden keeps as the fields show it. */
export function homeValue(kept: Home | null, site: SiteClimate): HomeValue {
  const { winterC, summerC, rain, lastFrost, firstFrost, seaKm, ...own } = kept ?? FRESH_HOME
  const day = (frost: string | null) =>
    frost === null || frost === 'none' ? null : dayNumber(`${ANY_YEAR}-${frost}`)
  return {
    ...own,
    seaKm: seaKm === null ? '' : String(seaKm),
    latitude: kept ? site.latitude : null,
    elevationM: kept ? site.elevationM : null,
    winter: winterC,
    summer: summerC,
    rain: Math.round(100 * rain),
    lastFrost: day(lastFrost),
    firstFrost: day(firstFrost),
    noFrost: lastFrost === 'none',
  }
}
