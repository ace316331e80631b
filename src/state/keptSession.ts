import type { KilimDatabase } from '../data/database'
import { offersFound, restored, type Draft, type SessionState } from './session'
import type { Store } from './store'
import { thisTab, type Tab } from './tab'

/** What older versions kept the whole session under. */
const WHOLE_KEY = 'session'
const PART = /^(field|demoDay|calendar) (.+)$/
/** A half-filled form of a tab; what older versions kept of all tabs together has no tab. */
const FORM = /^(?:form (\S+)|draft) (.+)$/
/** How long what a closed tab left is offered, ms. */
const OFFERED_MS = 60 * 24 * 60 * 60 * 1000
/** Where the browser does not say which tabs are open, one that has not written for so long counts as closed, ms. */
const SILENT_MS = 10 * 60 * 1000

type Entry = { key: string; value: unknown }
type Kept = Map<string, unknown>

/** The session in pieces that change by themselves: a tab writes only those it changed, and leaves others' drafts alone. */
function piecesOf(
  { drafts, demoDays, calendars, offers: _offers, ...fields }: SessionState,
  tab: string,
): Kept {
  const pieces: Kept = new Map()
  const put = (kind: string, values: object) =>
    Object.entries(values).forEach(([name, value]) => pieces.set(`${kind} ${name}`, value))
  put('field', fields)
  put(`form ${tab}`, drafts)
  put('demoDay', demoDays)
  put('calendar', calendars)
  return pieces
}

/** A draft as it was kept, or as older versions kept it: without when, and of the first version of its form. */
function draftFrom(value: unknown): Draft {
  const known = value as Partial<Draft> | null
  return typeof known?.version === 'number' && typeof known.at === 'number'
    ? (known as Draft)
    : { version: 1, at: Date.now(), value }
}

/** The session as it was kept, piece by piece, with the drafts of a tab. */
function sessionFrom(entries: readonly Entry[], tab: string): Partial<SessionState> {
  const whole = entries.find(({ key }) => key === WHOLE_KEY)?.value as Partial<SessionState> | undefined
  const kept: Record<string, Record<string, unknown>> = {
    field: {},
    demoDay: { ...whole?.demoDays },
    calendar: { ...whole?.calendars },
  }
  const drafts: Record<string, Draft> = {}
  for (const { key, value } of entries) {
    const [, kind, name] = PART.exec(key) ?? []
    if (kind) kept[kind][name] = value
    const [, of, form] = FORM.exec(key) ?? []
    if (of === tab) drafts[form] = draftFrom(value)
  }
  return {
    ...whole,
    ...kept.field,
    drafts,
    offers: {},
    demoDays: kept.demoDay as SessionState['demoDays'],
    calendars: kept.calendar as SessionState['calendars'],
  }
}

const isDated = (value: unknown) => typeof (value as Partial<Draft> | null)?.at === 'number'

/** What tabs that are closed had begun, the latest of each form; what was begun too long ago; and the open tabs that began any. */
async function leftByOthers(entries: readonly Entry[], tab: Tab, now: number) {
  const open = await tab.open()
  const others = new Set<string>()
  const offers: SessionState['offers'] = {}
  const old: string[] = []
  for (const { key, value } of entries) {
    const [whole, of, name] = FORM.exec(key) ?? []
    if (!whole || of === tab.id) continue
    const draft = draftFrom(value)
    if (of && open?.has(of)) others.add(of)
    if (now - draft.at > OFFERED_MS) old.push(key)
    else if (of === undefined || (open ? !open.has(of) : now - draft.at > SILENT_MS)) {
      const known = offers[name]
      const keys = [...(known?.keys ?? []), key]
      offers[name] = { ...(known && known.at > draft.at ? known : draft), keys }
    }
  }
  return { offers, old, others }
}

/** Looks again for what was left, each time one of the tabs that have begun something is closed. */
function offerAsTheyClose(store: Store, db: KilimDatabase, tab: Tab, others: ReadonlySet<string>): void {
  for (const other of others)
    void tab.closed(other).then(async () => {
      const left = await leftByOthers(await db.session.toArray(), tab, Date.now())
      store.dispatch(offersFound(left.offers))
      if (left.others.has(other)) offerAsTheyClose(store, db, tab, new Set([other]))
    })
}

/** What of the forms offered was taken up or thrown away. */
const settled = (before: SessionState['offers'], now: SessionState['offers']): string[] =>
  before === now ? [] : Object.keys(before).flatMap((name) => (name in now ? [] : before[name].keys))

/**
 * Restores the session kept in the database, then keeps there what changes of it, each piece by itself. Half-filled forms
 * are those of this tab; what tabs that are closed had begun is offered.
 */
export async function persistSession(store: Store, db: KilimDatabase, own?: Tab): Promise<void> {
  const tab = own ?? (await thisTab())
  const stored = await db.session.toArray()
  const whole = stored.find(({ key }) => key === WHOLE_KEY)?.value as Partial<SessionState> | undefined
  const ofAllTabs = Object.entries(whole?.drafts ?? {}).map(([name, value]) => ({
    key: `draft ${name}`,
    value,
  }))
  // What older versions kept has no date; from now on it has, so that its time to be offered ends.
  const undated = [...stored, ...ofAllTabs].filter(({ key, value }) => FORM.test(key) && !isDated(value))
  const dated = new Map(undated.map(({ key, value }) => [key, { key, value: draftFrom(value) }]))
  const entries = [...stored.filter(({ key }) => !dated.has(key)), ...dated.values()]
  store.dispatch(restored(sessionFrom(entries, tab.id)))
  const { offers, old, others } = await leftByOthers(entries, tab, Date.now())
  store.dispatch(offersFound(offers))
  offerAsTheyClose(store, db, tab, others)
  let last = store.getState().session
  if (whole || dated.size > 0 || old.length > 0)
    await db.transaction('rw', db.session, async () => {
      await db.session.bulkPut([...dated.values()])
      await db.session.bulkPut([...piecesOf(last, tab.id)].map(([key, value]) => ({ key, value })))
      await db.session.bulkDelete([WHOLE_KEY, ...old])
    })
  store.subscribe(() => {
    const { session } = store.getState()
    if (session === last) return
    const [was, now] = [piecesOf(last, tab.id), piecesOf(session, tab.id)]
    const left = settled(last.offers, session.offers)
    last = session
    const put = [...now].filter(([key, value]) => was.get(key) !== value)
    const gone = [...[...was.keys()].filter((key) => !now.has(key)), ...left]
    db.transaction('rw', db.session, async () => {
      await db.session.bulkPut(put.map(([key, value]) => ({ key, value })))
      await db.session.bulkDelete(gone)
    }).catch((error: unknown) => console.error('The session could not be kept', error))
  })
}
