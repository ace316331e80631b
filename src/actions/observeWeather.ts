import type { Step } from './step'
import type { Garden } from '../core/garden/schema'
import { withDays, type ObservedDay } from '../core/garden/weatherDays'
import type { WeatherYear } from '../core/garden/weatherYear'
import { normalsFrom } from '../core/site/record'
import { changed, yearWrites } from '../data/writes'
import { shortDate } from '../text/format'

/** Writes down the weather of a day. */
export const writeDay = (garden: Garden, known: readonly WeatherYear[], day: ObservedDay): Step => ({
  label: `Wrote down the weather of ${shortDate(day.day)}`,
  writes: yearWrites(known, withDays(known, garden.id, [day])),
})

/** Takes in the days of a file, and on request the normals of its whole years. */
export function importDays(
  garden: Garden,
  known: readonly WeatherYear[],
  days: readonly ObservedDay[],
  withNormals: boolean,
): Step {
  const normals = withNormals ? normalsFrom(days) : null
  return {
    label: `Imported ${days.length} days of weather`,
    writes: [
      ...yearWrites(known, withDays(known, garden.id, days)),
      ...(normals ? [changed('gardens', garden, { site: { ...garden.site, ...normals } })] : []),
    ],
  }
}
