import { configureStore } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import { resultsSlice } from './results'
import { sessionSlice } from './session'

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
