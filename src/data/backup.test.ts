import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { marlpitLane } from '../demo/marlpitLane'
import { backupOf, notedExport, remindLater } from './backup'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { gardenWrites } from './gardenRecords'
import { importGarden } from './importGarden'
import { changed } from './writes'

const DAY = 864e5
const demo = marlpitLane()
const { id } = demo.garden
let db: KilimDatabase
beforeEach(async () => {
  db = new KilimDatabase(`backup-${Math.random()}`)
  await commit(db, id, 'Started', gardenWrites(demo))
})
afterEach(() => db.delete())
const state = async (now: number) => backupOf(await db.replicas.get(id), now)
const edit = async (lengthM: number) => {
  const fresh = (await db.beds.get(demo.beds[0].id))!
  await commit(db, id, 'Bed', [changed('beds', fresh, { lengthM })])
}

describe('when a garden is to be exported again', () => {
  test('never exported, a month after it came', async () => {
    const begun = (await db.replicas.get(id))!.begunAt!
    expect(await state(begun + 29 * DAY)).toMatchObject({ changes: 1, exportedAt: null, due: false })
    expect((await state(begun + 31 * DAY)).due).toBe(true)
  })
  test('exported, a month after that where anything changed since, else never', async () => {
    const at = Date.now()
    await notedExport(db, id, at)
    expect(await state(at + 400 * DAY)).toEqual({ changes: 0, exportedAt: at, due: false })
    await edit(3)
    expect((await state(at + 29 * DAY)).due).toBe(false)
    expect(await state(at + 31 * DAY)).toEqual({ changes: 1, exportedAt: at, due: true })
  })
  test('come from a file, not before something is changed', async () => {
    const file = {
      ...demo,
      garden: { ...demo.garden, id: 'garden-far' },
      weather: [],
      lots: [],
      pictures: [],
    }
    const from = await importGarden(db, file, null, 'new')
    const garden = from.ok ? from.value.gardenId : ''
    expect(backupOf(await db.replicas.get(garden), Date.now() + 400 * DAY)).toMatchObject({
      changes: 0,
      exportedAt: expect.any(Number),
      due: false,
    })
  })
  test('after two hundred changes at once', async () => {
    const replica = (await db.replicas.get(id))!
    const { count } = replica
    expect(backupOf({ ...replica, count: count + 199 }, Date.now()).due).toBe(false)
    expect(backupOf({ ...replica, count: count + 200 }, Date.now()).due).toBe(true)
  })
  test('put off, in a week; what was noted outlives the next change', async () => {
    const begun = (await db.replicas.get(id))!.begunAt!
    const later = begun + 31 * DAY
    await remindLater(db, id, later)
    await edit(3)
    expect((await state(later + 6 * DAY)).due).toBe(false)
    expect((await state(later + 8 * DAY)).due).toBe(true)
    expect((await db.replicas.get(id))!.begunAt).toBe(begun)
  })
  test('of a garden that is not known nothing is asked', () =>
    expect(backupOf(undefined, Date.now())).toEqual({ changes: 0, exportedAt: null, due: false }))
})
