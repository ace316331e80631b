import { createSlice, type PayloadAction } from '@reduxjs/toolkit'

export type Theme = 'system' | 'light' | 'dark' | 'outdoors'
export type Amounts = 'bed' | 'area'

/** A half-filled form: which version of the form it is of, and when it was last written, ms since 1970. */
export type Draft = { version: number; at: number; value: unknown }

/** What a reload must not lose but the garden does not own: which garden is open, the demo clocks, drafts, the theme. */
export type SessionState = {
  gardenId: string | null
  /** Day shown by each demo garden's clock, as ISO dates. */
  demoDays: Record<string, string>
  /** Half-filled forms of this tab, by name. */
  drafts: Record<string, Draft>
  /** Forms half filled in tabs that are closed, by name; kept by what keeps the session, not with it. */
  offers: Record<string, Draft & { keys: string[] }>
  theme: Theme
  /** Whether what grows and lies there is told for the bed, or per acre or hectare. */
  amounts: Amounts
  /** Rooms whose line for the first use was put away. */
  known: string[]
  /** The demo's station is made to fall silent, to see what follows. */
  stationSilent: boolean
  /** Jobs written into the last calendar file of each garden, with how often each was changed. */
  calendars: Record<string, Record<string, { day: number; title: string; sequence: number }>>
}

const initialState: SessionState = {
  gardenId: null,
  demoDays: {},
  drafts: {},
  offers: {},
  theme: 'system',
  amounts: 'bed',
  known: [],
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
    draftKept: {
      prepare: ({ name, value, version = 1 }: { name: string; value: unknown; version?: number }) => ({
        payload: { name, draft: { version, at: Date.now(), value } },
      }),
      reducer(state, { payload }: PayloadAction<{ name: string; draft: Draft }>) {
        state.drafts[payload.name] = payload.draft
      },
    },
    draftDropped(state, action: PayloadAction<string>) {
      delete state.drafts[action.payload]
    },
    offersFound(state, action: PayloadAction<SessionState['offers']>) {
      state.offers = action.payload
    },
    offerTaken(state, { payload: name }: PayloadAction<string>) {
      const { version, at, value } = state.offers[name]
      state.drafts[name] = { version, at, value }
      delete state.offers[name]
    },
    offerLeft(state, action: PayloadAction<string>) {
      delete state.offers[action.payload]
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
    roomsKnown(state, action: PayloadAction<readonly string[]>) {
      state.known = [...new Set([...state.known, ...action.payload])]
    },
    themeChosen(state, action: PayloadAction<Theme>) {
      state.theme = action.payload
    },
    amountsChosen(state, action: PayloadAction<Amounts>) {
      state.amounts = action.payload
    },
  },
})

export const {
  restored,
  gardenOpened,
  demoClockSet,
  draftKept,
  draftDropped,
  offersFound,
  offerTaken,
  offerLeft,
  stationSilenced,
  calendarWritten,
  roomsKnown,
  themeChosen,
  amountsChosen,
} = sessionSlice.actions
