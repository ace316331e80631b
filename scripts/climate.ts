import { readFileSync } from 'node:fs'
import { PLACES, type Place } from '../src/core/site/places'
import { findTowns, parseTowns, type Town } from '../src/core/site/towns'
import { judgeTown, leftOutErrors, type KnownTown } from '../src/core/testing/knownTowns'
import { countryNamesIn } from '../src/text/countries'
import { townsText } from './towns'

const countryName = countryNamesIn('en')

/** The town of a name in the list, near a latitude. */
function townNamed(towns: readonly Town[], { town, lat }: Pick<KnownTown, 'town' | 'lat'>): Town | null {
  const near = (found: readonly Town[]) =>
    found.find(({ latitude }) => Math.abs(latitude - lat) < 1) ?? found.at(0) ?? null
  return (
    near(findTowns(towns, town, countryName)) ?? near(findTowns(towns, town.split(',')[0], countryName, 60))
  )
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
    const { monthsOffC, rain, frostsOff, wettest, inside: holds } = judgeTown(one, town)
    if (holds) inside++
    const off = monthsOffC.map((celsius) => celsius.toFixed(1))
    console.log(
      `${holds ? 'in ' : 'out'}  ${one.town.padEnd(44)} Jan ${off[0]} ${off[1]}, Jul ${off[2]} ${off[3]} °C; rain × ${rain.toFixed(2)}, most in ${wettest}; frosts ${frostsOff.join(' ')} days`,
    )
  }
  console.log(`\n${inside} of ${known.length} towns inside`)
}

const rank = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))]

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
