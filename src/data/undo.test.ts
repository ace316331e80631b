import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import type { Bed, Garden } from '../core/garden/schema'
import { DEMO_GARDENS } from '../demo'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { gardenWrites } from './gardenRecords'
import { redo, undo, undoStep } from './undo'
import { added, changed } from './writes'

let db: KilimDatabase
const demo = DEMO_GARDENS['marlpit-lane']()
const { garden } = demo
const [bed] = demo.beds
const stored = async () => (await db.gardens.get(garden.id)) as Garden
const bedNow = async () => (await db.beds.get(bed.id)) as Bed
async function change(label: string, part: Partial<Garden>, seen: Garden): Promise<number> {
  const outcome = await commit(db, garden.id, label, [changed('gardens', seen, part)])
  if (!outcome.ok || outcome.value === null) throw new Error('not stored')
  return outcome.value
}

beforeEach(async () => {
  db = new KilimDatabase(`test-${Math.random()}`)
  await commit(db, garden.id, 'Open', gardenWrites(demo))
  await db.undo.clear()
})
afterEach(() => db.delete())

describe('writing against a fresh read', () => {
  test('a change made on an old record leaves what was changed since', async () => {
    const tool = { id: 'tool-x', kind: 'burner' as const, widthM: null, lengthM: null }
    const seen = { ...garden, tools: [...garden.tools, tool] }
    await change('Saved a tool', { tools: seen.tools }, garden)
    await undo(db, garden.id)
    await change('Renamed', { name: 'Lower field' }, seen)
    expect(await stored()).toMatchObject({ name: 'Lower field', tools: garden.tools })
  })
  test('the same change twice is stored once and leaves one step', async () => {
    await change('Renamed', { name: 'Lower field' }, garden)
    const again = await commit(db, garden.id, 'Renamed', [
      changed('gardens', garden, { name: 'Lower field' }),
    ])
    expect(again).toEqual({ ok: true, value: null })
    expect(await db.undo.count()).toBe(1)
  })
  test('two writes of one record in a step both hold, and are undone together', async () => {
    await commit(db, garden.id, 'Both', [
      changed('gardens', garden, { name: 'Lower field' }),
      changed('gardens', garden, { currency: 'CHF' }),
    ])
    expect(await stored()).toMatchObject({ name: 'Lower field', currency: 'CHF' })
    await undo(db, garden.id)
    expect(await stored()).toEqual(garden)
  })
  test('a record that was taken out meanwhile is not brought back unseen', async () => {
    await commit(db, garden.id, 'Removed', [{ table: 'beds', remove: bed.id }])
    const outcome = await commit(db, garden.id, 'Longer', [changed('beds', bed, { lengthM: 9 })])
    expect(outcome).toMatchObject({ ok: false, problems: [{ code: 'gone' }] })
    expect(await bedNow()).toBeUndefined()
  })
  test('a new record never takes the place of another, least of all one of another garden', async () => {
    expect(await commit(db, garden.id, 'Again', [added('beds', bed)])).toMatchObject({
      ok: true,
      value: null,
    })
    expect(await commit(db, garden.id, 'Other', [added('beds', { ...bed, lengthM: 3 })])).toMatchObject({
      problems: [{ code: 'taken' }],
    })
    const strange = { ...bed, gardenId: 'other' }
    expect(await commit(db, 'other', 'Taken over', [changed('beds', bed, strange)])).toMatchObject({
      problems: [{ code: 'foreign' }],
    })
    expect(await commit(db, 'other', 'Removed', [{ table: 'beds', remove: bed.id }])).toMatchObject({
      problems: [{ code: 'foreign' }],
    })
    expect(await bedNow()).toEqual(bed)
  })
})

describe('the undo of a toast', () => {
  test('takes back its own step and leaves what came after', async () => {
    const rename = await change('Renamed', { name: 'Lower field' }, garden)
    await change('Wait', { waitDays: { transplant: 10, seed: 21 } }, await stored())
    await commit(db, garden.id, 'Longer', [changed('beds', bed, { lengthM: 9 })])
    expect(await undoStep(db, rename)).toEqual({ ok: true, value: 'Renamed' })
    expect(await stored()).toEqual({ ...garden, waitDays: { transplant: 10, seed: 21 } })
    expect((await bedNow()).lengthM).toBe(9)
  })
  test('says which later step changed the same', async () => {
    const first = await change('Lower', { name: 'Lower field' }, garden)
    await change('Upper', { name: 'Upper field' }, await stored())
    const outcome = await undoStep(db, first)
    expect(outcome).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringMatching(/“Upper” changed/) }],
    })
    expect((await stored()).name).toBe('Upper field')
    await undo(db, garden.id)
    expect((await undoStep(db, first)).ok).toBe(true)
    expect((await stored()).name).toBe(garden.name)
  })
  test('says so where it was taken back already, and takes back nothing else', async () => {
    await change('Wait', { waitDays: { transplant: 10, seed: 21 } }, garden)
    const rename = await change('Renamed', { name: 'Lower field' }, await stored())
    await undo(db, garden.id)
    expect(await undoStep(db, rename)).toMatchObject({ problems: [{ code: 'undone' }] })
    expect((await stored()).waitDays).toEqual({ transplant: 10, seed: 21 })
    expect(await undoStep(db, 99_999)).toMatchObject({ problems: [{ code: 'old' }] })
  })
  test('does not leave later records without what they belong to', async () => {
    const fresh = { ...bed, id: 'bed-new', label: 'N1' }
    const step = await commit(db, garden.id, 'Added a bed', [added('beds', fresh)])
    const stand = { ...demo.stands[0], id: 'stand-new', bedId: fresh.id }
    await commit(db, garden.id, 'Planned', [added('stands', stand)])
    expect(step.ok && step.value !== null && (await undoStep(db, step.value))).toMatchObject({
      ok: false,
      problems: [{ code: 'needed' }],
    })
    expect(await db.beds.get(fresh.id)).toEqual(fresh)
  })
  test('no undo takes a record that another garden holds by now', async () => {
    await commit(db, garden.id, 'Removed', [{ table: 'beds', remove: bed.id }])
    const theirs = { ...bed, gardenId: 'other' }
    await db.beds.put(theirs)
    expect(await undo(db, garden.id)).toMatchObject({ ok: false, problems: [{ code: 'foreign' }] })
    expect(await bedNow()).toEqual(theirs)
  })
  test('what it took back is done again by redo', async () => {
    const rename = await change('Renamed', { name: 'Lower field' }, garden)
    await undoStep(db, rename)
    expect(await redo(db, garden.id)).toEqual({ ok: true, value: 'Renamed' })
    expect((await stored()).name).toBe('Lower field')
  })
})
