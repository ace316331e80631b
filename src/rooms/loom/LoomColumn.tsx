import { lazy, memo, Suspense } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { latest } from '../../core/garden/timeline'
import type { StandForecast } from '../../core/season/standForecast'
import { longDate } from '../../text/format'
import { StripCanvas } from '../../parts/weave/StripCanvas'
import { useGarden } from '../../state/garden'
import { late, whenIdle } from '../../state/late'
import { useBedCloth } from '../../parts/weave/useBedCloth'
import { placeLabel, standWords } from './labels'
import { Gap } from './Gap'
import { ThreadOfLight } from './ThreadOfLight'
import { clipToSheet, yOfDay, type Column, type RegionProps, type Scale } from './layout'
import { AreaButton, Words, type Area } from './StandArea'
import type { LoomBed, SheetDays } from './useLoom'
import { placeText } from '../../text/bed'

/** What a crop is moved with is loaded once there is one that can be, and the sheet is drawn. */
const MovableCrop = lazy(() =>
  late(whenIdle().then(() => import('./MovableCrop'))).then(({ MovableCrop }) => ({ default: MovableCrop })),
)

/** Where a bed that could not be computed says so. */
const FAILED_BELOW_TODAY_PX = 14

type Props = { column: Column; scale: Scale; sheet: SheetDays; dark: boolean }

/** One bed: its strip of cloth, the names on it, its gaps and stage knots; drawn anew only when something of its own changed. */
export const LoomColumn = memo(function LoomColumn({ column, scale, sheet, dark }: Props) {
  const { entry, left, width } = column
  const { strip, forecasts, pending, failure, shown } = useBedCloth(
    entry.stands,
    sheet.firstDay,
    sheet.lastDay - sheet.firstDay,
    // One of many: what is picked on the sheet goes before it.
    'next',
  )
  const todayY = yOfDay(scale, sheet, sheet.today)
  return (
    <>
      <div className="absolute z-0" style={{ left, top: 0 }} data-woven={pending === 0} data-shown={shown}>
        <StripCanvas strip={strip} width={width} height={scale.height} dark={dark} whole={shown} />
      </div>
      <div className="absolute z-20" style={{ left, top: 0, width, height: 0 }}>
        {entry.windows.map((window) => (
          <Gap
            key={window.freeFromDay}
            window={window}
            entry={entry}
            sheet={sheet}
            scale={scale}
            width={width}
            todayY={todayY}
          />
        ))}
        {entry.stands.map((stand) => (
          <StandRegion
            key={stand.stand.id}
            item={stand}
            entry={entry}
            sheet={sheet}
            scale={scale}
            width={width}
            todayY={todayY}
          />
        ))}
        {entry.lights.map((light) => (
          <ThreadOfLight
            key={light.above.id}
            light={light}
            edge={entry.stands.find(({ stand }) => stand.id === light.above.id)?.across[1] ?? 1}
            entry={entry}
            sheet={sheet}
            scale={scale}
            width={width}
          />
        ))}
        {failure && (
          <button
            type="button"
            className="loom-label absolute inset-x-0 font-semibold text-error"
            style={{ top: Math.max(0, todayY) + FAILED_BELOW_TODAY_PX }}
            title={failure.error}
            aria-label={`${entry.bed.label} could not be calculated: ${failure.error} Try again`}
            onClick={failure.retry}
          >
            not calculated
          </button>
        )}
        <Knots entry={entry} forecasts={forecasts} sheet={sheet} scale={scale} width={width} />
      </div>
    </>
  )
})

/** A bed that is not in sight: worked out behind those that are, so that it stands there when it comes into sight. */
export const OutOfSight = memo(function OutOfSight({ entry, sheet }: { entry: LoomBed; sheet: SheetDays }) {
  const { pending } = useBedCloth(entry.stands, sheet.firstDay, sheet.lastDay - sheet.firstDay, 'rest')
  return <span hidden data-woven={pending === 0} />
})

/** Width of a letter on the cloth, px: a name that does not fit on its part is left to its title. */
const LETTER_PX = 7

function StandRegion({ item, ...region }: RegionProps & { item: LoomBed['stands'][number] }) {
  const { entry, sheet, scale, todayY } = region
  const left = item.across[0] * region.width
  const width = item.across[1] * region.width - left
  const { units } = useGarden().data.garden
  const { stand, fromDay, untilDay } = item
  const clip = clipToSheet(scale, sheet, fromDay, untilDay)
  if (!clip) return null
  const words = standWords(stand)
  const whole = stand.segment.kind === 'whole'
  const fits = whole || words.every((word) => word.length * LETTER_PX <= width)
  // A cover's name belongs on its green part; the residue after its end carries it only where that is too short.
  const end = stand.content.kind === 'cover' ? latest(stand.end) : null
  const green = end && clipToSheet(scale, sheet, fromDay, Math.min(untilDay, dayNumber(end.date)))
  const placed =
    (green && placeLabel(words, green.top, green.bottom, todayY, false)) ??
    placeLabel(words, clip.top, clip.bottom, todayY)
  const name = `${placeText(entry.bed, stand.segment, units)}: ${words.join(' and ')}, ${stand.start.actual ? '' : 'planned '}from ${longDate(fromDay)} to ${longDate(untilDay)}`
  const area: Area = { name, clip, left, width, bedId: entry.bed.id, standId: stand.id, fromDay }
  const fixed = (
    <>
      <AreaButton area={area} className="cursor-pointer" />
      {placed && fits && <Words placed={placed} left={left} width={width} />}
    </>
  )
  // What can be moved listens for it, which costs: most stands cannot.
  if (stand.content.kind !== 'crop' || stand.start.actual !== null) return fixed
  return (
    <Suspense fallback={fixed}>
      <MovableCrop area={area} placed={placed} />
    </Suspense>
  )
}

/** First flower or pollen of each cover as a knot at the selvedge, with the range of its date. */
function Knots({
  entry,
  forecasts,
  sheet,
  scale,
  width,
}: {
  entry: LoomBed
  forecasts: ReadonlyMap<string, StandForecast>
  sheet: SheetDays
  scale: Scale
  width: number
}) {
  const knots = entry.stands.flatMap(({ stand, untilDay }) => {
    const stage = forecasts.get(stand.id)?.stages.find((item) => item.bbch === 61)?.date
    if (
      !stage?.quantiles ||
      stage.chance < 0.5 ||
      stage.quantiles.p50 > untilDay ||
      stage.quantiles.p50 < sheet.firstDay ||
      stage.quantiles.p50 > sheet.lastDay
    )
      return []
    return [{ id: stand.id, flower: stage.quantiles }]
  })
  return (
    <svg
      className="pointer-events-none absolute top-0 overflow-visible"
      width={width}
      height={scale.height}
      aria-hidden="true"
    >
      {knots.map(({ id, flower }) => {
        const y = yOfDay(scale, sheet, flower.p50)
        return (
          <g key={id} stroke="var(--color-base-content)" transform={`translate(${width + 1} 0)`}>
            <line
              y1={yOfDay(scale, sheet, flower.p10)}
              y2={yOfDay(scale, sheet, flower.p90)}
              strokeWidth={1.4}
            />
            <path
              d={`M0 ${y - 4.5}L4 ${y}L0 ${y + 4.5}L-4 ${y}Z`}
              fill="var(--color-accent)"
              strokeWidth={1}
            />
          </g>
        )
      })}
    </svg>
  )
}
