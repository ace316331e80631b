import { USUAL_RULES } from '../core/garden/usualRules'
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { DEMO_GARDENS } from '../demo'
import { gardenData } from '../core/garden/schema'
import { gardenProblems } from '../core/garden/consistency'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { readGardenFile, writeGardenFile } from './gardenFile'
import { gardenWrites, recordsOf } from './gardenRecords'
import { loadGarden } from './gardens'
import { storageProblem } from './problems'
import { redo, undo } from './undo'
import { changed } from './writes'
import { testHens } from '../core/testing/beds'

let db: KilimDatabase
const demo = DEMO_GARDENS['harrier-point']()
const id = demo.garden.id

beforeEach(async () => {
  db = new KilimDatabase(`test-${Math.random()}`)
  await commit(db, id, 'Open', gardenWrites(demo))
})
afterEach(() => db.delete())

describe('commit and undo', () => {
  test('a change is stored, undone, and done again', async () => {
    const bed = demo.beds[0]
    await commit(db, id, 'Longer', [changed('beds', bed, { lengthM: 9 })])
    expect((await db.beds.get(bed.id))?.lengthM).toBe(9)
    expect(await undo(db, id)).toEqual({ ok: true, value: 'Longer' })
    expect((await db.beds.get(bed.id))?.lengthM).toBe(bed.lengthM)
    expect(await redo(db, id)).toEqual({ ok: true, value: 'Longer' })
    expect((await db.beds.get(bed.id))?.lengthM).toBe(9)
  })
  test('a removal comes back whole', async () => {
    const before = await loadGarden(db, id)
    await commit(db, id, 'Gone', [{ table: 'stands', remove: demo.stands[0].id }])
    expect(await db.stands.get(demo.stands[0].id)).toBeUndefined()
    await undo(db, id)
    expect(await loadGarden(db, id)).toEqual(before)
  })
  test('a new change after an undo drops what could be redone', async () => {
    const bed = demo.beds[0]
    await commit(db, id, 'One', [changed('beds', bed, { lengthM: 8 })])
    await undo(db, id)
    await commit(db, id, 'Two', [changed('beds', bed, { lengthM: 7 })])
    expect(await redo(db, id)).toEqual({ ok: true, value: null })
    expect((await db.beds.get(bed.id))?.lengthM).toBe(7)
  })
  test('an invalid record is refused and nothing of the step is stored', async () => {
    const [first, second] = demo.beds
    const outcome = await commit(db, id, 'Bad', [
      changed('beds', first, { lengthM: 5 }),
      changed('beds', second, { lengthM: 0 }),
    ])
    expect(outcome).toMatchObject({
      ok: false,
      problems: [{ path: 'lengthM', message: expect.stringMatching(/^Length must be between/) }],
    })
    expect((await db.beds.get(first.id))?.lengthM).toBe(first.lengthM)
  })
  test('what was changed meanwhile in the same place is not written over unseen; said so, it is', async () => {
    const [bed] = demo.beds
    await commit(db, demo.garden.id, 'Theirs', [changed('beds', bed, { shade: 0.3, lengthM: 4 })])
    const mine = [changed('beds', bed, { shade: 0.2, widthM: 2 })]
    expect(await commit(db, demo.garden.id, 'Mine', mine)).toMatchObject({
      ok: false,
      problems: [{ path: 'shade', code: 'meanwhile', meanwhile: { seen: bed.shade, own: 0.2, now: 0.3 } }],
    })
    expect(await db.beds.get(bed.id)).toMatchObject({ shade: 0.3, lengthM: 4, widthM: bed.widthM })
    expect((await commit(db, demo.garden.id, 'Mine', mine, { over: true })).ok).toBe(true)
    expect(await db.beds.get(bed.id)).toMatchObject({ shade: 0.2, lengthM: 4, widthM: 2 })
  })
  test('undo with nothing left says so', async () => {
    await undo(db, id)
    expect(await undo(db, id)).toEqual({ ok: true, value: null })
  })
  test('a closed database is told in words', async () => {
    db.close()
    const outcome = await commit(db, id, 'Late', [changed('beds', demo.beds[0], {})])
    expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'closed' }] })
  })
})

describe('garden file', () => {
  test('what is written is read back equal, whatever the order of records', () => {
    const text = writeGardenFile(demo, '2026-01-01T00:00:00Z')
    const read = readGardenFile(text)
    if (!read.ok) throw new Error('refused')
    const shuffled = {
      ...read.value,
      beds: [...read.value.beds].reverse(),
      stands: [...read.value.stands].reverse(),
    }
    expect(writeGardenFile(shuffled, '2026-01-01T00:00:00Z')).toBe(text)
  })
  test('endings with animals, counts, cuts that go elsewhere, outcomes and rules come back as they went', () => {
    const [stand] = demo.stands
    const animals = testHens({ rounds: 3, lastDaysPerStop: 5 })
    const full: typeof demo = {
      ...demo,
      garden: { ...demo.garden, rules: { ...USUAL_RULES, longestSheetDays: 28, turning: 'never' } },
      stands: [
        {
          ...stand,
          end: {
            plan: null,
            actual: {
              date: '2026-05-20',
              method: 'hens',
              passes: 1,
              note: '',
              animals,
              bbch: 61,
              stages: { 'cereal-rye': 61 },
              liftedOn: '2026-05-31',
              by: 'Ada',
              minutes: 40,
              materials: 'Grain',
            },
          },
          followUps: [{ id: 'f', date: '2026-06-01', standing: 3, groundM2: 1, before: 60, note: '' }],
          cuts: [
            {
              id: 'c',
              cut: {
                plan: null,
                actual: {
                  date: '2026-04-30',
                  heightCm: 8,
                  groundShare: 0.5,
                  fate: 'carried off',
                  note: '',
                  toBedId: demo.beds[1].id,
                  took: { massKg: 3, nitrogenG: 60 },
                },
              },
            },
          ],
          outcome: { date: '2026-09-01', yieldKg: null, verdict: 'worse', note: 'Dry.' },
        },
        ...demo.stands.slice(1),
      ],
    }
    const read = readGardenFile(writeGardenFile(full, '2026-01-01T00:00:00Z'))
    if (!read.ok) throw new Error('refused')
    expect(read.value.stands.find(({ id: other }) => other === stand.id)).toEqual(full.stands[0])
    expect(read.value.garden).toEqual(full.garden)
  })
  test('a file of the version before is still read', () => {
    const old = JSON.parse(writeGardenFile(demo, '2026-01-01T00:00:00Z'))
    expect(readGardenFile(JSON.stringify({ ...old, version: 3 })).ok).toBe(true)
  })
  test('a pen of no size and a way that does not exist are refused with their place', () => {
    const old = JSON.parse(writeGardenFile(demo, '2026-01-01T00:00:00Z'))
    const at = old.data.stands.findIndex((entry: { end: { plan: unknown } }) => entry.end.plan)
    const broken = structuredClone(old)
    broken.data.stands[at].end.plan.method = 'magic'
    const read = readGardenFile(JSON.stringify(broken))
    expect(read.ok ? [] : read.problems.map(({ path }) => path)).toEqual([`stands.${at}.end.plan.method`])
    const flat = structuredClone(old)
    flat.data.garden.livestock = [{ id: 'h', kind: 'hens', head: 4, penLengthM: 0, penWidthM: 1 }]
    const second = readGardenFile(JSON.stringify(flat))
    expect(second.ok ? '' : second.problems[0].message).toMatch(/Pen length/)
  })
  test.each([
    ['{"a":', 'not-json'],
    ['[]', 'foreign'],
    ['{"format":"kilim-garden","version":99,"exportedAt":"","data":{}}', 'newer'],
  ])('%s is refused as %s', (text, code) => {
    expect(readGardenFile(text)).toMatchObject({ ok: false, problems: [{ code }] })
  })
  test('removing a garden leaves nothing of it', async () => {
    await commit(
      db,
      id,
      'Remove',
      recordsOf(demo).map(({ table, record }) => ({ table, remove: record.id })),
    )
    expect(await loadGarden(db, id)).toBeNull()
    expect(await db.stands.count()).toBe(0)
  })
})

test('storage failures have their own words', () => {
  expect(storageProblem(new DOMException('x', 'QuotaExceededError')).code).toBe('full')
  expect(
    storageProblem(
      Object.assign(new Error('x'), { inner: Object.assign(new Error('y'), { name: 'QuotaExceededError' }) }),
    ).code,
  ).toBe('full')
  expect(storageProblem(new Error('odd')).message).toMatch(/nothing was changed \(odd\)/)
})

describe.each(Object.entries(DEMO_GARDENS))('demo garden %s', (_name, make) => {
  test('is valid, consistent and the same each time', () => {
    expect(gardenData.safeParse(make()).success).toBe(true)
    expect(gardenProblems(make())).toEqual([])
    expect(make()).toEqual(make())
  })
})
