import type { Entry, FileEntry } from '@zip.js/zip.js/lib/zip-core-native.js'
import { failure, success, type Outcome } from '../core/foundations/outcome'
import type { PictureBytes } from './database'
import { Refusal } from './problems'

/** Loaded only where a zip is read or written. */
const zipLibrary = () => import('@zip.js/zip.js/lib/zip-core-native.js')
/** Pictures and a garden's text are small; the page itself does the work, without workers of the library's own. */
const HERE = { useWebWorkers: false } as const

const GARDEN_ENTRY = 'garden.kilim.json'
const entryOf = (id: string, size: 'full' | 'small') => `pictures/${size}/${encodeURIComponent(id)}.jpg`

/** Most that is taken out of a zip: entries, bytes of one, bytes of all together. */
export type ArchiveLimits = { entries: number; entryBytes: number; bytes: number }
const LIMITS: ArchiveLimits = { entries: 40_010, entryBytes: 300_000_000, bytes: 1_500_000_000 }

/** A garden file with the bytes of its pictures in one zip. */
export async function writeArchive(
  gardenText: string,
  pictures: readonly PictureBytes[],
): Promise<Uint8Array<ArrayBuffer>> {
  const { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } = await zipLibrary()
  const zip = new ZipWriter(new Uint8ArrayWriter(), HERE)
  await zip.add(GARDEN_ENTRY, new TextReader(gardenText))
  for (const { id, ...sizes } of pictures)
    for (const size of ['full', 'small'] as const)
      // Pictures are compressed already.
      await zip.add(entryOf(id, size), new Uint8ArrayReader(sizes[size]), { level: 0 })
  return new Uint8Array(await zip.close())
}

/** Texts by the names of their files in one zip. */
export async function zipOf(
  files: readonly { name: string; text: string }[],
): Promise<Uint8Array<ArrayBuffer>> {
  const { TextReader, Uint8ArrayWriter, ZipWriter } = await zipLibrary()
  const zip = new ZipWriter(new Uint8ArrayWriter(), HERE)
  for (const { name, text } of files) await zip.add(name, new TextReader(text))
  return new Uint8Array(await zip.close())
}

const ZIP_START = [0x50, 0x4b]
/** Whether bytes begin as a zip does. */
export const isArchive = (bytes: Uint8Array) => ZIP_START.every((byte, i) => bytes[i] === byte)

const refused = (path: string, code: string, message: string) => new Refusal({ path, code, message })

/** The bytes of an entry, checked against its checksum; stops as soon as more comes out than is allowed. */
async function inflate(entry: FileEntry, allowed: number): Promise<Uint8Array<ArrayBuffer>> {
  const pieces: Uint8Array<ArrayBuffer>[] = []
  let size = 0
  const sink = new WritableStream<Uint8Array<ArrayBuffer>>({
    write(piece) {
      size += piece.length
      if (size > allowed)
        throw refused(
          entry.filename,
          'too-large',
          `${entry.filename} unpacks to more than a garden holds. The zip was not opened further; choose another file.`,
        )
      pieces.push(piece)
    },
  })
  await entry.getData(sink, { ...HERE, checkSignature: true })
  const bytes = new Uint8Array(size)
  let at = 0
  for (const piece of pieces) {
    bytes.set(piece, at)
    at += piece.length
  }
  return bytes
}

/** The id in a picture's name; null for names that no Kilim wrote. */
function pictureId(name: string): string | null {
  const coded = /^pictures\/full\/(.+)\.jpg$/.exec(name)?.[1]
  try {
    return coded === undefined ? null : decodeURIComponent(coded)
  } catch {
    return null
  }
}

async function entriesOf(bytes: Uint8Array, limits: ArchiveLimits): Promise<Map<string, FileEntry>> {
  const { Uint8ArrayReader, ZipReader } = await zipLibrary()
  const zip = new ZipReader(new Uint8ArrayReader(bytes), HERE)
  const found = new Map<string, FileEntry>()
  let count = 0
  for await (const entry of zip.getEntriesGenerator() as AsyncIterable<Entry>) {
    if (++count > limits.entries)
      throw refused('', 'too-many', `The zip holds more than ${limits.entries} files. Choose another file.`)
    if (!entry.directory) found.set(entry.filename, entry)
  }
  return found
}

type Unpacked = { text: string; pictures: Map<string, Omit<PictureBytes, 'id'>> }

async function unpack(bytes: Uint8Array, limits: ArchiveLimits): Promise<Unpacked> {
  const entries = await entriesOf(bytes, limits)
  const garden = entries.get(GARDEN_ENTRY)
  if (!garden)
    throw refused(
      GARDEN_ENTRY,
      'foreign',
      `This zip holds no ${GARDEN_ENTRY}. Choose a file that Kilim exported.`,
    )
  let left = limits.bytes
  async function take(entry: FileEntry) {
    const taken = await inflate(entry, Math.min(left, limits.entryBytes))
    left -= taken.length
    return taken
  }
  const text = new TextDecoder().decode(await take(garden))
  const pictures: Unpacked['pictures'] = new Map()
  for (const [name, full] of entries) {
    const id = pictureId(name)
    const small = id === null ? undefined : entries.get(name.replace('/full/', '/small/'))
    if (id !== null && small) pictures.set(id, { full: await take(full), small: await take(small) })
  }
  return { text, pictures }
}

/**
 * Takes an archive apart: the garden's text and the bytes of its pictures by id. Every piece is checked against its
 * checksum, and unpacking stops where a zip holds more than a garden does.
 */
export async function readArchive(bytes: Uint8Array, limits = LIMITS): Promise<Outcome<Unpacked>> {
  try {
    return success(await unpack(bytes, limits))
  } catch (error) {
    if (error instanceof Refusal) return failure(...error.problems)
    return failure({
      path: '',
      code: 'not-zip',
      message: 'The zip file is broken. Copy it again, or choose another file.',
    })
  }
}
