import { findSpecies } from '../core/plants/catalogue'
import type { NextSowing } from '../core/choosing/nextSowing'
import type { SeasonJudgement, SeasonWhy } from '../core/choosing/season'
import { shortDate } from './format'

const WHY: Record<SeasonWhy, string> = {
  early: 'earlier than growers sow it here',
  late: 'later than growers sow it here, so it stays thin',
  rising: 'it belongs in autumn; sown into the warming year it stays leafy and soon stops',
  hot: 'the days are too warm for it: it bolts small or stops',
  'cold soil': 'the soil is too cold for it still',
  'frost near': 'frost comes before it has grown',
  'dry season': 'it is dry then: water it, or wait for the rains',
  'winter too cold': 'winters here kill it',
  'summer too cool': 'summers here are too cool for it',
  'no winter here': 'it needs a cold winter, and there is none here',
  'not a clover': 'clovers are what is usually sown under grain',
}

/** Why a day is not the usual one for a cover. */
export const seasonWhyText = (why: SeasonWhy): string => WHY[why]

/** How a sowing day suits a cover here, in a line. */
export function seasonText({ word, why }: SeasonJudgement): string {
  if (word === 'usual' || why === null) return 'Usual time to sow it here.'
  return `${word === 'possible' ? 'Possible' : 'Unusual'}: ${WHY[why]}.`
}

/** One or another of some covers. */
export function eitherText(speciesIds: readonly string[]): string {
  const names = speciesIds.map((id) => findSpecies(id)?.name.toLowerCase() ?? id)
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} or ${names.at(-1)}` : names[0]
}

/** From so many days ahead on a sowing is not called one of now. */
const NOW_DAYS = 4

/** When the next cover is worth sowing on ground that is bare, and what; `neededByDay` is null where nothing is planned. */
export function nextSowingText(next: NextSowing | null, today: number, neededByDay: number | null): string {
  if (!next)
    return neededByDay === null
      ? 'no cover is usually sown here in the year ahead'
      : `nothing is worth sowing before ${shortDate(neededByDay)}; keep it under mulch or a sheet`
  const named = eitherText(next.speciesIds)
  return next.day < today + NOW_DAYS
    ? `worth sowing now: ${named}`
    : `next worth sowing about ${shortDate(next.day)}: ${named}`
}
