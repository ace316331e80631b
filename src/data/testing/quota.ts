import { marlpitLane } from '../../demo/marlpitLane'
import type { Outcome } from '../../core/foundations/outcome'
import { commit } from '../commit'
import type { KilimDatabase } from '../database'
import type { GardenFileData } from '../gardenFile'
import { gardenWrites } from '../gardenRecords'
import { importGarden } from '../importGarden'
import { redo, undo, undoStep } from '../undo'
import { added, changed } from '../writes'
import { fileOf, freshDatabase, inWords, printOf, unsound } from './stored'

/** What the storage does at a write: full, as a browser says it, or broken in a way nobody foresaw. */
export type Refusing = 'full' | 'broken'

const ERRORS: Record<Refusing, () => Error> = {
  full: () => new DOMException('The quota has been exceeded.', 'QuotaExceededError'),
  broken: () => new DOMException('The disk is gone.', 'UnknownError'),
}

/** Lets the n-th write from now on fail, through all that writes; gives what ends it and says whether it came to that. */
export function failingAt(n: number, how: Refusing): () => boolean {
  const stores = IDBObjectStore.prototype as unknown as Record<string, (...all: unknown[]) => unknown>
  const names = ['put', 'add', 'delete'] as const
  const own = Object.fromEntries(names.map((name) => [name, stores[name]]))
  let count = 0
  for (const name of names)
    stores[name] = function (...all) {
      if (++count === n) throw ERRORS[how]()
      return own[name].apply(this, all)
    }
  return () => {
    Object.assign(stores, own)
    return count >= n
  }
}

const demo = marlpitLane()
const { id } = demo.garden
const [check] = demo.checks
const looked = demo.stands.find((stand) => stand.id === check.standId)!
const bed = demo.beds.find((one) => one.id === looked.bedId)!
/** One bed of a garden with all that belongs to it: enough for every kind of write. */
const data = {
  ...demo,
  beds: [bed],
  stands: demo.stands.filter(({ bedId }) => bedId === bed.id),
  checks: [check],
  weather: [],
  lots: [],
  pictures: [],
}

async function stored(): Promise<KilimDatabase> {
  const db = freshDatabase()
  await commit(db, id, 'Open', gardenWrites(data))
  const seen = (await db.beds.get(bed.id))!
  await commit(db, id, 'Shade', [changed('beds', seen, { shade: 0.3 })])
  return db
}

const jpeg = new Uint8Array([1, 2, 3])
type Deed = (db: KilimDatabase, file: GardenFileData) => Promise<Outcome<unknown>>

/** All that writes records, each as one step. */
const DEEDS: Record<string, Deed> = {
  'a change': async (db) =>
    commit(db, id, 'Length', [changed('beds', (await db.beds.get(bed.id))!, { lengthM: 4.5 })]),
  'a check with a picture': (db) =>
    commit(db, id, 'Check', [
      added('checks', { ...check, id: 'check-torture', pictureIds: ['picture-torture'] }),
      {
        table: 'pictures',
        put: {
          id: 'picture-torture',
          gardenId: id,
          bedId: bed.id,
          standId: null,
          date: check.date,
          widthPx: 10,
          heightPx: 10,
          bytes: 6,
          caption: '',
        },
        seen: null,
        bytes: { full: jpeg, small: jpeg },
      },
    ]),
  'an import': (db, file) => importGarden(db, file, null, 'new'),
  'an import in the place of it': (db, file) => importGarden(db, file, null, 'replace'),
  'a bringing together': (db, file) =>
    importGarden(
      db,
      {
        ...file,
        beds: file.beds.map((one) => (one.id === bed.id ? { ...one, widthM: 1.9 } : one)),
        history: {
          seen: { ...file.history!.seen, phone: 999 },
          records: file.history!.records.map((one) =>
            one.name === `beds ${bed.id}`
              ? { ...one, places: { ...one.places, widthM: [999, 'phone'] } }
              : one,
          ),
        },
      },
      null,
      'merge',
    ),
  undo: (db) => undo(db, id),
  'a step taken back': async (db) => undoStep(db, (await db.undo.toCollection().last())!.id),
  redo: (db) => redo(db, id),
}

export type QuotaTally = { failed: number; deeds: Record<string, number>; faults: string[] }

/** Does every deed again and again, with the first write failing, the second, and so on until none is left. */
export async function tortureQuota(how: Refusing, most = 1000): Promise<QuotaTally> {
  const tally: QuotaTally = { failed: 0, deeds: {}, faults: [] }
  for (const [name, deed] of Object.entries(DEEDS)) {
    for (let n = 1; n <= most; n++) {
      const db = await stored()
      const file = await fileOf(db, id)
      if (name === 'redo') await undo(db, id)
      const [before, steps] = [await printOf(db), await db.undo.count()]
      const stop = failingAt(n, how)
      const done = await deed(db, file).catch((error: unknown) => {
        tally.faults.push(`${name}, write ${n}: threw ${String(error)}`)
        return null
      })
      const reached = stop()
      const fault = (what: string) => tally.faults.push(`${name}, write ${n}: ${what}`)
      if (done && !done.ok) {
        tally.failed++
        for (const problem of done.problems) if (!inWords(problem)) fault(`said “${problem.message}”`)
        if (how === 'full' && !/storage is full/.test(done.problems[0].message))
          fault(`said “${done.problems[0].message}”`)
        if ((await printOf(db)) !== before) fault('something of it was stored')
        if ((await db.undo.count()) !== steps) fault('a step is left of it')
      }
      for (const line of await unsound(db)) fault(line)
      await db.delete()
      if (!reached) {
        tally.deeds[name] = n - 1
        if (done && !done.ok) fault(`could not be done at all: ${done.problems[0].message}`)
        break
      }
    }
  }
  return tally
}
