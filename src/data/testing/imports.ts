import { mixSeed } from '../../core/foundations/random'
import { harrierPoint } from '../../demo/harrierPoint'
import { marlpitLane } from '../../demo/marlpitLane'
import { commit } from '../commit'
import type { KilimDatabase } from '../database'
import { writeArchive } from '../gardenArchive'
import { gardenWrites } from '../gardenRecords'
import { gardenText } from '../gardenText'
import { importGarden, waysOf } from '../importGarden'
import { readPicked, type PickedFile } from '../readPicked'
import { undo } from '../undo'
import { drawFrom, spoiltBytes, spoiltText, type Draw } from './mutations'
import { freshDatabase, inWords, printOf, recordsIn, unsound } from './stored'

/** What a run of spoilt imports came to; `faults` are what must not be, a line each. */
export type ImportTally = {
  refused: number
  taken: number
  notStored: number
  faults: string[]
  /** The texts of files that were taken in. */
  accepted: string[]
}

/** A store with both demo gardens, of which a file may touch one at most. */
async function twoGardens(): Promise<KilimDatabase> {
  const db = freshDatabase()
  for (const data of [marlpitLane(), harrierPoint()])
    await commit(db, data.garden.id, 'Open', gardenWrites({ ...data, weather: [], lots: [], pictures: [] }))
  return db
}

async function filesOf(db: KilimDatabase): Promise<object[]> {
  const ids = await db.gardens.toCollection().primaryKeys()
  return Promise.all(ids.map(async (id) => JSON.parse((await gardenText(db, id))!.text) as object))
}

/** A file to pick: JSON, or one in five a zip, which is itself spoilt half of the time. */
async function fileFrom(text: string, draw: Draw): Promise<File> {
  if (draw.below(5) > 0) return new File([text], 'garden.json')
  const whole = await writeArchive(text, [])
  return new File([draw.below(2) === 0 ? spoiltBytes(whole, draw) : whole], 'garden.zip')
}

/** One picked file is taken in, if it can be, and taken back again; what must not be is added to the tally. */
async function takeIn(db: KilimDatabase, picked: PickedFile, draw: Draw, tally: ImportTally, before: string) {
  const { file } = picked
  const way = draw.of(await waysOf(db, file))
  const others = (id: string) => id !== file.garden.id
  const elsewhere = await printOf(db, others)
  const fault = (what: string) => tally.faults.push(`${way} of ${file.garden.id}: ${what}`)
  const stored = await importGarden(db, file, picked.pictures, way)
  if (!stored.ok) {
    tally.notStored++
    for (const problem of stored.problems) if (!inWords(problem)) fault(`said “${problem.message}”`)
    if ((await printOf(db)) !== before) fault('refused, yet something was stored')
    return
  }
  tally.taken++
  const { gardenId } = stored.value
  if ((await printOf(db, (id) => others(id) && id !== gardenId)) !== elsewhere && others(gardenId))
    fault('another garden was touched')
  for (const line of await unsound(db)) fault(line)
  if (stored.value.step === null) return
  const undone = await undo(db, gardenId)
  if (!undone.ok) fault(`not taken back: ${undone.problems[0].message}`)
  else if ((await printOf(db)) !== before) fault('taken back, yet not as it was')
}

/** Files over one store, before it begins anew: undone steps, copies and histories pile up in it. */
const PER_STORE = 250

/**
 * Picks spoilt garden files over two stored gardens, takes in those that can be, and takes them back.
 *
 * @param count files
 * @param seed of all draws
 * @param kept texts kept of those that were taken in
 */
export async function tortureImports(count: number, seed: number, kept = 0): Promise<ImportTally> {
  const tally: ImportTally = { refused: 0, taken: 0, notStored: 0, faults: [], accepted: [] }
  for (let from = 0; from < count; from += PER_STORE)
    await overOneStore(from, Math.min(count, from + PER_STORE), seed, kept, tally)
  return tally
}

async function overOneStore(from: number, to: number, seed: number, kept: number, tally: ImportTally) {
  const db = await twoGardens()
  const files = await filesOf(db)
  const ids = (await recordsIn(db)).map(({ record }) => record.id)
  const before = await printOf(db)
  for (let i = from; i < to; i++) {
    const draw = drawFrom(mixSeed(seed, i))
    const text = spoiltText(draw.of(files), draw, ids)
    const known = tally.faults.length
    try {
      const picked = await readPicked(await fileFrom(text, draw))
      if (picked.ok) {
        if (tally.accepted.length < kept) tally.accepted.push(text)
        await takeIn(db, picked.value, draw, tally, before)
      } else {
        tally.refused++
        for (const problem of picked.problems)
          if (!inWords(problem)) tally.faults.push(`${problem.path} said “${problem.message}”`)
      }
    } catch (error) {
      tally.faults.push(`threw ${String(error)}`)
    }
    for (let k = known; k < tally.faults.length; k++) tally.faults[k] = `file ${i}: ${tally.faults[k]}`
    if ((await printOf(db)) !== before) {
      tally.faults.push(`file ${i}: the gardens are not as they were`)
      break
    }
  }
  await db.delete()
}
