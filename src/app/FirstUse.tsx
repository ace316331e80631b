import { useLocation } from 'react-router'
import { roomsKnown } from '../state/session'
import { useAppDispatch, useAppSelector } from '../state/store'
import { FIRST_USE } from '../text/help'

/** A line that says what a room is for, until it is put away. */
export function FirstUse() {
  const { pathname } = useLocation()
  const known = useAppSelector((state) => state.session.known)
  const dispatch = useAppDispatch()
  const here = FIRST_USE.find(({ holds }) => holds.test(pathname))
  if (!here || known.includes(here.id)) return null
  return (
    <p
      className="no-print mt-1 flex min-h-9 flex-wrap items-center gap-x-3 border-l-2 border-accent pl-3"
      role="note"
      data-testid="first-use"
    >
      <span>{here.line}</span>
      <span className="flex gap-1">
        <button className="btn btn-ghost btn-sm" onClick={() => dispatch(roomsKnown([here.id]))}>
          Got it
        </button>
        <button
          className="btn btn-ghost btn-sm"
          onClick={() => dispatch(roomsKnown(FIRST_USE.map(({ id }) => id)))}
        >
          Hide tips
        </button>
      </span>
    </p>
  )
}
