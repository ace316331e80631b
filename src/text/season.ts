import type { SeasonJudgement, SeasonWhy } from '../core/choosing/season'

const WHY: Record<SeasonWhy, string> = {
  early: 'earlier than growers sow it here',
  late: 'later than growers sow it here, so it stays thin',
  rising: 'it belongs in autumn; sown into the warming year it stays leafy and soon stops',
  hot: 'the days are too warm for it: it bolts small or stops',
  'cold soil': 'the soil is too cold for it still',
  'frost near': 'frost comes before it has grown',
  'dry season': 'the dry season is ahead: water it, or wait for the rains',
  'winter too cold': 'winters here kill it',
  'summer too cool': 'summers here are too cool for it',
  'no winter here': 'it needs a cold winter, and there is none here',
}

/** Why a day is not the usual one for a cover. */
export const seasonWhyText = (why: SeasonWhy): string => WHY[why]

/** How a sowing day suits a cover here, in a line. */
export function seasonText({ word, why }: SeasonJudgement): string {
  if (word === 'usual' || why === null) return 'Usual time to sow it here.'
  return `${word === 'possible' ? 'Possible' : 'Unusual'}: ${WHY[why]}.`
}
