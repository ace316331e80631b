import { useLiveQuery } from 'dexie-react-hooks'
import { database } from '../../data/database'
import { pictureRoom, type Room } from '../../data/pictures'
import { useGarden } from '../../state/garden'

/** Storage that the garden's pictures take, and what is left. */
export function useRoom(): Room | undefined {
  const { data } = useGarden()
  return useLiveQuery(() => pictureRoom(database, data.garden.id), [data.garden.id])
}
