import { isEqual as equal } from 'es-toolkit/predicate'
import { DAY_VALUES, SLOTS } from '../../core/garden/dayLimits'
import { stableHash } from '../../core/foundations/hash'
import { emptyYear } from '../../core/garden/weatherDays'
import type { WeatherSource, WeatherYear } from '../../core/garden/weatherYear'

/** What a day is worth by where it comes from: written down over read from a file over heard from a station. */
const WORTH: Readonly<Record<WeatherSource, number>> = { hand: 3, imported: 2, station: 1 }

const dayOf = (year: WeatherYear, slot: number) => [
  year.source[slot],
  ...DAY_VALUES.map((value) => year[value][slot]),
]

/**
 * A year of weather as two devices have it: every day that either knows. Where both know one otherwise, the better source
 * counts, then the year that was written last (`order` positive for the first), then the text.
 */
export function mergeYears(
  a: WeatherYear,
  b: WeatherYear,
  order: number,
): { year: WeatherYear; days: number } {
  const year = emptyYear(a.gardenId, a.year)
  let days = 0
  for (let slot = 0; slot < SLOTS; slot++) {
    const [mine, theirs] = [dayOf(a, slot), dayOf(b, slot)]
    const worth = (source: WeatherSource | null) => (source ? WORTH[source] : 0)
    const [ofMine, ofTheirs] = [worth(a.source[slot]), worth(b.source[slot])]
    const first = (ofMine - ofTheirs || order || (stableHash(mine) > stableHash(theirs) ? 1 : -1)) > 0
    const from = first ? a : b
    for (const value of DAY_VALUES) year[value][slot] = from[value][slot]
    year.source[slot] = from.source[slot]
    if (ofMine > 0 && ofMine === ofTheirs && !equal(mine, theirs)) days++
  }
  return { year, days }
}
