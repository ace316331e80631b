import { daysFrom } from '../foundations/yearDay'
import { blendedAt, type Where } from '../site/neighbours'
import { dayOfMonthDay, PLACES, type Place } from '../site/places'
import { quartersOfRain, usualYear } from '../site/usualYear'

/** A town with its usual year: highs and lows of January and July, °C, frosts (MM-DD, null for none), rain, mm a year, and its wettest quarters. */
export type KnownTown = {
  town: string
  lat: number
  jan: number[]
  jul: number[]
  last: string | null
  first: string | null
  rain: number
  wet: string[] | string
}

/** What a month's mean may be off by, °C; rain, as a share; frosts, days. */
const MAY_BE_OFF = { monthC: 3, rain: 1 / 3, frostDays: 12 }
const QUARTER_NAMES = ['DJF', 'MAM', 'JJA', 'SON']

/** Days by which a frost is off; Infinity where it is there in one and not in the other. */
function daysOff(got: number | null, wanted: string | null): number {
  const day = wanted === null ? null : dayOfMonthDay(wanted)
  if (got === null || day === null) return got === day ? 0 : Infinity
  return daysFrom(day, got)
}

/** What a place alone gives against what is known of the town there. */
export function judgeTown(known: KnownTown, where: Where) {
  const { site, nights } = usualYear(where)
  const monthsOffC = [
    site.tMaxC[0] - known.jan[0],
    site.tMinC[0] - known.jan[1],
    site.tMaxC[6] - known.jul[0],
    site.tMinC[6] - known.jul[1],
  ]
  const rain = site.rainMm.reduce((sum, mm) => sum + mm, 0) / known.rain
  const frostsOff = [daysOff(nights.lastFrost, known.last), daysOff(nights.firstFrost, known.first)]
  const quarters = quartersOfRain(site.rainMm)
  const wettest = QUARTER_NAMES[quarters.indexOf(Math.max(...quarters))]
  const inside =
    monthsOffC.every((off) => Math.abs(off) <= MAY_BE_OFF.monthC) &&
    Math.abs(rain - 1) <= MAY_BE_OFF.rain &&
    frostsOff.every((days) => Math.abs(days) <= MAY_BE_OFF.frostDays) &&
    (known.wet === 'even' || known.wet.includes(wettest))
  return { monthsOffC, rain, frostsOff, wettest, inside }
}

/** How far the neighbours of a place are from what the table says of it, °C for each of its eight temperatures. */
export function leftOutErrors(place: Place): number[] {
  const { highC, lowC } = blendedAt(
    place,
    PLACES.filter((one) => one !== place),
  )
  return [0, 1, 2, 3].flatMap((q) => [Math.abs(highC[q] - place.highC[q]), Math.abs(lowC[q] - place.lowC[q])])
}
