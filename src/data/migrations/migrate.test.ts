import 'fake-indexeddb/auto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from '@jest/globals'
import Dexie from 'dexie'
import { garden, stand } from '../../core/garden/schema'
import { GARDEN_SCHEMA_VERSION } from '../../core/garden/version'
import { KilimDatabase } from '../database'
import { readGardenFile } from '../gardenFile'
import { loadGarden } from '../gardens'
import { undo } from '../undo'
import { STEPS } from './steps'

const fixture = (version: number) =>
  readFileSync(join('src/data/migrations/fixtures', `version-${version}.json`), 'utf8')
const versions = Array.from({ length: GARDEN_SCHEMA_VERSION }, (_, i) => i + 1)

describe('files of every version', () => {
  test('there is a step to each version and a fixture of each', () => {
    expect(STEPS.map(({ to }) => to)).toEqual(versions.slice(1))
    for (const version of versions) expect(JSON.parse(fixture(version))).toMatchObject({ version })
  })
  test.each(versions)('version %i is read whole, its records complete', (version) => {
    const read = readGardenFile(fixture(version))
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    const { garden, beds, stands, checks } = read.value
    expect(beds[0].stoodBefore).toBe(version < 7 ? null : 'grass')
    expect(beds[0].troubles).toHaveLength(version < 9 ? 0 : 1)
    expect(garden).toMatchObject({ begunOn: version < 9 ? null : '2025-09-01', jobMarks: [] })
    expect(stands[0].start.actual!.keptMoistDays).toBe(version < 9 ? 0 : 4)
    expect(garden.name).toBe(`Old patch v${version}`)
    expect(stands.map(({ id }) => id)).toEqual(['cover', 'crop'])
    expect(stands[0]).toMatchObject({ follows: null, start: { actual: { note: 'even' } } })
    expect(stands[1].content).toMatchObject(
      version < 6
        ? { plantingMethod: null, feed: null }
        : { plantingMethod: 'slot', feed: { sourceId: 'n', kg: 12 } },
    )
    expect(garden.rules.lastWeeding).toEqual(version < 11 ? {} : { tomato: 38 })
    expect(garden.rules.closerWhenLate).toEqual(
      version < 13 ? {} : { tomato: { closerPerWeek: 0.02, least: 0.9 } },
    )
    expect(garden.home).toMatchObject({
      longitude: version < 16 ? null : -83.4,
      winterC: version < 16 ? 0 : 1,
    })
    expect(garden.site.spreadC).toEqual(version < 17 ? null : { winterC: 6.1, summerC: 3.4 })
    expect(garden.tools[0]?.boughtIn).toBe(version < 12 ? undefined : 2021)
    expect(garden.mulch).toHaveLength(version < 12 ? 0 : 1)
    expect(beds[0].fixtures.map(({ place }) => place?.toM ?? null)).toEqual(
      version < 12 ? [] : [version < 13 ? null : 0.5],
    )
    expect(stands[1].segment.kind).toBe(version < 13 ? 'whole' : 'rectangle')
    expect(checks).toHaveLength(1)
  })
})

/** The tables of version 4. */
const STORES = {
  gardens: 'id',
  beds: 'id, gardenId',
  stands: 'id, gardenId, bedId',
  checks: 'id, gardenId, standId',
  undo: '++id, gardenId',
  session: 'key',
  weather: 'id, gardenId',
  station: 'gardenId',
  lots: 'id, gardenId',
  pictures: 'id, gardenId, bedId, standId',
  pictureBytes: 'id',
}

test('a database of an older version is brought up once, its undo with it', async () => {
  const name = 'old-kilim'
  const old = new Dexie(name)
  old.version(4).stores(STORES)
  const { data } = JSON.parse(fixture(5)) as { data: Record<string, object[]> & { garden: object } }
  await old.table('gardens').add(data.garden)
  await old.table('beds').bulkAdd(data.beds)
  await old.table('stands').bulkAdd(data.stands)
  const [, crop] = data.stands
  await old.table('undo').add({
    gardenId: 'g',
    label: 'Added tomato',
    at: 1,
    undone: 0,
    changes: [{ table: 'stands', key: 'crop', before: null, after: crop }],
  })
  old.close()

  const db = new KilimDatabase(name)
  const loaded = (await loadGarden(db, 'g'))!
  for (const one of loaded.stands) expect(stand.safeParse(one).success).toBe(true)
  const entry = (await db.undo.toArray())[0]
  expect(stand.safeParse(entry.changes[0].after).success).toBe(true)
  expect(await undo(db, 'g')).toMatchObject({ ok: true, value: 'Added tomato' })
  expect(await db.stands.count()).toBe(1)
  db.close()
})

test.each([10, GARDEN_SCHEMA_VERSION - 1])(
  'a database of version %i has complete records once it is opened',
  async (version) => {
    const name = `kilim of version ${version}`
    const old = new Dexie(name)
    old.version(version).stores({
      ...STORES,
      history: 'name, gardenId',
      replicas: 'gardenId',
      merges: '++id, gardenId',
      copies: '++id, gardenId',
    })
    const { data } = JSON.parse(fixture(version)) as { data: Record<string, object[]> & { garden: object } }
    await old.table('gardens').add(data.garden)
    await old.table('stands').bulkAdd(data.stands)
    old.close()
    const db = new KilimDatabase(name)
    const loaded = (await loadGarden(db, 'g'))!
    expect(garden.safeParse(loaded.garden).success).toBe(true)
    for (const one of loaded.stands) expect(stand.safeParse(one).success).toBe(true)
    db.close()
  },
)
