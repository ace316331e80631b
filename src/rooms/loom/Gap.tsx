import { Sprout } from 'lucide-react'
import { useContext } from 'react'
import { Link } from 'react-router'
import type { BedWindow } from '../../core/garden/windows'
import { shortDate } from '../../text/format'
import { placeLabel } from './labels'
import { clipToSheet, type RegionProps } from './layout'
import { SayGrowing } from './sheetLayout'
import { Words } from './StandArea'
import type { LoomBed } from './useLoom'

/** Gaps shorter than this are not worth a name on the sheet. */
const NAMED_GAP_WEEKS = 2

export function Gap({ window, entry, sheet, scale, width, todayY }: RegionProps & { window: BedWindow }) {
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
