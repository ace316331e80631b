import { useLiveQuery } from 'dexie-react-hooks'
import { database } from '../../data/database'
import { newId } from '../../data/ids'
import type { PreparedPicture } from '../../compute/picture/picture'

/** A picture taken with a check that is not stored yet, under the id it will be kept under. */
export type TakenPicture = PreparedPicture & { id: string }
type Listed = Omit<TakenPicture, 'full' | 'small'>

/** The pictures of a check as its form holds them; none where it holds nothing that can be read. */
export function listedIn(text: string): Listed[] {
  if (text === '') return []
  try {
    return JSON.parse(text) as Listed[]
  } catch {
    return []
  }
}

/** Puts the bytes of a picture into the store, and gives what the form holds with it. */
export async function withPicture(text: string, picture: PreparedPicture): Promise<string> {
  const { full, small, ...size } = picture
  const id = newId('picture')
  await database.pictureBytes.put({ id, full, small })
  return JSON.stringify([...listedIn(text), { id, ...size }])
}

/** What the form holds without a picture; its bytes are cleared away with the next start. */
export const withoutPicture = (text: string, id: string): string => {
  const left = listedIn(text).filter((listed) => listed.id !== id)
  return left.length === 0 ? '' : JSON.stringify(left)
}

/** The pictures that a check's form holds, with their bytes. */
export function useTakenPictures(text: string): TakenPicture[] {
  const rows = useLiveQuery(
    () => database.pictureBytes.bulkGet(listedIn(text).map(({ id }) => id)),
    [text],
    [],
  )
  return listedIn(text).flatMap((listed) => {
    const bytes = rows.find((row) => row?.id === listed.id)
    return bytes ? [{ ...listed, full: bytes.full, small: bytes.small }] : []
  })
}
