import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, type RefObject } from 'react'
import type { LoomLayout } from './layout'

/** Columns made ready on either side of those in sight. */
const BESIDE = 4

/** Tells which of many columns are in sight, and brings the one at the cursor there; it draws nothing. */
export function ColumnsInSight({
  frame,
  layout: { columns, width },
  cursorColumn,
  onSight,
}: {
  frame: RefObject<HTMLElement | null>
  layout: LoomLayout
  cursorColumn: number
  onSight: (places: readonly number[]) => void
}) {
  const virtual = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => frame.current,
    estimateSize: (i) => (columns[i + 1]?.left ?? width) - columns[i].left,
    paddingStart: columns[0]?.left ?? 0,
    overscan: BESIDE,
  })
  useEffect(() => virtual.scrollToIndex(cursorColumn, { align: 'auto' }), [virtual, cursorColumn])
  const places = virtual
    .getVirtualItems()
    .map(({ index }) => index)
    .join(' ')
  useEffect(() => onSight(places.split(' ').filter(Boolean).map(Number)), [places, onSight])
  return null
}
