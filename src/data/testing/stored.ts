import { stableHash } from '../../core/foundations/hash'
import { referenceProblems } from '../../core/garden/consistency'
import { ownerOf } from '../commit'
import { KilimDatabase, type StoredRecord, type TableName } from '../database'
import { readGardenFile, type GardenFileData } from '../gardenFile'
import { loadGarden } from '../gardens'
import { gardenText } from '../gardenText'
import { recordProblems } from '../recordProblems'

const TABLES: readonly TableName[] = ['gardens', 'beds', 'stands', 'checks', 'weather', 'lots', 'pictures']

let made = 0
/** An empty database of its own. */
export const freshDatabase = () => new KilimDatabase(`torture-${process.pid}-${++made}`)

/** A garden as a device would export it, read again. */
export async function fileOf(db: KilimDatabase, gardenId: string): Promise<GardenFileData> {
  const read = readGardenFile((await gardenText(db, gardenId))!.text)
  if (!read.ok) throw new Error(read.problems[0].message)
  return read.value
}

/** Every record of a database with its table, in a fixed order. */
export async function recordsIn(db: KilimDatabase): Promise<{ table: TableName; record: StoredRecord }[]> {
  const lists = await Promise.all(
    TABLES.map(async (table) =>
      ((await db.table(table).orderBy(':id').toArray()) as StoredRecord[]).map((record) => ({
        table,
        record,
      })),
    ),
  )
  return lists.flat()
}

/** What all records of a database come to, or those of some gardens: two that are equal hold the same. */
export const printOf = async (db: KilimDatabase, owned: (gardenId: string) => boolean = () => true) =>
  stableHash((await recordsIn(db)).filter(({ record }) => owned(ownerOf(record))))

/** What is wrong in a database that only sound records may be in: one line for each. */
export async function unsound(db: KilimDatabase): Promise<string[]> {
  const all = await recordsIn(db)
  const gardens = new Set(all.filter(({ table }) => table === 'gardens').map(({ record }) => record.id))
  const faults = all.flatMap(({ table, record }) => [
    ...recordProblems(table, record).map(({ path, message }) => `${table} ${record.id} ${path}: ${message}`),
    ...(gardens.has(ownerOf(record)) ? [] : [`${table} ${record.id} belongs to no garden`]),
  ])
  for (const id of gardens) {
    const data = (await loadGarden(db, id))!
    faults.push(...referenceProblems(data).map(({ path, message }) => `${id} ${path}: ${message}`))
  }
  return faults
}

/** Wording of checkers that no grower should read. */
const RAW = /Invalid (input|option|value)|received|ZodError|\bundefined\b|\bNaN\b|\[object|Expected/

/** Whether a refusal can be understood: it has words, and they are not the checker's own. */
export const inWords = ({ message }: { message: string }) => message.length > 10 && !RAW.test(message)
