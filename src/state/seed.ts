import { useLiveQuery } from 'dexie-react-hooks'
import type { SeedLot } from '../core/garden/seed'
import { database } from '../data/database'
import { loadLots } from '../data/gardens'
import { useGarden } from './garden'

/** The garden's seed lots, oldest first; undefined while they load. */
export function useLoadedLots(): SeedLot[] | undefined {
  const { data } = useGarden()
  return useLiveQuery(() => loadLots(database, data.garden.id), [data.garden.id], undefined)
}

const NONE: SeedLot[] = []

/** The garden's seed lots, oldest first; empty while they load. */
export const useLots = (): SeedLot[] => useLoadedLots() ?? NONE
