import { configureStore } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import type { KilimDatabase } from '../data/database'
import { resultsSlice } from './results'
import { restored, sessionSlice, type SessionState } from './session'

export function createStore() {
  return configureStore({
    reducer: { session: sessionSlice.reducer, results: resultsSlice.reducer },
    // Results hold long number series; walking them on every action would block the page.
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }),
  })
}

export type Store = ReturnType<typeof createStore>
export type RootState = ReturnType<Store['getState']>
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>()
export const useAppSelector = useSelector.withTypes<RootState>()

const SESSION_KEY = 'session'

/** Restores the session kept in the database, then keeps it there whenever it changes. */
export async function persistSession(store: Store, db: KilimDatabase): Promise<void> {
  const kept = await db.session.get(SESSION_KEY)
  if (kept) store.dispatch(restored(kept.value as SessionState))
  let last = store.getState().session
  store.subscribe(() => {
    const { session } = store.getState()
    if (session === last) return
    last = session
    db.session
      .put({ key: SESSION_KEY, value: session })
      .catch((error: unknown) => console.error('The session could not be kept', error))
  })
}
