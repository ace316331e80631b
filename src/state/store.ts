import { configureStore } from '@reduxjs/toolkit'
import { useDispatch, useSelector } from 'react-redux'
import { sessionSlice } from './session'

export function createStore() {
  return configureStore({
    reducer: { session: sessionSlice.reducer },
  })
}

export type Store = ReturnType<typeof createStore>
export type RootState = ReturnType<Store['getState']>
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>()
export const useAppSelector = useSelector.withTypes<RootState>()
