import { ASIA } from './asia'
import { EUROPE } from './europe'
import { NORTH_AMERICA } from './northAmerica'
import { SOUTH } from './south'

/** Four values of a year: of January, April, July and October, or of the quarters DJF, MAM, JJA and SON. */
export type Quarters = readonly [number, number, number, number]

/**
 * A place whose usual year is known: mean high and low, °C, and rain by quarter, mm, as rounded normals of about 1991–2020;
 * days of the year (from 1) that half of all years have their last and first night at 0 °C or below behind, null where most
 * years have none. Compiled from general knowledge and not verified against stations: it says what is usual in a region.
 */
export type Place = {
  name: string
  country: string
  latitude: number
  longitude: number
  elevationM: number
  /** Distance to the nearest coast, km, at most 300. */
  seaKm: number
  highC: Quarters
  lowC: Quarters
  rainMm: Quarters
  lastFrost: number | null
  firstFrost: number | null
}

const MONTH_STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334]

/** The day of a common year (from 1) of `MM-DD`; null for `none`. */
export function dayOfMonthDay(text: string): number | null {
  if (text === 'none') return null
  const [month, day] = text.split('-').map(Number)
  return MONTH_STARTS[month - 1] + day
}

const numbers = (text: string) => text.split(' ').map(Number)
const quarters = (text: string) => numbers(text) as unknown as Quarters

/** A line: name and country | latitude, longitude, elevation, km to the sea | highs | lows | rain | last and first frost. */
function parseLine(line: string): Place {
  const [names, where, highC, lowC, rainMm, frosts] = line.split(' | ')
  const [name, country] = names.split(', ')
  const [latitude, longitude, elevationM, seaKm] = numbers(where)
  const [lastFrost, firstFrost] = frosts.split(' ').map(dayOfMonthDay)
  return {
    name,
    country,
    latitude,
    longitude,
    elevationM,
    seaKm,
    highC: quarters(highC),
    lowC: quarters(lowC),
    rainMm: quarters(rainMm),
    lastFrost,
    firstFrost,
  }
}

export const PLACES: readonly Place[] = [NORTH_AMERICA, EUROPE, ASIA, SOUTH].flatMap((text) =>
  text.trim().split('\n').map(parseLine),
)

const EARTH_KM = 6371
const radians = (degrees: number) => (degrees * Math.PI) / 180

/** Distance over the ground between two points, km. */
export function kmBetween(
  a: { latitude: number; longitude: number },
  b: { latitude: number; longitude: number },
): number {
  const [from, to] = [radians(a.latitude), radians(b.latitude)]
  const half =
    Math.sin((to - from) / 2) ** 2 +
    Math.cos(from) * Math.cos(to) * Math.sin(radians(b.longitude - a.longitude) / 2) ** 2
  return 2 * EARTH_KM * Math.asin(Math.sqrt(half))
}
