import { afterEach, describe, expect, test } from '@jest/globals'
import { addDays, dayNumber, startOfWeek } from '../core/foundations/day'
import { KilimDatabase } from '../data/database'
import { newId } from '../data/ids'
import { marlpitLane } from '../demo/marlpitLane'
import { LOOM_WEEKS, weatherSpecOf, WEEKS_BEFORE_TODAY } from './season'
import { nextStand } from '../core/season/followers'
import { ownOf, standCaseOf } from '../core/season/standCase'
import {
  demoClockSet,
  draftDropped,
  draftKept,
  gardenOpened,
  offerLeft,
  offerTaken,
  sessionSlice,
  themeChosen,
} from './session'
import type { Tab } from './tab'
import { persistSession } from './keptSession'
import { createStore } from './store'

const db = new KilimDatabase('state-test')
afterEach(() => db.session.clear())

/** A tab by its name, beside which others may be open; `null` where the browser does not tell. */
const tab = (
  id: string,
  others: readonly string[] | null = [],
  closed: Tab['closed'] = () => new Promise(() => undefined),
): Tab => ({
  id,
  open: async () => (others ? new Set([id, ...others]) : null),
  closed,
})

/** Waits for something that happens by itself. */
const until = async (happened: () => boolean) => {
  while (!happened()) await new Promise((resolve) => setTimeout(resolve, 1))
}

describe('session', () => {
  test('drafts are kept by name and dropped', () => {
    const { reducer } = sessionSlice
    const kept = reducer(undefined, draftKept({ name: 'sow x', value: { date: '2026-04-01' } }))
    expect(kept.drafts['sow x']).toMatchObject({ version: 1, value: { date: '2026-04-01' } })
    expect(reducer(kept, draftDropped('sow x')).drafts).toEqual({})
  })
  test('each demo garden has its own clock', () => {
    const { reducer } = sessionSlice
    const one = reducer(undefined, demoClockSet({ gardenId: 'a', date: '2026-04-01' }))
    expect(reducer(one, demoClockSet({ gardenId: 'b', date: '2026-10-01' })).demoDays).toEqual({
      a: '2026-04-01',
      b: '2026-10-01',
    })
  })
  // Storage answers in order: what was begun before is done.
  const written = () => db.transaction('rw', db.session, () => db.session.count())
  test('a reload brings back garden, clock, drafts and theme', async () => {
    const first = createStore()
    await persistSession(first, db, tab('one'))
    first.dispatch(gardenOpened('g'))
    first.dispatch(demoClockSet({ gardenId: 'g', date: '2026-05-05' }))
    first.dispatch(themeChosen('dark'))
    first.dispatch(draftKept({ name: 'end s', value: { note: 'half done' } }))
    await written()
    const second = createStore()
    await persistSession(second, db, tab('one'))
    expect(second.getState().session).toEqual(first.getState().session)
  })
  test('a draft in one tab outlives a change of theme in another, and a draft of the other its end', async () => {
    const [here, there] = [createStore(), createStore()]
    await persistSession(here, db, tab('here', ['there']))
    await persistSession(there, db, tab('there', ['here']))
    here.dispatch(draftKept({ name: 'end s', value: { note: 'half done' } }))
    there.dispatch(draftKept({ name: 'end s', value: { note: 'begun there' } }))
    there.dispatch(draftKept({ name: 'sow t', value: { note: 'begun' } }))
    there.dispatch(themeChosen('dark'))
    here.dispatch(draftKept({ name: 'end s', value: { note: 'nearly done' } }))
    there.dispatch(draftDropped('sow t'))
    await written()
    const [again, beside] = [createStore(), createStore()]
    await persistSession(again, db, tab('here', ['there']))
    await persistSession(beside, db, tab('there', ['here']))
    expect(again.getState().session).toMatchObject({
      theme: 'dark',
      offers: {},
      drafts: { 'end s': { value: { note: 'nearly done' } } },
    })
    expect(beside.getState().session.drafts).toMatchObject({ 'end s': { value: { note: 'begun there' } } })
    expect(beside.getState().session.drafts).not.toHaveProperty('sow t')
  })

  describe('what a tab that is closed had begun', () => {
    const open = async (of: Tab) => {
      const store = createStore()
      await persistSession(store, db, of)
      return store
    }
    const begin = async (of: Tab, note: string) => {
      const store = await open(of)
      store.dispatch(draftKept({ name: 'end s', value: { note } }))
      await written()
    }
    test('is offered, the latest of it, and once taken up it is this tab’s own', async () => {
      await begin(tab('first'), 'begun first')
      await new Promise((resolve) => setImmediate(resolve))
      await begin(tab('second'), 'begun later')
      const store = await open(tab('third'))
      expect(store.getState().session).toMatchObject({
        drafts: {},
        offers: { 'end s': { value: { note: 'begun later' } } },
      })
      store.dispatch(offerTaken('end s'))
      await written()
      const after = await open(tab('third'))
      expect(after.getState().session).toMatchObject({
        drafts: { 'end s': { value: { note: 'begun later' } } },
        offers: {},
      })
      expect((await open(tab('fourth', ['third']))).getState().session.offers).toEqual({})
    })
    test('thrown away it is offered no more', async () => {
      await begin(tab('first'), 'begun')
      const store = await open(tab('second'))
      store.dispatch(offerLeft('end s'))
      await written()
      expect((await open(tab('third', ['second']))).getState().session.offers).toEqual({})
    })
    test('is not offered while the tab is open, nor after two months', async () => {
      await begin(tab('first'), 'begun')
      expect((await open(tab('second', ['first']))).getState().session.offers).toEqual({})
      const [entry] = await db.session.where('key').startsWith('form first').toArray()
      const at = Date.now() - 61 * 864e5
      await db.session.put({ ...entry, value: { ...(entry.value as object), at } })
      expect((await open(tab('third'))).getState().session.offers).toEqual({})
      expect(await db.session.get(entry.key)).toBeUndefined()
    })
    test('is offered as soon as that tab is closed, and not while it is only loaded anew', async () => {
      await begin(tab('first'), 'begun')
      const others = ['first']
      const closings: (() => void)[] = []
      const closed = () => new Promise<void>((resolve) => closings.push(resolve))
      const here = { ...tab('second', [], closed), open: async () => new Set(['second', ...others]) }
      const store = await open(here)
      expect(store.getState().session.offers).toEqual({})
      closings[0]()
      await until(() => closings.length === 2)
      expect(store.getState().session.offers).toEqual({})
      others.pop()
      closings[1]()
      await until(() => 'end s' in store.getState().session.offers)
    })
    test('where the browser does not tell which tabs are open, one silent for ten minutes counts as closed', async () => {
      await begin(tab('first', null), 'begun')
      expect((await open(tab('second', null))).getState().session.offers).toEqual({})
      const [entry] = await db.session.where('key').startsWith('form first').toArray()
      const at = Date.now() - 11 * 60_000
      await db.session.put({ ...entry, value: { ...(entry.value as object), at } })
      expect((await open(tab('second', null))).getState().session.offers).toHaveProperty('end s')
    })
  })

  test('a session kept by an older version is filled up with what is new, its drafts are offered', async () => {
    await db.session.put({ key: 'session', value: { gardenId: 'old', drafts: { 'sow x': { note: 'old' } } } })
    await db.session.put({ key: 'draft sow y', value: { note: 'newer' } })
    const store = createStore()
    await persistSession(store, db, tab('one'))
    expect(store.getState().session).toMatchObject({
      gardenId: 'old',
      theme: 'system',
      offers: { 'sow x': { value: { note: 'old' } }, 'sow y': { value: { note: 'newer' } } },
    })
    // From now on they have a date, and their two months run.
    expect(await db.session.get('draft sow y')).toMatchObject({ value: { at: expect.any(Number) } })
    store.dispatch(offerLeft('sow x'))
    await written()
    const later = createStore()
    await persistSession(later, db, tab('one'))
    expect(later.getState().session).toMatchObject({ gardenId: 'old', drafts: {} })
    expect(Object.keys(later.getState().session.offers)).toEqual(['sow y'])
  })
})

describe('what a season is computed from', () => {
  const data = marlpitLane()
  const today = dayNumber('2026-04-20')
  const find = (id: string) => data.stands.find((stand) => stand.id === `marlpit-lane-stand-${id}`)!

  test('the weather reaches from before the first sowing past the end of the loom', () => {
    const spec = weatherSpecOf(data, today)
    const sowings = data.stands.flatMap((stand) => stand.start.actual?.date ?? []).map(dayNumber)
    expect(spec.startDay).toBeLessThan(Math.min(...sowings) - 30)
    expect(spec.startDay + spec.days).toBeGreaterThan(
      startOfWeek(today) + (LOOM_WEEKS - WEEKS_BEFORE_TODAY) * 7 + 60,
    )
  })
  test('a day’s step keeps the start of the weather', () => {
    expect(weatherSpecOf(data, today + 1).startDay).toBe(weatherSpecOf(data, today).startDay)
  })
  test('what follows a cover is the next crop of its bed', () => {
    const next = nextStand(data, find('01'))!
    expect(next.content).toMatchObject({ cropId: 'pumpkin' })
    expect(standCaseOf(data, find('01'))!.nextStartDay).toBe(dayNumber('2026-06-26'))
    expect(standCaseOf(data, find('01'))!.checks).toHaveLength(1)
  })
  test('a cover sown under a crop is not what takes the ground from it', () => {
    const crop = find('02')
    const under = {
      ...find('03'),
      id: 'under',
      underStandId: crop.id,
      start: { plan: { ...find('03').start.plan!, date: addDays('2026-06-26', 20) }, actual: null },
    }
    expect(nextStand({ ...data, stands: [...data.stands, under] }, crop)?.id).toBe(find('03').id)
  })
  test('mulch carried to a bed reaches its stands, per m² of that bed; counts are shared by all', () => {
    const cut = {
      date: '2026-04-15',
      heightCm: 6,
      groundShare: 1,
      fate: 'carried off' as const,
      note: '',
      toBedId: 'marlpit-lane-L2',
      took: { massKg: 7.2, nitrogenG: 144 },
    }
    const giving = { ...find('01'), cuts: [{ id: 'c', cut: { plan: null, actual: cut } }] }
    const changed = {
      ...data,
      stands: data.stands.map((stand) => (stand.id === giving.id ? giving : stand)),
    }
    expect(standCaseOf(changed, find('04'))!.brought).toEqual([
      { day: dayNumber('2026-04-15'), massG: expect.closeTo(500, 6), nitrogenG: expect.closeTo(10, 6) },
    ])
    expect(standCaseOf(changed, giving)!.brought).toBeUndefined()
    expect(standCaseOf(changed, giving)!.own).toBe(standCaseOf(changed, find('04'))!.own)
    expect(Object.keys(ownOf(data.stands))).toContain('chop|vetch|in flower')
  })
  test('a stand whose bed is gone has no case', () => {
    expect(standCaseOf({ ...data, beds: [] }, find('01'))).toBeNull()
  })
})

test('ids are readable by kind and do not repeat', () => {
  const ids = Array.from({ length: 200 }, () => newId('bed'))
  expect(new Set(ids).size).toBe(200)
  for (const id of ids) expect(id).toMatch(/^bed-[0-9a-f]{32}$/)
})
