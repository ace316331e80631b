import type { BetterDay } from '../core/rounds/weatherBound'
import { chanceText, shortDate } from './format'

/** A better day for the weather, and why. */
export const betterWords = ({ day, wants, chance }: BetterDay): string =>
  wants === 'dry'
    ? `Better on ${shortDate(day)}: dry, ${chanceText(chance)}.`
    : `Better on ${shortDate(day)}: rain soon after, ${chanceText(chance)}.`
