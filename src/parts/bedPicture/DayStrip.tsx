import { useMemo } from 'react'
import type { PlantGroup } from '../../core/plants/parameters'
import { lastDayOf } from '../../core/portrait/scene'
import type { Portrait } from '../../core/portrait/portrait'
import { shortDate } from '../../text/format'

const STOPS = 48
/** Mulch that hides the ground, g m⁻². */
const COVERING_G = 400
const DYE: Record<PlantGroup, string> = {
  grass: 'var(--color-primary)',
  legume: 'var(--color-secondary)',
  broadleaf: 'var(--color-accent)',
}

/** A season in a strip: the more the ground is green, the stronger its dye; straw where mulch lies. */
function weave(portrait: Portrait, group: PlantGroup): string {
  const days = portrait.wetTop.length
  const stops = Array.from({ length: STOPS }, (_, i) => {
    const at = Math.min(days - 1, Math.round((i * (days - 1)) / (STOPS - 1)))
    const green = Math.round(100 * portrait.cover.p50[at])
    const straw = Math.round(100 * Math.min(1, portrait.residueG.p50[at] / COVERING_G))
    const ground = `color-mix(in oklab, #b3945a ${straw}%, var(--color-base-200))`
    return `color-mix(in oklab, ${DYE[group]} ${green}%, ${ground}) ${Math.round((100 * i) / (STOPS - 1))}%`
  })
  return `linear-gradient(90deg, ${stops.join(', ')})`
}

/** A handle on the season: drag it, or move it by a day with the arrow keys, by a month with page up and down. */
export function DayStrip({
  portrait,
  group,
  day,
  label,
  words,
  marks,
  onDay,
}: {
  portrait: Portrait
  group: PlantGroup
  day: number
  label: string
  words: string
  /** Days that are marked under it. */
  marks: readonly number[]
  onDay: (day: number) => void
}) {
  const background = useMemo(() => weave(portrait, group), [portrait, group])
  const last = lastDayOf(portrait)
  return (
    <div className="no-print">
      <input
        type="range"
        className="day-strip"
        style={{ '--weave': background } as React.CSSProperties}
        aria-label={label}
        aria-valuetext={words}
        min={portrait.startDay}
        max={last}
        value={day}
        onChange={(event) => onDay(Number(event.target.value))}
      />
      <div className="quiet relative -mt-3 h-5 text-sm" aria-hidden="true">
        <span className="absolute left-0">{shortDate(portrait.startDay)}</span>
        <span className="absolute right-0">{shortDate(last)}</span>
        {marks.map((mark) => (
          <span
            key={mark}
            className="absolute -top-1 h-2 w-0.5 bg-base-content"
            style={{ left: `${(100 * (mark - portrait.startDay)) / Math.max(1, last - portrait.startDay)}%` }}
          />
        ))}
      </div>
    </div>
  )
}
