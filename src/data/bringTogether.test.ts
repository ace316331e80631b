import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { takeOther } from '../actions/takeOther'
import { marlpitLane } from '../demo/marlpitLane'
import { commit } from './commit'
import { KilimDatabase, type StoredRecord } from './database'
import { adopted } from './devices/history'
import { readGardenFile, writeGardenFile, type GardenFileData } from './gardenFile'
import { gardenWrites } from './gardenRecords'
import { loadGarden, loadKept } from './gardens'
import { fileOf } from './testing/stored'
import { sweepCopies } from './sweepCopies'
import { importGarden, merging, waysOf, type Imported, type Way } from './importGarden'
import { undo, undoStep } from './undo'
import { added, changed } from './writes'

const demo = marlpitLane()
const id = demo.garden.id
const [bed] = demo.beds
let phone: KilimDatabase
let table: KilimDatabase

async function take(db: KilimDatabase, file: GardenFileData, way: Way = 'merge'): Promise<Imported> {
  const outcome = await importGarden(db, file, null, way)
  if (!outcome.ok) throw new Error(outcome.problems[0].message)
  return outcome.value
}
const all = async (db: KilimDatabase) => {
  const data = (await loadGarden(db, id))!
  const byId = <T extends { id: string }>(list: T[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1))
  return { ...data, stands: byId(data.stands), checks: byId(data.checks), kept: await loadKept(db, id) }
}
const edit = (db: KilimDatabase, part: Partial<typeof bed>) => async () => {
  const fresh = (await db.beds.get(bed.id))!
  await commit(db, id, 'Bed', [changed('beds', fresh, part)])
}
const look = (name: string) =>
  added('checks', {
    ...demo.checks[0],
    id: name,
    gardenId: id,
    standId: demo.stands[0].id,
    pictureIds: [],
  })

beforeEach(async () => {
  phone = new KilimDatabase(`phone-${Math.random()}`)
  table = new KilimDatabase(`table-${Math.random()}`)
  await commit(table, id, 'Open', gardenWrites(demo))
  await take(phone, await fileOf(table, id), 'new')
})
afterEach(async () => {
  await phone.delete()
  await table.delete()
})

describe('one garden on two devices', () => {
  test('what each wrote comes to the other, and a third exchange changes nothing', async () => {
    await edit(phone, { shade: 0.3 })()
    await commit(phone, id, 'Looked', [look('check-phone')])
    await edit(table, { lengthM: 9 })()
    await commit(table, id, 'Looked', [look('check-table')])
    const [fromPhone, fromTable] = [await fileOf(phone, id), await fileOf(table, id)]
    expect((await take(table, fromPhone)).conflicts).toEqual([])
    expect((await take(phone, fromTable)).conflicts).toEqual([])
    expect(await all(phone)).toEqual(await all(table))
    expect(await phone.beds.get(bed.id)).toMatchObject({ shade: 0.3, lengthM: 9 })
    expect(await phone.checks.bulkGet(['check-phone', 'check-table'])).not.toContain(undefined)
    const again = await take(phone, await fileOf(table, id))
    expect(again).toMatchObject({ step: null, conflicts: [] })
    expect(await phone.merges.count()).toBe(0)
  })
  test('a step taken back on one is taken back on the other', async () => {
    await commit(phone, id, 'Looked', [look('check-phone')])
    await take(table, await fileOf(phone, id))
    expect(await table.checks.get('check-phone')).toBeDefined()
    await undo(phone, id)
    await take(table, await fileOf(phone, id))
    expect(await table.checks.get('check-phone')).toBeUndefined()
  })
  test('changed on both, the later stands and the other is kept until it is looked at; taken, it goes to both', async () => {
    await edit(phone, { shade: 0.1 })()
    await edit(phone, { shade: 0.2 })()
    await edit(table, { shade: 0.5 })()
    const [fromPhone, fromTable] = [await fileOf(phone, id), await fileOf(table, id)]
    await take(table, fromPhone)
    await take(phone, fromTable)
    expect(await all(phone)).toEqual(await all(table))
    const [merge] = await table.merges.toArray()
    expect(merge.conflicts).toEqual([{ table: 'beds', id: bed.id, place: 'shade', taken: 0.2, other: 0.5 }])
    const fresh = (await table.beds.get(bed.id)) as StoredRecord
    await commit(table, id, 'Took the other', [takeOther(merge.conflicts[0], fresh)!])
    expect((await take(phone, await fileOf(table, id))).conflicts).toEqual([])
    expect((await phone.beds.get(bed.id))?.shade).toBe(0.5)
  })
  test('bringing together is one step that can be taken back', async () => {
    const before = await all(table)
    await edit(phone, { shade: 0.3 })()
    await commit(phone, id, 'Looked', [look('check-phone')])
    await take(table, await fileOf(phone, id))
    expect(await undo(table, id)).toEqual({
      ok: true,
      value: 'Brought together with the file of Marlpit Lane',
    })
    expect(await all(table)).toEqual(before)
  })
  test('taken back here it takes nothing back there, and comes in again when it is brought together again', async () => {
    await commit(phone, id, 'Looked', [look('check-phone')])
    await edit(phone, { shade: 0.3 })()
    const gone = demo.stands.at(-1)!.id
    await commit(phone, id, 'Gone', [{ table: 'stands', remove: gone }])
    const fromPhone = await fileOf(phone, id)
    await take(table, fromPhone)
    await edit(table, { widthM: 2 })()
    const [step] = await table.undo.orderBy('id').reverse().offset(1).toArray()
    expect(await undoStep(table, step.id)).toMatchObject({ ok: true })
    expect(await table.checks.get('check-phone')).toBeUndefined()
    const there = await take(phone, await fileOf(table, id))
    expect(there.conflicts).toEqual([])
    expect(await phone.checks.get('check-phone')).toBeDefined()
    expect(await phone.stands.get(gone)).toBeUndefined()
    expect(await phone.beds.get(bed.id)).toMatchObject({ shade: 0.3, widthM: 2 })
    await take(table, await fileOf(phone, id))
    expect(await all(table)).toEqual(await all(phone))
  })
  test('a picture comes with its bytes', async () => {
    const picture = { id: 'p', gardenId: id, bedId: bed.id, standId: null, date: '2026-04-01', widthPx: 4, heightPx: 3, bytes: 5, caption: '' } // prettier-ignore
    const bytes = { full: new Uint8Array([1, 2]), small: new Uint8Array([3]) }
    await commit(phone, id, 'Picture', [{ table: 'pictures', put: picture, seen: null, bytes }])
    await importGarden(table, await fileOf(phone, id), new Map([['p', bytes]]), 'merge')
    expect(await table.pictureBytes.get('p')).toMatchObject(bytes)
  })
  test('written in between the reading and the storing, nothing is stored and it says so', async () => {
    await edit(phone, { shade: 0.3 })()
    const found = (await merging(table, await fileOf(phone, id)))!
    await edit(table, { lengthM: 4 })()
    const before = await all(table)
    const fresh = (await table.beds.get(bed.id))!
    const outcome = await commit(table, id, 'Together', [changed('beds', fresh, { shade: 0.3 })], {
      keepHistory: adopted(found.merged, found.here.seen),
    })
    expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'changed' }] })
    expect(await all(table)).toEqual(before)
    await take(table, await fileOf(phone, id))
    expect(await table.beds.get(bed.id)).toMatchObject({ shade: 0.3, lengthM: 4 })
  })
})

describe('the ways to take a file in', () => {
  test('they depend on what is here and on what the file tells', async () => {
    const file = await fileOf(table, id)
    const empty = new KilimDatabase(`empty-${Math.random()}`)
    expect(await waysOf(empty, file)).toEqual(['new'])
    expect(await waysOf(table, file)).toEqual(['merge', 'new', 'replace'])
    expect(await waysOf(table, { ...file, history: undefined })).toEqual(['replace', 'new'])
    expect(await merging(table, { ...file, history: undefined })).toBeNull()
    const refused = await importGarden(table, { ...file, history: undefined }, null, 'merge')
    expect(refused).toMatchObject({ ok: false, problems: [{ code: 'no-history' }] })
    await empty.delete()
  })
  test('beside itself a garden is one of its own', async () => {
    const before = await all(table)
    const { gardenId, renamed } = await take(table, await fileOf(table, id), 'new')
    expect(gardenId).not.toBe(id)
    expect(renamed).toBe(true)
    expect(await all(table)).toEqual(before)
    const twin = (await loadGarden(table, gardenId))!
    expect(twin.stands).toHaveLength(demo.stands.length)
    expect(twin.garden.name).toBe('Marlpit Lane (2)')
    expect(twin.stands.every((stand) => stand.gardenId === gardenId)).toBe(true)
  })
  test('a garden whose place is taken is kept as a copy for thirty days, and can be had again', async () => {
    const old = await fileOf(table, id)
    await edit(table, { lengthM: 4 })()
    await take(table, old, 'replace')
    expect((await table.beds.get(bed.id))?.lengthM).toBe(bed.lengthM)
    const [copy] = await table.copies.toArray()
    const read = readGardenFile(copy.text)
    if (!read.ok) throw new Error('the copy cannot be read')
    await take(table, read.value, 'replace')
    expect((await table.beds.get(bed.id))?.lengthM).toBe(4)
    expect(await sweepCopies(table, copy.at + 29 * 864e5)).toBe(0)
    expect(await sweepCopies(table, copy.at + 31 * 864e5)).toBeGreaterThan(0)
  })
  test('a file whose history is broken is refused, and one without is read', () => {
    const text = writeGardenFile(demo, '2026-01-01T00:00:00Z')
    const file = JSON.parse(text) as { data: Record<string, unknown> }
    const withHistory = (history: unknown) =>
      readGardenFile(JSON.stringify({ ...file, data: { ...file.data, history } }))
    expect(readGardenFile(text).ok).toBe(true)
    expect(withHistory({ seen: {}, records: [] }).ok).toBe(true)
    expect(
      withHistory({ seen: {}, records: [{ name: 'elsewhere x', whole: [1, 'a'], places: {}, gone: null }] })
        .ok,
    ).toBe(false)
    expect(withHistory({ seen: { a: -1 }, records: [] }).ok).toBe(false)
  })
})
