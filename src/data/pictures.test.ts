import { afterEach, beforeEach, expect, test } from '@jest/globals'
import { DEMO_GARDENS } from '../demo'
import { commit, undo, type Write } from './commit'
import { KilimDatabase } from './database'
import { isArchive, readArchive, writeArchive } from './gardenArchive'
import { gardenWrites, readGardenFile, writeGardenFile } from './gardenFile'
import { loadGarden, loadKept } from './gardens'
import { pictureRoom, picturesOfBed, sweepPictures } from './pictures'

let db: KilimDatabase
const demo = DEMO_GARDENS['harrier-point']()
const gardenId = demo.garden.id
const bedId = demo.beds[0].id
const bytes = { full: new Uint8Array([1, 2, 3, 4]), small: new Uint8Array([5]) }
const taken = (id: string, date: string): Write => ({
  table: 'pictures',
  put: { id, gardenId, bedId, standId: null, date, widthPx: 4, heightPx: 3, bytes: 5, caption: '' },
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
