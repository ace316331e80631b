import { expect, test } from '@jest/globals'
import { marlpitLane } from '../demo/marlpitLane'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { gardenWrites } from './gardenRecords'
import { SecondStore } from './secondStore'
import { printOf } from './testing/stored'
import { undo } from './undo'
import { changed } from './writes'

/** The second store again, in new files. */
const anew = (second: KilimDatabase) => async () => {
  await second.delete()
  const again = new KilimDatabase(second.name)
  await again.open()
  return again
}
const demo = marlpitLane()
const { id } = demo.garden
let made = 0

/** Two stores on one browser, the first with the demo garden in it. */
async function stores() {
  const name = `second-store-${++made}`
  const first = new KilimDatabase(name)
  const kept = new SecondStore(first)
  const second = new KilimDatabase(`${name}-second`)
  await Promise.all([first.open(), second.open()])
  expect(await kept.begin(second, anew(second))).toBe(0)
  await commit(first, id, 'Open', gardenWrites(demo))
  await kept.settled()
  return { first, second, kept }
}
const shade = async (db: KilimDatabase, value: number) =>
  commit(db, id, 'Shade', [changed('beds', (await db.beds.get(demo.beds[0].id))!, { shade: value })])
/** Every row of a store, undo and histories too. */
const allOf = async (db: KilimDatabase) =>
  Object.fromEntries(
    await Promise.all(db.tables.map(async (table) => [table.name, await table.toArray()] as const)),
  )

test('what is written, undone or taken out is in both stores right after', async () => {
  const { first, second, kept } = await stores()
  await shade(first, 0.3)
  await first.pictureBytes.put({ id: 'p', full: new Uint8Array([1, 2]), small: new Uint8Array([3]) })
  await kept.settled()
  expect((await second.beds.get(demo.beds[0].id))!.shade).toBe(0.3)
  await undo(first, id)
  await commit(first, id, 'Out', [{ table: 'stands', remove: demo.stands[0].id }])
  await first.undo.clear()
  await kept.settled()
  expect(await allOf(second)).toEqual(await allOf(first))
  expect(await second.stands.get(demo.stands[0].id)).toBeUndefined()
})

test('a write that was cut off reaches neither', async () => {
  const { first, second, kept } = await stores()
  await first
    .transaction('rw', first.beds, async () => {
      await first.beds.update(demo.beds[0].id, { shade: 0.7 })
      throw new Error('cut off')
    })
    .catch(() => undefined)
  await kept.settled()
  expect(await allOf(second)).toEqual(await allOf(first))
  expect((await second.beds.get(demo.beds[0].id))!.shade).not.toBe(0.7)
})

test('a first store that was thrown away is put back whole, and goes on from there', async () => {
  const { first, second, kept } = await stores()
  await shade(first, 0.4)
  await kept.settled()
  const before = await allOf(first)
  await first.delete()
  const empty = new KilimDatabase(first.name)
  const again = new SecondStore(empty)
  await empty.open()
  expect(await again.begin(second, anew(second))).toBe(1)
  expect(await allOf(empty)).toEqual(before)
  await shade(empty, 0.5)
  await again.settled()
  expect(await printOf(second)).toBe(await printOf(empty))
})

test('a second store that was left behind is begun again in new files; one in step is gone on with', async () => {
  const { first, second } = await stores()
  const other = new KilimDatabase(first.name)
  let begunAnew = 0
  const counted = (kept: KilimDatabase) => () => {
    begunAnew++
    return anew(kept)()
  }
  const inStep = new SecondStore(other)
  await inStep.begin(second, counted(second))
  expect(begunAnew).toBe(0)
  // Written where nobody copies it.
  await shade(new KilimDatabase(first.name), 0.6)
  const late = new SecondStore(new KilimDatabase(first.name))
  await late.begin(second, counted(second))
  expect(begunAnew).toBe(1)
  expect(await allOf(new KilimDatabase(second.name))).toEqual(await allOf(first))
})

test('what is written before the second store is opened is in it once it is', async () => {
  const name = `second-store-${++made}`
  const first = new KilimDatabase(name)
  const kept = new SecondStore(first)
  await commit(first, id, 'Open', gardenWrites(demo))
  const second = new KilimDatabase(`${name}-second`)
  await second.open()
  await kept.begin(second, anew(second))
  await shade(first, 0.7)
  await kept.settled()
  expect(await allOf(new KilimDatabase(second.name))).toEqual(await allOf(first))
})
