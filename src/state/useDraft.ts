import { useCallback } from 'react'
import { draftDropped, draftKept, offerLeft, offerTaken } from './session'
import { useAppDispatch, useAppSelector } from './store'

/** What was begun in a tab that is no longer open: when it was last written, and how it is gone on with or thrown away. */
export type Offer = { at: number; take: () => void; leave: () => void }

/**
 * A half-filled form under a name, kept over reloads until it is stored or dropped. One that a closed tab left, or a tab
 * before a crash, is offered; one of another version of the form is not.
 *
 * @param version of what is kept; raised when it comes to mean something else
 */
export function useDraft<T>(name: string, version = 1) {
  const dispatch = useAppDispatch()
  const own = useAppSelector((state) => state.session.drafts[name])
  const left = useAppSelector((state) => state.session.offers[name])
  const keep = useCallback(
    (value: T) => void dispatch(draftKept({ name, value, version })),
    [dispatch, name, version],
  )
  const drop = useCallback(() => void dispatch(draftDropped(name)), [dispatch, name])
  const offer: Offer | null =
    left?.version === version
      ? {
          at: left.at,
          take: () => void dispatch(offerTaken(name)),
          leave: () => void dispatch(offerLeft(name)),
        }
      : null
  return { draft: own?.version === version ? (own.value as T) : undefined, keep, drop, offer }
}
