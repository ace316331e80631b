import { dayNumber, isoDate } from '../foundations/day'
import type { StandCase } from '../season/cases'
import type { SeasonRun } from '../season/run'
import type { StandRun } from '../stand/types'
import { middleOn } from './after'
import { mownAhead, type Neighbour } from './aisle'

/** Years for which an aisle is followed, and members it is followed in. */
export const AISLE_YEARS = 5
export const AISLE_YEARS_MEMBERS = 20
const MOST_MOWINGS = 60
/** An aisle whose green never closes more than this in a year lets weeds in: it is sown over (judgement, 0.6–0.8). */
export const THIN_BELOW = 0.7
const DAYS_IN_YEAR = 365
const LOOKED_AT_EVERY = 5

/**
 * A year of a living aisle: its mowings, the dry cuttings and the nitrogen in them, and how far its green closed over the
 * ground at its best, 0–1.
 */
export type AisleYear = {
  fromDay: number
  mowings: number
  massKg: number
  nitrogenG: number
  closed: number
  thin: boolean
}

const yearsLater = (day: number, years: number): number => {
  const date = isoDate(day)
  const [year, rest] = [Number(date.slice(0, 4)) + years, date.slice(4)]
  return dayNumber(`${year}${rest === '-02-29' ? '-02-28' : rest}`)
}

/** Crops beside an aisle, those of the coming year taken to come again each year in which no others are planned. */
export function everyYear(neighbours: readonly Neighbour[], today: number, years: number): Neighbour[] {
  const within = (year: number) =>
    neighbours.filter(
      ({ plantedDay }) =>
        plantedDay >= today + year * DAYS_IN_YEAR && plantedDay < today + (year + 1) * DAYS_IN_YEAR,
    )
  const coming = within(0)
  const repeated = Array.from({ length: years - 1 }, (_, i) => i + 1).flatMap((year) =>
    within(year).length > 0
      ? []
      : coming.map((crop) => ({
          ...crop,
          plantedDay: yearsLater(crop.plantedDay, year),
          goneDay: yearsLater(crop.goneDay, year),
        })),
  )
  return [...neighbours, ...repeated]
}

/** The most ground that green covers between two days, 0–1. */
function mostClosed(pieces: readonly StandRun[], fromDay: number, untilDay: number): number {
  let closed = 0
  for (const run of pieces)
    for (let day = run.startDay; day < run.startDay + run.days; day++)
      if (day >= fromDay && day < untilDay && day % LOOKED_AT_EVERY === 0)
        closed = Math.max(closed, middleOn(run, run.cover, day))
  return closed
}

/** A living aisle year by year from today, mown by the crops beside it. */
export function aisleYears(
  aisle: Pick<StandCase, 'bed' | 'stand'>,
  season: SeasonRun,
  neighbours: readonly Neighbour[],
  today: number,
  years = AISLE_YEARS,
): AisleYear[] {
  const { mowings, pieces } = mownAhead(aisle, season, everyYear(neighbours, today, years), today, {
    days: years * DAYS_IN_YEAR,
    mowings: MOST_MOWINGS,
    members: AISLE_YEARS_MEMBERS,
  })
  return Array.from({ length: years }, (_, year) => {
    const fromDay = yearsLater(today, year)
    const untilDay = yearsLater(today, year + 1)
    const mown = mowings.filter(({ day }) => day >= fromDay && day < untilDay)
    const closed = mostClosed(pieces, fromDay, untilDay)
    return {
      fromDay,
      mowings: mown.length,
      massKg: mown.reduce((sum, { massKg }) => sum + massKg, 0),
      nitrogenG: mown.reduce((sum, { nitrogenG }) => sum + nitrogenG, 0),
      closed,
      thin: closed < THIN_BELOW,
    }
  })
}
