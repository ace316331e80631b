import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import type { Garden } from '../core/garden/schema'
import { DEMO_GARDENS } from '../demo'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { gardenWrites } from './gardenRecords'
import { sweepDone } from './once'
import { finishPressed, pressed, type Press } from './pressed'
import { changed } from './writes'

/** What a browser keeps as text, written at once. */
class Shelf {
  readonly texts = new Map<string, string>()
  full = false
  get length() {
    return this.texts.size
  }
  key = (index: number) => [...this.texts.keys()][index] ?? null
  getItem = (name: string) => this.texts.get(name) ?? null
  setItem = (name: string, text: string) => {
    if (this.full) throw new DOMException('full', 'QuotaExceededError')
    this.texts.set(name, text)
  }
  removeItem = (name: string) => void this.texts.delete(name)
  clear = () => this.texts.clear()
}

let db: KilimDatabase
let shelf: Shelf
const demo = DEMO_GARDENS['marlpit-lane']()
const { garden } = demo
const stored = async () => (await db.gardens.get(garden.id)) as Garden
const renamed = (name: string, seen = garden): Press & { kind: 'commit' } => ({
  kind: 'commit',
  gardenId: garden.id,
  label: `Named ${name}`,
  writes: [changed('gardens', seen, { name })],
  over: false,
})
const undoPress: Press = { kind: 'undo', gardenId: garden.id }

/** Presses on a page that is left before its database has stored anything: what was kept of it stays. */
async function pressAndLeave(...presses: Press[]): Promise<void> {
  const page = new KilimDatabase('left')
  page.close()
  const answers = presses.map((press) => pressed(page, press))
  const left = [...shelf.texts]
  await Promise.all(answers)
  left.forEach(([name, text]) => shelf.setItem(name, text))
  expect(shelf.length).toBe(presses.length)
}
const nextPage = () => finishPressed(db)

beforeEach(async () => {
  shelf = new Shelf()
  Object.defineProperty(globalThis, 'localStorage', { value: shelf, configurable: true })
  db = new KilimDatabase(`test-${Math.random()}`)
  await commit(db, garden.id, 'Open', gardenWrites(demo))
  await db.undo.clear()
})
afterEach(async () => {
  Reflect.deleteProperty(globalThis, 'localStorage')
  await db.delete()
})

describe('what was pressed as a page was left', () => {
  test('is stored by the next page, with a step that can be taken back', async () => {
    await pressAndLeave(renamed('Lower field'))
    const finished = await nextPage()
    expect(finished).toEqual([{ what: 'Named Lower field', step: expect.any(Number), problem: null }])
    expect((await stored()).name).toBe('Lower field')
    expect(shelf.length).toBe(0)
    await pressed(db, { kind: 'undoStep', entryId: finished[0].step! })
    expect((await stored()).name).toBe(garden.name)
  })
  test('is done in its order: stored, then taken back', async () => {
    await pressAndLeave(
      renamed('Lower field'),
      renamed('Upper field', { ...garden, name: 'Lower field' }),
      undoPress,
    )
    expect((await nextPage()).map(({ what }) => what)).toEqual([
      'Named Lower field',
      'Named Upper field',
      'Undo: Named Upper field',
    ])
    expect((await stored()).name).toBe('Lower field')
  })
  test('is not done twice where the page had stored it and was left before it could say so', async () => {
    for (const press of [renamed('Lower field'), undoPress]) {
      const answer = pressed(db, press)
      const left = [...shelf.texts]
      await answer
      left.forEach(([name, text]) => shelf.setItem(name, text))
    }
    expect(await nextPage()).toHaveLength(2)
    expect((await stored()).name).toBe(garden.name)
    expect((await db.undo.toArray()).map(({ undone }) => undone)).toEqual([1])
  })
  test('an undo does not take back what was done since', async () => {
    await pressed(db, renamed('Lower field'))
    await pressAndLeave(undoPress)
    await new Promise((resolve) => setTimeout(resolve, 5))
    await pressed(db, renamed('Upper field', { ...garden, name: 'Lower field' }))
    expect(await nextPage()).toMatchObject([
      { what: 'Undo', problem: expect.stringContaining('More was done') },
    ])
    expect((await stored()).name).toBe('Upper field')
  })
  test('what was changed otherwise in between is not written over, and it is said', async () => {
    await pressAndLeave(renamed('Lower field'))
    await commit(db, garden.id, 'Other', [changed('gardens', garden, { name: 'Upper field' })])
    expect(await nextPage()).toMatchObject([{ problem: expect.stringContaining('changed in the meantime') }])
    expect((await stored()).name).toBe('Upper field')
    expect(shelf.length).toBe(0)
  })
  test('is not stored by a Kilim that means something else by it, and it is said', async () => {
    await pressAndLeave(renamed('Lower field'))
    for (const [name, text] of shelf.texts)
      shelf.texts.set(name, text.replace(/"version":\d+/, '"version":1'))
    expect(await nextPage()).toMatchObject([{ problem: expect.stringContaining('updated') }])
    expect((await stored()).name).toBe(garden.name)
  })
  test('what cannot be read is cleared away, what is not of Kilim stays', async () => {
    for (const [i, text] of ['{', 'null', '{}', '{"name":"x","at":1}'].entries())
      shelf.setItem(`kilim pressed ${i}`, text)
    shelf.setItem('other', 'x')
    expect(await nextPage()).toEqual([])
    expect([...shelf.texts.keys()]).toEqual(['other'])
  })
})

describe('a press on a page that stays', () => {
  test('leaves nothing behind, whether it was stored or refused', async () => {
    expect(await pressed(db, renamed('Lower field'))).toMatchObject({ ok: true, value: expect.any(Number) })
    expect(await pressed(db, renamed('Upper field'))).toMatchObject({ ok: false })
    expect(await pressed(db, { kind: 'redo', gardenId: garden.id })).toEqual({ ok: true, value: null })
    expect(shelf.length).toBe(0)
  })
  test('is stored where the shelf is full or there is none', async () => {
    shelf.full = true
    expect(await pressed(db, renamed('Lower field'))).toMatchObject({ ok: true })
    Reflect.deleteProperty(globalThis, 'localStorage')
    expect(await pressed(db, undoPress)).toEqual({ ok: true, value: 'Named Lower field' })
    expect(await finishPressed(db)).toEqual([])
  })
  test('is forgotten after a day', async () => {
    await pressed(db, renamed('Lower field'))
    expect(await sweepDone(db)).toBe(0)
    await db.session.toCollection().modify((entry) => {
      entry.value = { at: Date.now() - 25 * 3600_000, value: null }
    })
    expect(await sweepDone(db)).toBe(1)
  })
})
