import { useSyncExternalStore, type ReactNode } from 'react'
import { ChangeFold } from './ChangeFold'

/** Narrower than this a room has one column, and its answer comes before its question. */
const TWO_COLUMNS = '(min-width: 64rem)'

function listen(told: () => void) {
  const query = matchMedia(TWO_COLUMNS)
  query.addEventListener('change', told)
  return () => query.removeEventListener('change', told)
}

/** A question beside its answer; on a phone one line of it, with the fields behind, so that the answer comes first. */
export function NarrowFold({
  known,
  open,
  action,
  children,
}: {
  known: ReactNode
  open: boolean
  action?: string
  children: ReactNode
}) {
  const wide = useSyncExternalStore(listen, () => matchMedia(TWO_COLUMNS).matches)
  return wide ? (
    children
  ) : (
    <ChangeFold known={known} open={open} action={action}>
      {children}
    </ChangeFold>
  )
}
