import { marlpitLane } from '../../src/demo/marlpitLane'
import { commit } from '../../src/data/commit'
import { KilimDatabase } from '../../src/data/database'
import type { GardenFileData } from '../../src/data/gardenFile'
import { gardenWrites } from '../../src/data/gardenRecords'
import { loadGarden } from '../../src/data/gardens'
import { importGarden } from '../../src/data/importGarden'
import { fileOf, unsound } from '../../src/data/testing/stored'
import { openSecond, SecondStore } from '../../src/data/secondStore'
import { undoStep } from '../../src/data/undo'
import { added, changed } from '../../src/data/writes'

/**
 * The page that is killed: it writes, imports, brings together, saves pictures and undoes without end, and says before each
 * deed what it will make so, and after it that it was answered with yes.
 */
const demo = marlpitLane()
const { id } = demo.garden
const [bed] = demo.beds
const [check] = demo.checks
const db = new KilimDatabase('kill')
const kept = new SecondStore(db)

/** What a deed makes so: under a name, a text that `standing` gives for it. */
type Claim = { name: string; text: string }
/** Waits until it was heard: what was announced cannot be lost with the browser. */
const say = (what: 'will' | 'did', claim: Claim) =>
  (window as unknown as { heard: (line: string) => Promise<void> }).heard(JSON.stringify({ what, ...claim }))

async function sure<T>(
  outcome: Promise<{ ok: true; value: T } | { ok: false; problems: unknown }>,
): Promise<T> {
  const done = await outcome
  if (!done.ok) throw new Error(JSON.stringify(done.problems))
  return done.value
}

const bytes = (n: number) => new Uint8Array(20_000).fill(n % 251)

/** What is done one after the other, with what each makes so. */
type Deed = (n: number) => Promise<[Claim, () => Promise<unknown>][]>
const DEEDS: Deed[] = [
  async (n) => {
    const shade = (n % 1000) / 2000
    const seen = (await db.beds.get(bed.id))!
    return [
      [
        { name: 'shade', text: String(shade) },
        () => sure(commit(db, id, 'Shade', [changed('beds', seen, { shade })])),
      ],
    ]
  },
  async (n) => {
    const own = `torture-${n}`
    const picture = {
      id: own,
      gardenId: id,
      bedId: bed.id,
      standId: null,
      date: check.date,
      widthPx: 10,
      heightPx: 10,
      bytes: 40_000,
      caption: '',
    }
    const writes = [
      added('checks', { ...check, id: own, pictureIds: [own] }),
      { table: 'pictures' as const, put: picture, seen: null, bytes: { full: bytes(n), small: bytes(n) } },
    ]
    return [[{ name: `check ${own}`, text: 'whole' }, () => sure(commit(db, id, 'Check', writes))]]
  },
  async (n) => {
    const file = await fileOf(db, id)
    const garden = { ...file.garden, id: `garden-torture-${n}` }
    return [
      [
        { name: `garden ${garden.id}`, text: `${file.beds.length} beds, ${file.stands.length} stands` },
        () =>
          sure(
            importGarden(db, { ...file, garden, checks: [], pictures: [], history: undefined }, null, 'new'),
          ),
      ],
    ]
  },
  async (n) => {
    const file = await fileOf(db, id)
    const widthM = 1 + (n % 1000) / 1000
    const count = 1_000_000 + n
    const histories = file.history!.records.map((one) =>
      one.name === `beds ${bed.id}`
        ? { ...one, places: { ...one.places, widthM: [count, 'phone'] as [number, string] } }
        : one,
    )
    const there: GardenFileData = {
      ...file,
      beds: file.beds.map((one) => (one.id === bed.id ? { ...one, widthM } : one)),
      history: { seen: { ...file.history!.seen, phone: count }, records: histories },
    }
    return [[{ name: 'width', text: String(widthM) }, () => sure(importGarden(db, there, null, 'merge'))]]
  },
  async (n) => {
    const seen = (await db.beds.get(bed.id))!
    const [before, pathWidthM] = [seen.pathWidthM, 0.3 + (n % 99) / 1000]
    let step: number | null = null
    return [
      [
        { name: 'path', text: String(pathWidthM) },
        async () => (step = await sure(commit(db, id, 'Path', [changed('beds', seen, { pathWidthM })]))),
      ],
      [{ name: 'path', text: String(before) }, async () => (step === null ? null : sure(undoStep(db, step)))],
    ]
  },
]

/** What stands under a name, as a claim would say it; empty where nothing does. */
async function standing(name: string): Promise<string> {
  const [kind, own] = name.split(' ')
  const now = (await db.beds.get(bed.id))!
  if (kind === 'shade') return String(now.shade)
  if (kind === 'width') return String(now.widthM)
  if (kind === 'path') return String(now.pathWidthM)
  if (kind === 'check') {
    const [found, picture, kept] = [
      await db.checks.get(own),
      await db.pictures.get(own),
      await db.pictureBytes.get(own),
    ]
    return found && picture && kept?.full.length === 20_000 ? 'whole' : found || picture ? 'in part' : ''
  }
  const data = await loadGarden(db, own)
  return data ? `${data.beds.length} beds, ${data.stands.length} stands` : ''
}

Object.assign(window, {
  /** Opens what is stored, or begins it; gives whether it was begun or put back, and what is wrong in it. */
  async opened() {
    await db.open()
    const second = await openSecond('kill')
    const putBack = second ? await kept.begin(second, () => openSecond('kill', true)) : 0
    const began = !(await db.gardens.get(id))
    if (began) await sure(commit(db, id, 'Open', gardenWrites(demo)))
    return { began, putBack, wrong: await unsound(db) }
  },
  standing: async (names: string[]) => Promise.all(names.map(standing)),
  /** Lets go of gardens that were imported, so that the store stays small. */
  async swept() {
    for (const own of (await db.gardens.toCollection().primaryKeys()).filter((key) => key !== id))
      for (const table of ['gardens', 'beds', 'stands', 'lots', 'weather'] as const)
        await db
          .table(table)
          .where(table === 'gardens' ? 'id' : 'gardenId')
          .equals(own)
          .delete()
    await db.undo.clear()
  },
  async write(from: number) {
    for (let n = from; ; n++) {
      for (const [claim, done] of await DEEDS[Math.floor(Math.random() * DEEDS.length)](n)) {
        await say('will', claim)
        await done()
        await say('did', claim)
      }
    }
  },
})
