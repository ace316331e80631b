import { Sprout } from 'lucide-react'
import { lazy, memo, Suspense, useContext } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { latest } from '../../core/garden/timeline'
import { Link } from 'react-router'
import type { StandForecast } from '../../core/season/standForecast'
import type { LightWindow } from '../../core/choosing/lightWindows'
import type { BedWindow } from '../../core/garden/windows'
import { longDate, shortDate } from '../../text/format'
import { StripCanvas } from '../../parts/weave/StripCanvas'
import { useGarden } from '../../state/garden'
import { late, whenIdle } from '../../state/late'
import { useBedCloth } from '../../parts/weave/useBedCloth'
import { placeLabel, standWords } from './labels'
import { clipToSheet, yOfDay, type Column, type Scale } from './layout'
import { AreaButton, Words, type Area } from './StandArea'
import { SayGrowing } from './sheetLayout'
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
            key={light.standId}
            light={light}
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
            aria-label={`${entry.bed.label} is not woven: ${failure.error} Try again`}
            onClick={failure.retry}
          >
            not woven
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

type RegionProps = { entry: LoomBed; sheet: SheetDays; scale: Scale; width: number; todayY: number }

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

/** Gaps shorter than this are not worth a name on the sheet. */
const NAMED_GAP_WEEKS = 2

function Gap({ window, entry, sheet, scale, width, todayY }: RegionProps & { window: BedWindow }) {
  const clip = clipToSheet(scale, sheet, window.freeFromDay, window.neededByDay)
  const weeks = Math.round((window.neededByDay - Math.max(window.freeFromDay, sheet.firstDay)) / 7)
  if (!clip || weeks < NAMED_GAP_WEEKS) return null
  const lines = width >= 72 ? [`${weeks} wk bare`] : [`${weeks} wk`, 'bare']
  const placed =
    placeLabel(lines, clip.top, clip.bottom, todayY, false) ??
    placeLabel([`${weeks} wk`], clip.top, clip.bottom, todayY)
  const open = window.neededByDay > sheet.today
  const name = `${entry.bed.label}: bare ${weeks} weeks, ${shortDate(window.freeFromDay)} to ${shortDate(window.neededByDay)}`
  return (
    <>
      {open ? (
        <Link
          to={`/choose/${entry.bed.id}?day=${Math.max(window.freeFromDay, sheet.today)}`}
          className="loom-gap absolute left-0"
          style={{ top: clip.top + 1, width, height: clip.bottom - clip.top - 2 }}
          aria-label={`${name}. Choose a cover`}
          title={`${name}. Choose a cover`}
        />
      ) : (
        <span
          className="loom-gap is-past absolute left-0"
          style={{ top: clip.top + 1, width, height: clip.bottom - clip.top - 2 }}
          title={name}
        />
      )}
      {placed && <Words placed={placed} italic />}
      {window.freeFromDay <= sheet.today && open && width >= GROWING_PX && (
        <GrowsHere bed={entry.bed} top={todayY} width={width} />
      )}
    </>
  )
}

/** Size of the mark in a bare bed that says that something grows there, px, and how far under today it lies. */
const GROWING_PX = 26
const GROWING_BELOW_PX = 6

/** In a bare bed, beneath today: something grows here that Kilim does not know of. */
function GrowsHere({ bed, top, width }: { bed: LoomBed['bed']; top: number; width: number }) {
  const say = useContext(SayGrowing)
  const name = `A cover grows in ${bed.label} already`
  return (
    <button
      type="button"
      className="absolute z-30 flex items-center justify-center border border-base-content/60 bg-base-100 hover:bg-base-200"
      style={{
        top: top + GROWING_BELOW_PX,
        left: (width - GROWING_PX) / 2,
        width: GROWING_PX,
        height: GROWING_PX,
      }}
      aria-label={name}
      title={name}
      onClick={() => say(bed.id)}
    >
      <Sprout size={16} aria-hidden="true" />
    </button>
  )
}

/** Width of the thread of light, and of what can be pressed about it, px. */
const THREAD_PX = 3
const THREAD_REACH_PX = 12

/** From when on a cover can be sown under a crop, until its light returns; pressing it asks what fits. */
function ThreadOfLight({
  light,
  entry,
  sheet,
  scale,
  width,
}: Omit<RegionProps, 'todayY'> & { light: LightWindow }) {
  const sow = clipToSheet(scale, sheet, light.sowFromDay, light.sowUntilDay)
  const all = clipToSheet(scale, sheet, light.sowFromDay, light.lightDay)
  if (!sow || !all) return null
  const name = `${entry.bed.label}: sow under ${light.crop.name.toLowerCase()} from ${shortDate(light.sowFromDay)} to ${shortDate(light.sowUntilDay)}, light returns ${shortDate(light.lightDay)}, ${light.recoveredWeeks} bare weeks recovered`
  return (
    <Link
      to={`/choose/${entry.bed.id}?day=${light.sowFromDay}&under=${light.standId}`}
      className="loom-light absolute"
      style={{
        top: all.top,
        left: width - THREAD_REACH_PX,
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
