import { createSlice, type PayloadAction } from '@reduxjs/toolkit'

export type Theme = 'system' | 'light' | 'dark'

/** What a reload must not lose but the garden does not own: which garden is open, the demo clocks, drafts, the theme. */
export type SessionState = {
  gardenId: string | null
  /** Day shown by each demo garden's clock, as ISO dates. */
  demoDays: Record<string, string>
  /** Half-filled forms by name. */
  drafts: Record<string, unknown>
  theme: Theme
  /** The demo's station is made to fall silent, to see what follows. */
  stationSilent: boolean
  /** Jobs written into the last calendar file of each garden, with how often each was changed. */
  calendars: Record<string, Record<string, { day: number; title: string; sequence: number }>>
}

const initialState: SessionState = {
  gardenId: null,
  demoDays: {},
  drafts: {},
  theme: 'system',
  stationSilent: false,
  calendars: {},
}

export const sessionSlice = createSlice({
  name: 'session',
  initialState,
  reducers: {
    restored: (_state, action: PayloadAction<Partial<SessionState>>) => ({
      ...initialState,
      ...action.payload,
    }),
    gardenOpened(state, action: PayloadAction<string>) {
      state.gardenId = action.payload
    },
    demoClockSet(state, action: PayloadAction<{ gardenId: string; date: string }>) {
      state.demoDays[action.payload.gardenId] = action.payload.date
    },
    draftKept(state, action: PayloadAction<{ name: string; value: unknown }>) {
      state.drafts[action.payload.name] = action.payload.value
    },
    draftDropped(state, action: PayloadAction<string>) {
      delete state.drafts[action.payload]
    },
    stationSilenced(state, action: PayloadAction<boolean>) {
      state.stationSilent = action.payload
    },
    calendarWritten(
      state,
      action: PayloadAction<{ gardenId: string; jobs: SessionState['calendars'][string] }>,
    ) {
      state.calendars[action.payload.gardenId] = action.payload.jobs
    },
    themeChosen(state, action: PayloadAction<Theme>) {
      state.theme = action.payload
    },
  },
})

export const {
  restored,
  gardenOpened,
  demoClockSet,
  draftKept,
  draftDropped,
  stationSilenced,
  calendarWritten,
  themeChosen,
} = sessionSlice.actions
