import { useMemo } from 'react'
import { bandOn, type StandForecast } from '../../core/season/standForecast'
import { longDate, percent, shortDate } from '../../text/format'
import { forecastName } from '../../parts/weave/useBedCloth'
import { useLatest } from '../../compute/useAnswer'
import { Swatch } from '../../parts/Swatch'
import { useGarden } from '../../state/garden'
import { nextSowing } from '../../core/choosing/nextSowing'
import { nextSowingText } from '../../text/season'
import { standWords } from './labels'
import { SpotPlan } from './SpotPlan'
import type { Spot } from './useCursor'

/** One line beneath the cloth: what is in the bed and week picked, and what can be done there. */
export function SpotLine({
  spot,
  today,
  onOpen,
  onAdd,
  onGrowing,
}: {
  spot: Spot | null
  today: number
  onOpen: (spot: Spot) => void
  onAdd: (spot: Spot) => void
  onGrowing: (spot: Spot) => void
}) {
  const forecast = useLatest<StandForecast>(spot?.stand ? forecastName(spot.stand.stand.id) : null)
  const stand = spot?.stand?.stand
  const cover = stand?.content.kind === 'cover' ? stand : null
  const worth = useWorthSowing(spot, today)
  const said = spot
    ? [worth && !spot.window?.nextStandId ? 'bare' : describe(spot, today, forecast), worth]
        .filter(Boolean)
        .join('; ')
    : ''
  if (!spot) return <p className="mt-2">No beds yet. Add some under Garden.</p>
  return (
    <div className="mt-1.5 flex min-h-8 flex-wrap items-center gap-x-4 gap-y-1 border-t border-base-300 pt-1.5 text-[0.95rem] md:flex-nowrap">
      <p role="status" aria-live="polite" data-testid="spot" title={said} className="min-w-0 md:truncate">
        <strong className="font-display">{spot.entry.bed.label}</strong>, week of {longDate(spot.day)}: {said}
      </p>
      <SpotPlan standId={cover?.id} />
      <button className="btn btn-xs btn-primary shrink-0" onClick={() => onOpen(spot)}>
        {spot.window && !spot.stand && spot.window.neededByDay > today ? 'Choose a cover' : 'Open the bed'}
      </button>
      {!spot.stand && (
        <>
          <button className="btn btn-xs shrink-0" onClick={() => onGrowing(spot)}>
            A cover grows here
          </button>
          <button className="btn btn-xs shrink-0" onClick={() => onAdd(spot)}>
            Add a crop
          </button>
        </>
      )}
      <Legend />
    </div>
  )
}

/** When a cover is worth sowing in a bare week, from then on; nothing for weeks gone by or taken. */
function useWorthSowing(spot: Spot | null, today: number): string | null {
  const { site } = useGarden().data.garden
  const window = spot && !spot.stand ? spot.window : null
  const fromDay = window && Math.max(today, window.freeFromDay, spot?.day ?? today)
  const neededByDay = window && window.nextStandId !== null ? window.neededByDay : null
  const soil = spot?.entry.bed.soil
  return useMemo(() => {
    if (fromDay === null || !soil || !window || window.neededByDay <= today) return null
    return nextSowingText(nextSowing(site, soil, fromDay, neededByDay), today, neededByDay)
  }, [site, soil, window, fromDay, neededByDay, today])
}

const GROUPS = [
  ['grass', 'grass'],
  ['legume', 'legume'],
  ['broadleaf', 'broadleaf'],
] as const

/** The weaves of the three plant groups. */
function Legend() {
  return (
    <ul
      className="quiet ml-auto flex flex-wrap md:shrink-0 items-center gap-x-4 gap-y-1 text-xs"
      aria-label="Weaves"
    >
      {GROUPS.map(([group, name]) => (
        <li key={group} className="flex items-center gap-1.5">
          <Swatch groups={[group]} size={1.5} /> {name}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <svg width={11} height={12} aria-hidden="true">
          <path d="M5.5 1L9.5 6L5.5 11L1.5 6Z" fill="var(--color-accent)" stroke="currentColor" />
        </svg>
        first flower or pollen
      </li>
      <li className="flex items-center gap-1.5">
        <svg width={6} height={14} aria-hidden="true" stroke="var(--color-accent)" strokeWidth={3}>
          <path d="M3 0V8M3 10v2M3 13v1" />
        </svg>
        light to sow under
      </li>
    </ul>
  )
}

function describe({ stand, window, day }: Spot, today: number, forecast: StandForecast | undefined): string {
  if (stand) {
    const words = standWords(stand.stand).join(' + ')
    const plan = stand.stand.start.actual ? '' : ', planned'
    if (stand.stand.content.kind !== 'cover') return `${words}${plan}, until ${shortDate(stand.untilDay)}`
    const cover = forecast && bandOn(forecast.cover, day + 3)
    return cover
      ? `${words}${plan}, ${percent(cover.p50)} of the ground green (${percent(cover.p10)} to ${percent(cover.p90)})`
      : `${words}${plan}`
  }
  if (!window) return 'turn-round time'
  const weeks = Math.round((window.neededByDay - Math.max(window.freeFromDay, Math.min(day, today))) / 7)
  if (!window.nextStandId) return 'bare, nothing planned after it'
  return `bare, needed ${shortDate(window.neededByDay)}${weeks > 0 ? `, ${weeks} weeks` : ''}`
}
