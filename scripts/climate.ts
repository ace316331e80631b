import { readFileSync } from 'node:fs'
import { blendedAt } from '../src/core/site/neighbours'
import { dayOfMonthDay, PLACES, type Place } from '../src/core/site/places'
import { findTowns, parseTowns, type Town } from '../src/core/site/towns'
import { usualYear } from '../src/core/site/usualYear'
import { townsText } from './towns'

/** A town with its usual year: highs and lows of January and July, °C, frosts (MM-DD, null for none), rain, mm a year, and its wettest quarters. */
type KnownTown = {
  town: string
  lat: number
  jan: [number, number]
  jul: [number, number]
  last: string | null
  first: string | null
  rain: number
  wet: string[] | 'even'
}

/** What a month's mean may be off by, °C; rain, as a share; frosts, days. */
const MAY_BE_OFF = { monthC: 3, rain: 1 / 3, frostDays: 12 }
const QUARTER_NAMES = ['DJF', 'MAM', 'JJA', 'SON']

const countries = new Intl.DisplayNames('en', { type: 'region' })
const countryName = (code: string) => {
  try {
    return countries.of(code) ?? code
  } catch {
    return code
  }
}

/** The town of a name in the list, near a latitude. */
function townNamed(towns: readonly Town[], { town, lat }: Pick<KnownTown, 'town' | 'lat'>): Town | null {
  const near = (found: readonly Town[]) =>
    found.find(({ latitude }) => Math.abs(latitude - lat) < 1) ?? found.at(0) ?? null
  return (
    near(findTowns(towns, town, countryName)) ?? near(findTowns(towns, town.split(',')[0], countryName, 60))
  )
}

const daysOff = (got: number | null, wanted: string | null) => {
  const day = wanted === null ? null : dayOfMonthDay(wanted)
  if (got === null || day === null) return got === day ? 0 : Infinity
  const off = (((got - day) % 365) + 365) % 365
  return off > 182 ? off - 365 : off
}

/** Prints for each town of a file what its name alone gives against what is known of it, and how many are inside. */
export function printTowns(file: string): void {
  const { towns: known } = JSON.parse(readFileSync(file, 'utf8')) as { towns: KnownTown[] }
  const towns = parseTowns(townsText())
  let inside = 0
  for (const one of known) {
    const town = townNamed(towns, one)
    if (!town) {
      console.log(`out  ${one.town}: not in the list of towns`)
      continue
    }
    const { site, nights } = usualYear(town)
    const months = [
      site.tMaxC[0] - one.jan[0],
      site.tMinC[0] - one.jan[1],
      site.tMaxC[6] - one.jul[0],
      site.tMinC[6] - one.jul[1],
    ]
    const rain = site.rainMm.reduce((sum, mm) => sum + mm, 0) / one.rain
    const frosts = [daysOff(nights.lastFrost, one.last), daysOff(nights.firstFrost, one.first)]
    const byQuarter = [0, 1, 2, 3].map((q) =>
      [0, 1, 2].reduce((sum, k) => sum + site.rainMm[(q * 3 + 11 + k) % 12], 0),
    )
    const wettest = QUARTER_NAMES[byQuarter.indexOf(Math.max(...byQuarter))]
    const holds =
      months.every((off) => Math.abs(off) <= MAY_BE_OFF.monthC) &&
      Math.abs(rain - 1) <= MAY_BE_OFF.rain &&
      frosts.every((days) => Math.abs(days) <= MAY_BE_OFF.frostDays) &&
      (one.wet === 'even' || one.wet.includes(wettest))
    if (holds) inside++
    console.log(
      `${holds ? 'in ' : 'out'}  ${one.town.padEnd(44)} Jan ${months[0].toFixed(1)} ${months[1].toFixed(1)}, Jul ${months[2].toFixed(1)} ${months[3].toFixed(1)} °C; rain × ${rain.toFixed(2)}, most in ${wettest}; frosts ${frosts.join(' ')} days`,
    )
  }
  console.log(`\n${inside} of ${known.length} towns inside`)
}

const rank = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))]

/** How far the neighbours of a place are from what the table says of it, °C for each of its eight temperatures. */
export const leftOutErrors = (place: Place): number[] => {
  const { highC, lowC } = blendedAt(
    place,
    PLACES.filter((one) => one !== place),
  )
  return [0, 1, 2, 3].flatMap((q) => [Math.abs(highC[q] - place.highC[q]), Math.abs(lowC[q] - place.lowC[q])])
}

/** A region of the table, by where a place lies. */
function regionOf({ country, latitude, longitude }: Place): string {
  if (['US', 'CA'].includes(country)) return 'North America'
  if (longitude < -30) return latitude > 12 ? 'Central America' : 'South America'
  if (country === 'NZ' || country === 'AU' || longitude > 140) return 'Oceania and Japan'
  if (latitude > 35 && longitude < 45) return 'Europe and Turkey'
  return longitude < 52 && latitude < 38 ? 'Africa and Near East' : 'Asia'
}

/** Prints how near the table comes to each of its own places that is left out, by region. */
export function printPlaces(): void {
  const byRegion = new Map<string, number[]>()
  for (const place of PLACES)
    byRegion.set(regionOf(place), [...(byRegion.get(regionOf(place)) ?? []), ...leftOutErrors(place)])
  const line = (name: string, errors: readonly number[]) =>
    console.log(
      `${name.padEnd(24)} ${String(errors.length / 8).padStart(4)} places: median ${rank(errors, 0.5).toFixed(1)} °C, 90th percentile ${rank(errors, 0.9).toFixed(1)} °C`,
    )
  for (const [name, errors] of byRegion) line(name, errors)
  line('all', [...byRegion.values()].flat())
}
