import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, type RefObject } from 'react'
import type { LoomLayout } from './layout'

/** Beds up to which all columns stand on the page, so that all of it can be printed, searched and heard. */
const ALL_UP_TO = 40
/** Columns made ready on either side of those in sight. */
const BESIDE = 4

/** Places of the columns that stand on the page: those in sight where beds are many. The one at the cursor is brought into sight. */
export function useShownColumns(
  frame: RefObject<HTMLElement | null>,
  { columns, width }: LoomLayout,
  cursorColumn: number,
): ReadonlySet<number> {
  const many = columns.length > ALL_UP_TO
  const virtual = useVirtualizer({
    horizontal: true,
    enabled: many,
    count: columns.length,
    getScrollElement: () => frame.current,
    estimateSize: (i) => (columns[i + 1]?.left ?? width) - columns[i].left,
    paddingStart: columns[0]?.left ?? 0,
    overscan: BESIDE,
  })
  useEffect(() => {
    if (many) virtual.scrollToIndex(cursorColumn, { align: 'auto' })
  }, [many, virtual, cursorColumn])
  return new Set(many ? virtual.getVirtualItems().map(({ index }) => index) : columns.keys())
}
