import { sortBy } from 'es-toolkit/array'
import { dayOfYear } from '../foundations/day'
import { inYear, YEAR_DAYS } from '../foundations/yearDay'
import type { Bed, GardenData } from '../garden/schema'
import type { SiteClimate } from '../garden/site'
import { bareWindows, windowAt } from '../garden/windows'
import { SPECIES } from '../plants/catalogue'
import type { PlantGroup, Species } from '../plants/parameters'
import { sowingSeasonOf } from '../plants/seasons'
import { seasonOf, seasonYear, type SeasonYear } from './season'

/** The next day on which covers are usually sown, and the commonest of each group of plants that is. */
export type NextSowing = { day: number; speciesIds: string[] }

/** Warmth that a cover must find before its ground is wanted, °C d over a base, °C: six weeks of fair weather (judgement). */
const WORTH = {
  warm: { baseC: 10, cd: 350 },
  cool: { baseC: 4, cd: 300 },
  'perennial legume': { baseC: 4, cd: 700 },
} as const
const worthOf = (plant: Species) => {
  const { kind } = sowingSeasonOf(plant)
  return WORTH[kind === 'perennial legume' ? kind : plant.season]
}
/** Before its ground is wanted a cover is ended, and its residue waited for, days (judgement, 7–28). */
const ENDED_BEFORE_DAYS = 14
/** Days between those looked at. */
const LOOKED_AT_EVERY = 3
const GROUPS: readonly PlantGroup[] = ['grass', 'legume', 'broadleaf']

const known = new WeakMap<SeasonYear, Map<number, Species[]>>()
/** Covers that are usually sown on a day of the year. */
function usualOn(year: SeasonYear, day: number): Species[] {
  const days = known.get(year) ?? new Map<number, Species[]>()
  known.set(year, days)
  const date = dayOfYear(day)
  const found = days.get(date) ?? SPECIES.filter((plant) => seasonOf(plant, day, year).word === 'usual')
  days.set(date, found)
  return found
}

/** Warmth over a base from one day of the year to another, °C d; of a year at most. */
function warmthUntil({ meanC }: SeasonYear, fromDay: number, untilDay: number, baseC: number): number {
  let sum = 0
  for (let day = fromDay; day < Math.min(untilDay, fromDay + YEAR_DAYS); day++)
    sum += Math.max(0, meanC[inYear(dayOfYear(day) - 1)] - baseC)
  return sum
}

/** Covers that gardens sow most, the commonest first (judgement): these are named before others. */
const COMMON = [
  'cereal-rye',
  'oats',
  'sorghum-sudangrass',
  'crimson-clover',
  'field-pea',
  'red-clover',
  'cowpea',
  'buckwheat',
  'white-mustard',
  'oilseed-radish',
  'phacelia',
]
const uncommon = ({ id }: Species) => (COMMON.includes(id) ? COMMON.indexOf(id) : COMMON.length)

/**
 * The first day from one on when covers are usual that still find the warmth to be worth it before the ground is wanted; one
 * for clovers alone, which are thrown on frozen ground too, only where there is no other. Null where none is within a year.
 * @param neededByDay first day on which the ground is wanted; null where nothing is planned
 */
export function nextSowing(
  climate: SiteClimate,
  soil: Bed['soil'],
  fromDay: number,
  neededByDay: number | null,
): NextSowing | null {
  const year = seasonYear(climate, soil)
  let some: NextSowing | null = null
  const last = Math.min(neededByDay ?? Infinity, fromDay + YEAR_DAYS)
  for (let day = fromDay; day < last; day += LOOKED_AT_EVERY) {
    const worth = usualOn(year, day).filter((plant) => {
      const { baseC, cd } = worthOf(plant)
      return neededByDay === null || warmthUntil(year, day, neededByDay - ENDED_BEFORE_DAYS, baseC) >= cd
    })
    const speciesIds = GROUPS.flatMap(
      (group) =>
        sortBy(
          worth.filter((plant) => plant.group === group),
          [uncommon],
        ).at(0)?.id ?? [],
    )
    if (worth.some((plant) => sowingSeasonOf(plant).kind !== 'perennial legume')) return { day, speciesIds }
    if (speciesIds.length > 0) some ??= { day, speciesIds }
  }
  return some
}

/** Beds that are bare today and wanted on one day, with when the next cover is worth sowing in them. */
export type BareSowing = { beds: Bed[]; neededByDay: number | null; next: NextSowing | null }

/** How far ahead plans for a bare bed are looked for, days. */
const LOOK_AHEAD_DAYS = 365

/** What is worth sowing in the beds that are bare today, those of one answer together, in their order. */
export function bareSowings(
  { garden, beds, stands }: Pick<GardenData, 'garden' | 'beds' | 'stands'>,
  today: number,
): BareSowing[] {
  const found = new Map<string, BareSowing>()
  for (const bed of beds) {
    const window = windowAt(bareWindows(bed, stands, today, today + LOOK_AHEAD_DAYS), today)
    if (!window) continue
    const neededByDay = window.nextStandId === null ? null : window.neededByDay
    const next = nextSowing(garden.site, bed.soil, today, neededByDay)
    const key = JSON.stringify([neededByDay, next])
    const alike = found.get(key)
    if (alike) alike.beds.push(bed)
    else found.set(key, { beds: [bed], neededByDay, next })
  }
  return [...found.values()]
}
