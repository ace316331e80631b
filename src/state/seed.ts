import { useLiveQuery } from 'dexie-react-hooks'
import type { SeedLot } from '../core/garden/seed'
import { database } from '../data/database'
import { loadLots } from '../data/gardens'
import { useGarden } from './garden'

/** The garden's seed lots, oldest first; empty while they load. */
export function useLots(): SeedLot[] {
  const { data } = useGarden()
  return useLiveQuery(() => loadLots(database, data.garden.id), [data.garden.id], [])
}
