import type { KilimDatabase } from '../data/database'
import { restored, type SessionState } from './session'
import type { Store } from './store'

/** What older versions kept the whole session under. */
const WHOLE_KEY = 'session'
const PART = /^(field|draft|demoDay|calendar) (.+)$/
type Kept = Map<string, unknown>

/** The session in pieces that change by themselves: a tab writes only those it changed, and leaves others' drafts alone. */
function piecesOf({ drafts, demoDays, calendars, ...fields }: SessionState): Kept {
  const pieces: Kept = new Map()
  const put = (kind: string, values: object) =>
    Object.entries(values).forEach(([name, value]) => pieces.set(`${kind} ${name}`, value))
  put('field', fields)
  put('draft', drafts)
  put('demoDay', demoDays)
  put('calendar', calendars)
  return pieces
}

/** The session as it was kept, piece by piece. */
function sessionFrom(entries: readonly { key: string; value: unknown }[]): Partial<SessionState> {
  const whole = entries.find(({ key }) => key === WHOLE_KEY)?.value as Partial<SessionState> | undefined
  const kept: Record<string, Record<string, unknown>> = {
    field: {},
    draft: { ...whole?.drafts },
    demoDay: { ...whole?.demoDays },
    calendar: { ...whole?.calendars },
  }
  for (const { key, value } of entries) {
    const [, kind, name] = PART.exec(key) ?? []
    if (kind) kept[kind][name] = value
  }
  return {
    ...whole,
    ...kept.field,
    drafts: kept.draft,
    demoDays: kept.demoDay as SessionState['demoDays'],
    calendars: kept.calendar as SessionState['calendars'],
  }
}

/** Restores the session kept in the database, then keeps there what changes of it, each piece by itself. */
export async function persistSession(store: Store, db: KilimDatabase): Promise<void> {
  const entries = await db.session.toArray()
  store.dispatch(restored(sessionFrom(entries)))
  let last = store.getState().session
  if (entries.some(({ key }) => key === WHOLE_KEY))
    await db.transaction('rw', db.session, async () => {
      await db.session.bulkPut([...piecesOf(last)].map(([key, value]) => ({ key, value })))
      await db.session.delete(WHOLE_KEY)
    })
  store.subscribe(() => {
    const { session } = store.getState()
    if (session === last) return
    const [before, now] = [piecesOf(last), piecesOf(session)]
    last = session
    const put = [...now].filter(([key, value]) => before.get(key) !== value)
    const gone = [...before.keys()].filter((key) => !now.has(key))
    db.transaction('rw', db.session, async () => {
      await db.session.bulkPut(put.map(([key, value]) => ({ key, value })))
      await db.session.bulkDelete(gone)
    }).catch((error: unknown) => console.error('The session could not be kept', error))
  })
}
