import { columns, type Columns } from '../foundations/columns'
import type { MemberWeather, WeatherEnsemble } from '../site/weather'

const WEATHER = [
  'tMinC',
  'tMaxC',
  'rainMm',
  'radiationMjM2',
  'et0Mm',
  'soilTempC',
  'snowMm',
  'waterMm',
] as const

/** Members that are stepped together: as many as keep what a day touches in the first cache. */
export const BLOCK = 50

/**
 * Weather of `size` members laid out day by day, so that a day's numbers of all of them lie side by side: that of its
 * member j on day d of the ensemble stands at `(d − firstDay) · size + j`.
 */
export type WeatherBlock = Columns<(typeof WEATHER)[number]> & { size: number; firstDay: number }

function layOut(members: readonly MemberWeather[], firstDay: number, days: number): WeatherBlock {
  const size = members.length
  const block = columns(WEATHER, size * days)
  for (const name of WEATHER) {
    const to = block[name]
    members.forEach((member, j) => {
      const from = member[name]
      for (let d = 0; d < days; d++) to[d * size + j] = from[firstDay + d]
    })
  }
  return { ...block, size, firstDay }
}

const inBlocks = <T>(items: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(items.length / BLOCK) }, (_, i) => items.slice(i * BLOCK, (i + 1) * BLOCK))

const known = new WeakMap<readonly MemberWeather[], WeatherBlock[]>()

/**
 * The weather of some members, by their numbers, in blocks of `BLOCK`, for `days` days from `firstDay` of the ensemble on.
 * All members from the first on are laid out once for each ensemble, with all their days.
 */
export function weatherBlocks(
  { members: all }: WeatherEnsemble,
  members: readonly number[],
  firstDay: number,
  days: number,
): WeatherBlock[] {
  if (!members.every((member, i) => member === i))
    return inBlocks(members).map((some) =>
      layOut(
        some.map((member) => all[member]),
        firstDay,
        days,
      ),
    )
  let blocks = known.get(all)
  if (!blocks) {
    blocks = inBlocks(all).map((some) => layOut(some, 0, all[0].tMinC.length))
    known.set(all, blocks)
  }
  return blocks
}
