import { createSlice, type PayloadAction } from '@reduxjs/toolkit'

/** A calculation by the hash of its input. */
export type Result =
  | { status: 'running'; progress: number; soFar?: unknown }
  | { status: 'done'; value: unknown }
  | { status: 'failed'; message: string }

/** `latest` keeps the last value under a name, to be shown while a new one is computed. */
type ResultsState = { byKey: Record<string, Result>; order: string[]; latest: Record<string, unknown> }

/** Results kept in memory: more than the stands of two hundred beds, so that none pushes out another on the same sheet. */
const KEEP = 1500

export const resultsSlice = createSlice({
  name: 'results',
  initialState: { byKey: {}, order: [], latest: {} } as ResultsState,
  reducers: {
    began(state, action: PayloadAction<string>) {
      state.byKey[action.payload] = { status: 'running', progress: 0 }
    },
    progressed(state, action: PayloadAction<{ key: string; progress: number; soFar?: unknown }>) {
      const { key, progress, soFar } = action.payload
      const result = state.byKey[key]
      if (result?.status !== 'running') return
      result.progress = progress
      if (soFar !== undefined) result.soFar = soFar
    },
    finished(state, action: PayloadAction<{ key: string; value: unknown; name?: string }>) {
      const { key, value, name } = action.payload
      if (name) state.latest[name] = value
      state.byKey[key] = { status: 'done', value }
      state.order.push(key)
      while (state.order.length > KEEP) delete state.byKey[state.order.shift()!]
    },
    failed(state, action: PayloadAction<{ key: string; message: string }>) {
      state.byKey[action.payload.key] = { status: 'failed', message: action.payload.message }
    },
    /** What failed is to be tried again, wherever it is shown: where one fails, most do. */
    failuresForgotten(state) {
      for (const [key, result] of Object.entries(state.byKey))
        if (result.status === 'failed') delete state.byKey[key]
    },
    /** A job that nobody waits for any more: as if it had never been asked. */
    takenBack(state, action: PayloadAction<string>) {
      if (state.byKey[action.payload]?.status === 'running') delete state.byKey[action.payload]
    },
  },
})

export const { began, progressed, finished, failed, failuresForgotten, takenBack } = resultsSlice.actions
