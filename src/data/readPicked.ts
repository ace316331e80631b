import { failure, success, type Outcome } from '../core/foundations/outcome'
import type { PictureBytes } from './database'
import { isArchive, readArchive } from './gardenArchive'
import { readGardenFile, type GardenFileData } from './gardenFile'

/** Largest file read, bytes. */
const LARGEST_FILE = 900_000_000

/** A garden file as it was picked, checked and not stored yet. */
export type PickedFile = {
  name: string
  file: GardenFileData
  pictures: Map<string, Omit<PictureBytes, 'id'>> | null
}

/** A file's bytes; null where the browser cannot read them. */
const bytesOf = (file: File): Promise<Uint8Array | null> =>
  file.arrayBuffer().then(
    (buffer) => new Uint8Array(buffer),
    () => null,
  )

/** Reads and checks a picked file; every refusal names the fix. */
export async function readPicked(picked: File): Promise<Outcome<PickedFile>> {
  if (picked.size > LARGEST_FILE)
    return failure({
      path: '',
      code: 'too-large',
      message: `The file is larger than ${LARGEST_FILE / 1e6} MB; a garden file never is. Choose another file.`,
    })
  const bytes = await bytesOf(picked)
  if (!bytes)
    return failure({
      path: '',
      code: 'unreadable',
      message: `${picked.name} could not be read. If it lies on a stick or in a cloud folder, copy it to this machine first.`,
    })
  const archive = isArchive(bytes)
    ? await readArchive(bytes)
    : success({ text: new TextDecoder().decode(bytes), pictures: null })
  if (!archive.ok) return archive
  const read = readGardenFile(archive.value.text)
  if (!read.ok) return read
  return success({ name: picked.name, file: read.value, pictures: archive.value.pictures })
}
