import { afterEach, expect, test } from '@jest/globals'
import Dexie from 'dexie'
import { GARDEN_SCHEMA_VERSION } from '../core/garden/version'
import { marlpitLane } from '../demo/marlpitLane'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { gardenWrites } from './gardenRecords'
import { openStorage, rescued } from './opening'
import { storageProblem } from './problems'

let name = ''
let made = 0
const fresh = () => new KilimDatabase((name = `opening-${++made}`))
afterEach(() => Dexie.delete(name))

/** A version that this one does not know. */
const NEWER = GARDEN_SCHEMA_VERSION + 1

async function ofNewerKilim(): Promise<void> {
  const db = fresh()
  await commit(db, 'marlpit-lane', 'Open', gardenWrites(marlpitLane()))
  db.close()
  const newer = new KilimDatabase(name)
  newer.version(NEWER).stores({ harvests: 'id' })
  await newer.open()
  newer.close()
}

test('a storage of today opens, and stays so when it is opened again', async () => {
  await openStorage(fresh())
  const again = new KilimDatabase(name)
  await openStorage(again)
  expect(again.isOpen()).toBe(true)
  again.close()
})
test('one that a newer Kilim has written is left alone, and can be saved as it is', async () => {
  await ofNewerKilim()
  const old = new KilimDatabase(name)
  await expect(openStorage(old)).rejects.toMatchObject({
    problems: [{ code: 'newer', message: expect.stringMatching(/A newer Kilim has written/) }],
  })
  expect(old.isOpen()).toBe(false)
  const saved = JSON.parse((await rescued(name))!) as {
    version: number
    stores: Record<string, { id: string }[]>
  }
  expect(saved.version).toBe(NEWER * 10)
  expect(saved.stores.beds).toHaveLength(14)
  expect(Object.keys(saved.stores)).toContain('harvests')
  expect(saved.stores).not.toHaveProperty('undo')
})
test('one that never opens is told so', async () => {
  const db = fresh()
  db.open = () => new Promise(() => undefined) as never
  await expect(openStorage(db, 20)).rejects.toMatchObject({
    problems: [{ code: 'silent', message: expect.stringMatching(/has not opened/) }],
  })
})
test('where nothing is stored there is nothing to save, and nothing is made', async () => {
  name = 'opening-none'
  expect(await rescued(name)).toBeNull()
  expect(await Dexie.getDatabaseNames()).not.toContain(name)
})
test('a tab that a newer one has shut out says to reload', () => {
  expect(storageProblem(new Dexie.DatabaseClosedError())).toMatchObject({
    code: 'closed',
    message: expect.stringMatching(/Reload/),
  })
})
