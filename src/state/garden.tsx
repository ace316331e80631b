import { useLiveQuery } from 'dexie-react-hooks'
import { createContext, use, useCallback, useEffect, useMemo, type ReactNode } from 'react'
import { notice } from './notices'
import type { Outcome } from '../core/foundations/outcome'
import { firstProblem } from '../core/foundations/outcome'
import type { GardenData } from '../core/garden/schema'
import type { WeatherSpec } from '../core/season/weatherSpec'
import type { WeatherYear } from '../core/garden/weatherYear'
import { database, type StationState } from '../data/database'
import { loadGarden } from '../data/gardens'
import { pressed } from '../data/pressed'
import type { Write } from '../data/writes'
import { useToday } from './clock'
import { late } from './late'
import { forgetPreloaded, preloadedOf } from './preloaded'
import { expectedOn, weatherSpecOf } from './season'
import { useStation, useWeatherRecord } from './station'
import { useAppSelector } from './store'
import { useShared } from './useShared'
import type { Step } from '../actions/step'

/**
 * `data` is what is stored, for showing and changing; `expected` the same with overdue plans moved to today, for
 * computing. `weather` are the observed years, `station` what a demo garden's station was last heard to say.
 */
type GardenContext = {
  data: GardenData
  expected: GardenData
  today: number
  spec: WeatherSpec
  weather: WeatherYear[]
  station: StationState | null
}

const Context = createContext<GardenContext | null>(null)

/** The open garden, its day and its weather; only inside rooms, where a garden is open. */
export function useGarden(): GardenContext {
  const value = use(Context)
  if (!value) throw new Error('No garden is open here.')
  return value
}

/** The units of the garden that is open; null where none is. */
export const useUnits = (): GardenData['garden']['units'] | null => use(Context)?.data.garden.units ?? null

/** Loads the open garden and hands it to the rooms; `fallback` shows while it loads or when there is none. */
export function GardenProvider({
  children,
  fallback,
}: {
  children: ReactNode
  fallback: (state: 'loading' | 'none') => ReactNode
}) {
  const gardenId = useAppSelector((state) => state.session.gardenId)
  const stored = useLiveQuery(
    () => (gardenId ? loadGarden(database, gardenId) : Promise.resolve(null)),
    [gardenId],
    preloadedOf(gardenId)?.data,
  )
  useEffect(forgetPreloaded, [])
  // After a write all is read again; what it did not touch stays the same record to all who show it.
  const data = useShared(stored)
  const today = useToday(data?.garden ?? null)
  const { weather, station, recordKey } = useWeatherRecord(gardenId, data?.garden ?? null)
  useStation(data?.garden ?? null, today, station)
  const expected = useShared(useMemo(() => data && expectedOn(data, today), [data, today]))
  const value = useMemo(() => {
    if (!data || !expected || !weather || station === undefined || recordKey === null) return null
    return { data, expected, today, weather, station, spec: weatherSpecOf(expected, today, recordKey) }
  }, [data, expected, today, weather, station, recordKey])
  if (value) return <Context value={value}>{children}</Context>
  return fallback(data === null ? 'none' : 'loading')
}

/** Takes back the one step that a toast spoke of, or says why it cannot; the value is whether it did. */
export async function takeBack(step: number): Promise<boolean> {
  const outcome = await pressed(database, { kind: 'undoStep', entryId: step })
  if (outcome.ok) notice.info(`Undone: ${outcome.value}`)
  else notice.error(firstProblem(outcome.problems))
  return outcome.ok
}

/** Stores writes as one undoable step, says so with a button that undoes that step, or says why not. */
export function useCommit(): (
  label: string,
  writes: readonly Write[],
  quiet?: boolean,
) => Promise<Outcome<number | null>> {
  const gardenId = useAppSelector((state) => state.session.gardenId) ?? ''
  const { units } = useGarden().data.garden
  return useCallback(
    async (label, writes, quiet) => {
      const store = (over: boolean) => pressed(database, { kind: 'commit', gardenId, label, writes, over })
      const outcome = await store(false)
      if (!outcome.ok && outcome.problems[0]?.meanwhile)
        void late(import('./meanwhile')).then(
          ({ sayMeanwhile }) => sayMeanwhile(outcome.problems, units, () => store(true), takeBack),
          () => notice.error(firstProblem(outcome.problems)),
        )
      else if (!outcome.ok) notice.error(firstProblem(outcome.problems))
      else if (outcome.value === null) notice.info('Nothing was changed.')
      else if (!quiet) {
        const step = outcome.value
        notice.success(label, { action: { label: 'Undo', onClick: () => void takeBack(step) } })
      }
      return outcome
    },
    [gardenId, units],
  )
}

/** Does one of the deeds of `actions`: stores its step, or says why not; the value is whether it was stored. */
export function useAct(): (step: Step, quiet?: boolean) => Promise<boolean> {
  const commit = useCommit()
  return useCallback(async ({ label, writes }, quiet) => (await commit(label, writes, quiet)).ok, [commit])
}

/** Takes back or repeats the last stored change and says which. */
export function useUndo(): (direction: 'undo' | 'redo') => Promise<void> {
  const gardenId = useAppSelector((state) => state.session.gardenId) ?? ''
  return useCallback(
    async (direction) => {
      const outcome = await pressed(database, { kind: direction, gardenId })
      if (!outcome.ok) notice.error(firstProblem(outcome.problems))
      else if (outcome.value === null)
        notice.info(direction === 'undo' ? 'Nothing left to undo.' : 'Nothing to redo.')
      else notice.info(`${direction === 'undo' ? 'Undone' : 'Done again'}: ${outcome.value}`)
    },
    [gardenId],
  )
}
