import { lazy, Suspense } from 'react'
import { late } from '../state/late'
import type { BandsProps } from './bands'
import { useAfterPaint } from './useAfterPaint'

const BandsDrawing = lazy(() =>
  late(import('./BandsDrawing')).then(({ BandsDrawing }) => ({ default: BandsDrawing })),
)

/**
 * A series as its middle line in its 10–90 % band, with what was seen as points. What it says stands there at once, its
 * drawing after the page was painted.
 */
export function BandsChart(chart: BandsProps) {
  const { points, name, unit, small = false, before } = chart
  const painted = useAfterPaint()
  return (
    <figure className="m-0">
      <figcaption className="mb-1 text-sm">
        {small ? `${name}, ${unit}` : `${name}, ${unit}: middle line with the range of 8 in 10 years`}
        {!small && points.length > 0 ? '; your checks as points' : ''}
        {before ? '; dashed: before the newest check' : ''}
      </figcaption>
      <div
        className={small ? 'h-40' : 'h-56'}
        role="img"
        aria-label={`${name} over time with its range${points.length > 0 ? ` and ${points.length} checks` : ''}`}
      >
        {painted && (
          <Suspense>
            <BandsDrawing {...chart} />
          </Suspense>
        )}
      </div>
    </figure>
  )
}
