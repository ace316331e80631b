import type { Stand } from '../core/garden/schema'
import type { StandForecast } from '../core/season/standForecast'
import { dayNumber } from '../core/foundations/day'
import { shortDate } from '../text/format'

/** When a cover was sown, where that is not known: the days it may have been, and what looks have made of them. */
export function SownOn({
  stand,
  forecast,
  seen,
}: {
  stand: Stand
  forecast: StandForecast
  /** Whether anything was seen of it yet. */
  seen: boolean
}) {
  const told = stand.start.actual?.sownBetween
  if (!told || !forecast.sownOn) return null
  const { p10, p50, p90 } = forecast.sownOn
  return (
    <p className="mt-1" data-testid="sown-on">
      Sown between {shortDate(dayNumber(told.from))} and {shortDate(dayNumber(told.to))}, as was said
      {seen && `; from your checks most likely ${shortDate(p50)}, ${shortDate(p10)} to ${shortDate(p90)}`}.
    </p>
  )
}
