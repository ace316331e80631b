import { bandOn, type StandForecast } from '../season/standForecast'

/** Growth within a fortnight below which a stand lies still, as in winter: a look would tell nothing new (judgement, 1.03–1.1). */
const STILL = 1.06
const FORTNIGHT_DAYS = 14
/** Spread of what stands there from which a look is worth the walk: half its range of 8 in 10 years, as a share of the middle. */
const WORTH_LOOKING = 0.15

/** Whether a stand grows in the fortnight after a day. */
function growsFrom({ massG }: StandForecast, day: number): boolean {
  const [now, later] = [bandOn(massG, day), bandOn(massG, day + FORTNIGHT_DAYS)]
  return now !== null && later !== null && now.p50 > 0 && later.p50 / now.p50 >= STILL
}

/**
 * What a look would tell: how unsure it is what stands there today, as half the range of its mass over the middle, and the day
 * since which it has grown without lying still. Null where it lies still today, or is known well enough.
 */
export function lookTells(
  forecast: StandForecast,
  today: number,
): { share: number; sinceDay: number } | null {
  const now = bandOn(forecast.massG, today)
  if (!now || !growsFrom(forecast, today)) return null
  const share = (now.p90 - now.p10) / 2 / now.p50
  if (share < WORTH_LOOKING) return null
  let sinceDay = today
  while (growsFrom(forecast, sinceDay - 1)) sinceDay--
  return { share, sinceDay }
}
