import { Link } from 'react-router'
import type { LightWindow } from '../../core/choosing/lightWindows'
import { shortDate } from '../../text/format'
import { standName } from '../../text/names'
import { clipToSheet, type RegionProps } from './layout'

/** Width of the thread of light, and of what can be pressed about it, px. */
const THREAD_PX = 3
const THREAD_REACH_PX = 12

/**
 * From when on a cover can be sown under what stands, until its light returns; pressing it asks what fits. It runs
 * along the far edge of what stands above, a share of the column's width.
 */
export function ThreadOfLight({
  light,
  entry,
  sheet,
  scale,
  width,
  edge,
}: Omit<RegionProps, 'todayY'> & { light: LightWindow; edge: number }) {
  const sow = clipToSheet(scale, sheet, light.sowFromDay, light.sowUntilDay)
  const all = clipToSheet(scale, sheet, light.sowFromDay, light.lightDay)
  if (!sow || !all) return null
  const name = `${entry.bed.label}: sow under ${standName(light.above).toLowerCase()} from ${shortDate(light.sowFromDay)} to ${shortDate(light.sowUntilDay)}, light returns ${shortDate(light.lightDay)}, ${light.recoveredWeeks} bare weeks recovered`
  return (
    <Link
      to={`/choose/${entry.bed.id}?day=${light.sowFromDay}&under=${light.above.id}`}
      className="loom-light absolute"
      style={{
        top: all.top,
        left: width * edge - THREAD_REACH_PX,
        width: THREAD_REACH_PX,
        height: Math.max(12, all.bottom - all.top),
      }}
      aria-label={name}
      title={name}
    >
      <svg width={THREAD_REACH_PX} height="100%" aria-hidden="true">
        <line
          x1={THREAD_REACH_PX / 2}
          x2={THREAD_REACH_PX / 2}
          y1={0}
          y2={sow.bottom - all.top}
          strokeWidth={THREAD_PX}
        />
        <line
          x1={THREAD_REACH_PX / 2}
          x2={THREAD_REACH_PX / 2}
          y1={sow.bottom - all.top}
          y2="100%"
          strokeWidth={THREAD_PX}
          strokeDasharray="2 4"
        />
      </svg>
    </Link>
  )
}
