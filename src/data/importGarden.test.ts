import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { DEMO_GARDENS } from '../demo'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { readGardenFile, writeGardenFile, type GardenFileData } from './gardenFile'
import { gardenWrites } from './gardenRecords'
import { loadGarden, loadKept } from './gardens'
import { importGarden } from './importGarden'
import { redo, undo } from './undo'
import { changed } from './writes'

let db: KilimDatabase
const marlpit = DEMO_GARDENS['marlpit-lane']()
const id = marlpit.garden.id
const counts = async (gardenId: string) => {
  const data = await loadGarden(db, gardenId)
  return data && [data.beds.length, data.stands.length, data.checks.length]
}
const read = (data: Parameters<typeof writeGardenFile>[0]): GardenFileData => {
  const file = readGardenFile(writeGardenFile(data, '2026-01-01T00:00:00Z'))
  if (!file.ok) throw new Error(file.problems[0].message)
  return file.value
}
/** A copy under another garden's id whose records kept their ids. */
const copy = () => {
  const own = { gardenId: 'copy' }
  const moved = <T extends object>(records: T[]) => records.map((record) => ({ ...record, ...own }))
  return {
    ...marlpit,
    garden: {
      ...marlpit.garden,
      id: 'copy',
      name: 'The copy',
      jobMarks: [
        {
          jobId: `${marlpit.stands[0].id}:look`,
          doneOn: '2026-04-01',
          laterUntil: null,
          reason: '',
          who: null,
        },
      ],
    },
    beds: moved(marlpit.beds),
    stands: moved(marlpit.stands),
    checks: moved(marlpit.checks),
    lots: moved(marlpit.lots ?? []),
    pictures: [
      {
        id: 'picture-1',
        ...own,
        bedId: marlpit.beds[0].id,
        standId: marlpit.stands[0].id,
        date: '2026-04-01',
        widthPx: 4,
        heightPx: 3,
        bytes: 5,
        caption: '',
      },
    ],
  }
}

beforeEach(async () => {
  db = new KilimDatabase(`test-${Math.random()}`)
  await commit(db, id, 'Open', gardenWrites(marlpit))
  await db.undo.clear()
})
afterEach(() => db.delete())

describe('a file whose records keep the ids of a stored garden', () => {
  test('leaves that garden as it was; its records get ids of their own and every reference follows', async () => {
    const before = await loadGarden(db, id)
    const bytes = { full: new Uint8Array([1, 2]), small: new Uint8Array([3]) }
    await db.pictures.put({ ...copy().pictures[0], gardenId: id })
    const outcome = await importGarden(db, read(copy()), new Map([['picture-1', bytes]]), 'new')
    expect(outcome).toMatchObject({ ok: true, value: { gardenId: 'copy', way: 'new', renamed: true } })
    expect(await loadGarden(db, id)).toEqual(before)
    expect(await counts('copy')).toEqual(await counts(id))
    const made = (await loadGarden(db, 'copy'))!
    const beds = new Set(made.beds.map((bed) => bed.id))
    const stands = new Set(made.stands.map((stand) => stand.id))
    expect(made.stands.every((stand) => beds.has(stand.bedId))).toBe(true)
    expect(made.checks.every((check) => stands.has(check.standId))).toBe(true)
    expect(made.stands.every((stand) => !stand.underStandId || stands.has(stand.underStandId))).toBe(true)
    expect(stands.has(made.garden.jobMarks[0].jobId.split(':')[0])).toBe(true)
    const { pictures } = await loadKept(db, 'copy')
    expect(beds.has(pictures[0].bedId) && stands.has(pictures[0].standId!)).toBe(true)
    expect(await db.pictureBytes.get(pictures[0].id)).toMatchObject(bytes)
  })
  test('is undone as one step, and done again', async () => {
    await importGarden(db, read(copy()), null, 'new')
    expect(await undo(db, 'copy')).toEqual({ ok: true, value: 'Imported The copy' })
    expect(await loadGarden(db, 'copy')).toBeNull()
    expect(await counts(id)).toEqual([14, marlpit.stands.length, marlpit.checks.length])
    expect((await redo(db, 'copy')).ok).toBe(true)
    expect(await counts('copy')).toEqual(await counts(id))
  })
})

test('the same garden becomes as in the file, and undo brings back what was here', async () => {
  await commit(db, id, 'Longer', [changed('beds', marlpit.beds[0], { lengthM: 3 })])
  await commit(db, id, 'Gone', [{ table: 'stands', remove: marlpit.stands[0].id }])
  const before = await loadGarden(db, id)
  const outcome = await importGarden(db, read(marlpit), null, 'replace')
  expect(outcome).toMatchObject({ value: { way: 'replace', renamed: false } })
  expect((await loadGarden(db, id))!.beds.find((bed) => bed.id === marlpit.beds[0].id)?.lengthM).toBe(
    marlpit.beds[0].lengthM,
  )
  expect((await loadGarden(db, id))!.stands).toHaveLength(marlpit.stands.length)
  await undo(db, id)
  expect(await loadGarden(db, id)).toEqual(before)
})

test('a garden imported into an empty browser can be taken out again', async () => {
  await db.delete()
  await db.open()
  expect(await importGarden(db, read(marlpit), null, 'new')).toMatchObject({
    value: { way: 'new', renamed: false },
  })
  await undo(db, id)
  expect(await db.gardens.count()).toBe(0)
  expect(await db.stands.count()).toBe(0)
})

test('after an import the station is heard anew, for the file may lack some of its days', async () => {
  await db.station.put({ gardenId: id, heardUntil: '2026-04-20', forecast: [], trouble: null })
  await importGarden(db, read(marlpit), null, 'replace')
  expect(await db.station.get(id)).toBeUndefined()
})

describe('files that contradict themselves are refused in words', () => {
  const broken = (change: (data: ReturnType<typeof copy>) => void) => {
    const data = structuredClone(copy())
    change(data)
    const file = readGardenFile(JSON.stringify({ format: 'kilim-garden', version: 4, exportedAt: '', data }))
    return file.ok ? [] : file.problems.map(({ code }) => code)
  }
  test('a good one is read', () => expect(broken(() => {})).toEqual([]))
  test('a record of another garden', () =>
    expect(broken((data) => (data.beds[0].gardenId = 'other'))).toEqual(['other-garden']))
  test('two records with one id', () =>
    expect(broken((data) => (data.stands[1].id = data.stands[0].id))).toContain('twice'))
  test('an id with a line break in it, which no history could name', () =>
    expect(broken((data) => (data.beds[0].id = 'bed\n1'))).toContain('invalid_format'))
  test('a stand in no bed', () =>
    expect(broken((data) => (data.stands[0].bedId = 'nowhere'))).toEqual(['missing-reference']))
  test('a sowing of other species than the stand’s', () =>
    expect(
      broken((data) => {
        const stand = data.stands.find(({ content, start }) => content.kind === 'cover' && start.actual)!
        stand.start.actual!.components = [{ speciesId: 'oats', share: 1, germination: 0.9, grams: 10 }]
        if (stand.content.kind === 'cover')
          stand.content.components = [{ speciesId: 'cereal-rye', share: 1, germination: 0.9, grams: null }]
        stand.start.plan = null
      }),
    ).toEqual(['other-species']))
})
