import { strFromU8, strToU8, unzip, zip, type Unzipped, type Zippable } from 'fflate'
import { failure, success, type Outcome } from '../core/foundations/outcome'
import type { PictureBytes } from './database'

const GARDEN_ENTRY = 'garden.kilim.json'
const entryOf = (id: string, size: 'full' | 'small') => `pictures/${size}/${encodeURIComponent(id)}.jpg`

/** A garden file with the bytes of its pictures in one zip. */
export function writeArchive(gardenText: string, pictures: readonly PictureBytes[]): Promise<Uint8Array> {
  const files: Zippable = { [GARDEN_ENTRY]: strToU8(gardenText) }
  // Pictures are compressed already.
  for (const { id, full, small } of pictures) {
    files[entryOf(id, 'full')] = [full, { level: 0 }]
    files[entryOf(id, 'small')] = [small, { level: 0 }]
  }
  return new Promise((resolve, reject) =>
    zip(files, (error, bytes) => (error ? reject(error) : resolve(bytes))),
  )
}

const ZIP_START = [0x50, 0x4b]
/** Whether bytes begin as a zip does. */
export const isArchive = (bytes: Uint8Array) => ZIP_START.every((byte, i) => bytes[i] === byte)

/** Takes an archive apart: the garden's text and the bytes of its pictures by id. */
export async function readArchive(
  bytes: Uint8Array,
): Promise<Outcome<{ text: string; pictures: Map<string, Omit<PictureBytes, 'id'>> }>> {
  let files: Unzipped
  try {
    files = await new Promise((resolve, reject) =>
      unzip(bytes, (error, found) => (error ? reject(error) : resolve(found))),
    )
  } catch {
    return failure({
      path: '',
      code: 'not-zip',
      message: 'The zip file is broken. Copy it again, or choose another file.',
    })
  }
  const garden = files[GARDEN_ENTRY]
  if (!garden)
    return failure({
      path: GARDEN_ENTRY,
      code: 'foreign',
      message: `This zip holds no ${GARDEN_ENTRY}. Choose a file that Kilim exported.`,
    })
  const pictures = new Map<string, Omit<PictureBytes, 'id'>>()
  for (const [name, full] of Object.entries(files)) {
    const id = /^pictures\/full\/(.+)\.jpg$/.exec(name)?.[1]
    const small = id && files[`pictures/small/${id}.jpg`]
    if (id && small)
      pictures.set(decodeURIComponent(id), { full: new Uint8Array(full), small: new Uint8Array(small) })
  }
  return success({ text: strFromU8(garden), pictures })
}
