import { useState, type KeyboardEvent } from 'react'
import { useNavigate } from 'react-router'
import { startOfWeek } from '../../core/foundations/day'
import { windowAt, type BedWindow } from '../../core/garden/windows'
import type { Loom, LoomBed } from './useLoom'

export type Cursor = { column: number; day: number }
export type Spot = {
  entry: LoomBed
  day: number
  window: BedWindow | null
  stand: LoomBed['stands'][number] | null
}

/** What lies in a bed on a day. */
export function spotAt(loom: Loom, cursor: Cursor): Spot | null {
  const entry = loom.beds[cursor.column]
  if (!entry) return null
  const week = cursor.day + 3
  const stand =
    [...entry.stands].reverse().find((item) => week >= item.fromDay && week < item.untilDay) ?? null
  return { entry, day: cursor.day, window: windowAt(entry.windows, week), stand }
}

/** The bed and week picked by arrow keys, and what Enter and A do there. */
export function useCursor(loom: Loom, onAdd: (spot: Spot) => void) {
  const navigate = useNavigate()
  const [cursor, setCursor] = useState<Cursor>({ column: 0, day: startOfWeek(loom.today) })
  const move = (columns: number, weeks: number) =>
    setCursor(({ column, day }) => ({
      column: Math.min(loom.beds.length - 1, Math.max(0, column + columns)),
      day: Math.min(loom.lastDay - 7, Math.max(loom.firstDay, day + weeks * 7)),
    }))

  function open(spot: Spot) {
    if (spot.window && !spot.stand && spot.window.neededByDay > loom.today)
      void navigate(`/choose/${spot.entry.bed.id}?day=${Math.max(spot.window.freeFromDay, loom.today)}`)
    else void navigate(`/bed/${spot.entry.bed.id}`)
  }

  function onKeyDown(event: KeyboardEvent) {
    if (event.target !== event.currentTarget) return
    const steps: Record<string, () => void> = {
      ArrowLeft: () => move(-1, 0),
      ArrowRight: () => move(1, 0),
      ArrowUp: () => move(0, -1),
      ArrowDown: () => move(0, 1),
      PageUp: () => move(0, -4),
      PageDown: () => move(0, 4),
      Home: () => setCursor(({ column }) => ({ column, day: startOfWeek(loom.today) })),
      Enter: () => {
        const spot = spotAt(loom, cursor)
        if (spot) open(spot)
      },
      a: () => {
        const spot = spotAt(loom, cursor)
        if (spot) onAdd(spot)
      },
    }
    const act = steps[event.key]
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    act()
  }
  return { cursor, spot: spotAt(loom, cursor), onKeyDown, open }
}
