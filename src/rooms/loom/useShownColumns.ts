import { useState } from 'react'
import type { LoomLayout } from './layout'

/** Beds up to which all columns stand on the page, so that all of it can be printed, searched and heard. */
const ALL_UP_TO = 40
/** Columns that stand there until it is known which are in sight. */
const AT_FIRST = 16

/** Places of the columns that stand on the page: those in sight where beds are many, as `ColumnsInSight` tells them. */
export function useShownColumns({ columns }: LoomLayout) {
  const many = columns.length > ALL_UP_TO
  const [inSight, setInSight] = useState<readonly number[] | null>(null)
  const shown: ReadonlySet<number> = new Set(
    many ? (inSight ?? [...columns.keys()].slice(0, AT_FIRST)) : columns.keys(),
  )
  return { many, shown, setInSight }
}
