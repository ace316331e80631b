import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { DEMO_GARDENS } from '../demo'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { isArchive, readArchive, writeArchive } from './gardenArchive'
import { readGardenFile, writeGardenFile } from './gardenFile'
import { gardenWrites } from './gardenRecords'
import { loadGarden, loadKept } from './gardens'
import { undo } from './undo'
import type { Write } from './writes'
import { pictureRoom, picturesOfBed, sweepPictures } from './pictures'

let db: KilimDatabase
const demo = DEMO_GARDENS['harrier-point']()
const gardenId = demo.garden.id
const bedId = demo.beds[0].id
const bytes = { full: new Uint8Array([1, 2, 3, 4]), small: new Uint8Array([5]) }
const taken = (id: string, date: string): Write => ({
  table: 'pictures',
  put: { id, gardenId, bedId, standId: null, date, widthPx: 4, heightPx: 3, bytes: 5, caption: '' },
  seen: null,
  bytes,
})

beforeEach(async () => {
  db = new KilimDatabase(`test-${Math.random()}`)
  await commit(db, gardenId, 'Open', gardenWrites(demo))
})
afterEach(() => db.delete())

test('a picture is stored with its bytes, listed by bed, and counted', async () => {
  await commit(db, gardenId, 'Two', [taken('a', '2026-01-02'), taken('b', '2026-01-05')])
  expect((await picturesOfBed(db, bedId)).map(({ id }) => id)).toEqual(['b', 'a'])
  expect((await db.pictureBytes.get('a'))?.full).toEqual(bytes.full)
  expect(await pictureRoom(db, gardenId)).toMatchObject({ pictures: 10, count: 2 })
})
test('undo of a removal finds the bytes; bytes no step needs are swept', async () => {
  await commit(db, gardenId, 'Take', [taken('a', '2026-01-02')])
  await commit(db, gardenId, 'Remove', [{ table: 'pictures', remove: 'a' }])
  expect(await sweepPictures(db)).toBe(0)
  await undo(db, gardenId)
  expect(await db.pictures.get('a')).toBeDefined()
  expect(await db.pictureBytes.get('a')).toBeDefined()
  await db.pictures.delete('a')
  await db.undo.clear()
  expect(await sweepPictures(db)).toBe(1)
  expect(await db.pictureBytes.count()).toBe(0)
})
test('bytes of a picture that a half-filled check holds are kept', async () => {
  await db.pictureBytes.put({ ...bytes, id: 'picture-held' })
  await db.session.put({ key: 'form tab check', value: { value: { pictures: '[{"id":"picture-held"}]' } } })
  expect(await sweepPictures(db)).toBe(0)
  await db.session.clear()
  expect(await sweepPictures(db)).toBe(1)
})
test('a refused check takes its picture with it', async () => {
  const bad = { ...taken('a', 'never'), bytes }
  expect((await commit(db, gardenId, 'Bad', [bad])).ok).toBe(false)
  expect(await db.pictureBytes.count()).toBe(0)
})
test('a garden travels as a zip with its pictures and is read back equal', async () => {
  await commit(db, gardenId, 'Take', [taken('a', '2026-01-02')])
  const data = { ...(await loadGarden(db, gardenId))!, ...(await loadKept(db, gardenId)) }
  const text = writeGardenFile(data, '2026-01-01T00:00:00Z')
  const archive = await writeArchive(text, await db.pictureBytes.toArray())
  expect(isArchive(archive)).toBe(true)
  const read = await readArchive(archive)
  if (!read.ok) throw new Error(read.problems[0].message)
  expect(read.value.text).toBe(text)
  expect(read.value.pictures.get('a')).toEqual(bytes)
  expect(readGardenFile(read.value.text)).toMatchObject({ ok: true, value: { pictures: [{ id: 'a' }] } })
})
test('broken and foreign zips are refused in words', async () => {
  expect(await readArchive(new Uint8Array([0x50, 0x4b, 3, 4, 9]))).toMatchObject({
    problems: [{ code: 'not-zip' }],
  })
  const other = await writeArchive('{}', [])
  expect((await readArchive(other)).ok).toBe(true)
  expect(isArchive(new TextEncoder().encode('{"format"'))).toBe(false)
})

describe('zips that are not what they seem', () => {
  const kept = { id: 'a', full: new Uint8Array(64).fill(7), small: new Uint8Array([5]) }
  const codeOf = async (bytes: Uint8Array, limits?: Parameters<typeof readArchive>[1]) => {
    const read = await readArchive(bytes, limits)
    return read.ok ? null : read.problems[0].code
  }
  test('a name that is no coded text is passed over', async () => {
    const { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } = await import('@zip.js/zip.js')
    const zip = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false })
    await zip.add('garden.kilim.json', new TextReader('{}'))
    for (const size of ['full', 'small'])
      await zip.add(`pictures/${size}/100%.jpg`, new Uint8ArrayReader(new Uint8Array([1])))
    const read = await readArchive(await zip.close())
    expect(read.ok && [...read.value.pictures.keys()]).toEqual([])
  })
  test('a picture’s id with a per cent sign comes back as it went', async () => {
    const read = await readArchive(await writeArchive('{}', [{ ...kept, id: '50% shade/a' }]))
    expect(read.ok && read.value.pictures.get('50% shade/a')?.small).toEqual(kept.small)
  })
  test('a byte that changed on the way is found by its checksum', async () => {
    const bytes = await writeArchive('{}', [kept])
    const at = bytes.findIndex((_, i) => bytes.subarray(i, i + 64).every((byte) => byte === 7))
    bytes[at + 10] = 8
    expect(await codeOf(bytes)).toBe('not-zip')
  })
  test('unpacking stops at more than a garden holds: in one piece, in all, or in number', async () => {
    const bytes = await writeArchive('x'.repeat(5000), [kept])
    expect(bytes.length).toBeLessThan(1500)
    const limits = { entries: 10, entryBytes: 10_000, bytes: 10_000 }
    expect(await codeOf(bytes, limits)).toBeNull()
    expect(await codeOf(bytes, { ...limits, entryBytes: 4000 })).toBe('too-large')
    expect(await codeOf(bytes, { ...limits, bytes: 5030 })).toBe('too-large')
    expect(await codeOf(bytes, { ...limits, entries: 2 })).toBe('too-many')
  })
})
