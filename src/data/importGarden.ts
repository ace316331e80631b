import { failure, success, type Outcome } from '../core/foundations/outcome'
import { commit, ownerOf } from './commit'
import { besidePage } from './beside/besidePage'
import { notedExport } from './backup'
import { copyOf } from './copies'
import type { Conflict, CopyRow, KilimDatabase, MergeRow, PictureBytes, StoredRecord } from './database'
import { adopted, stampChanges } from './devices/history'
import { replicaIn, replicaOf, type Replica } from './devices/replica'
import type { MergedGarden } from './devices/mergeGardens'
import { differingPlaces } from './devices/places'
import type { GardenFileData } from './gardenFile'
import { gardenWrites, recordsOf } from './gardenRecords'
import { loadGarden, loadKept } from './gardens'
import { newId } from './ids'
import type { Plain } from './merge'
import { refusedOr } from './problems'
import { reissued } from './reissue'
import type { Write } from './writes'

/**
 * How a file is taken in: as a garden of its own; in the place of the same garden, of which a copy is kept; or brought
 * together with it.
 */
export type Way = 'new' | 'replace' | 'merge'

/** What an import did: the garden it made or changed, whether its records got new ids, and what both had written. */
export type Imported = {
  gardenId: string
  way: Way
  renamed: boolean
  step: number | null
  conflicts: Conflict[]
}

type Bytes = ReadonlyMap<string, Omit<PictureBytes, 'id'>> | null

/** The ways in which a file can be taken in here, the usual one first. */
export async function waysOf(db: KilimDatabase, file: GardenFileData): Promise<[Way, ...Way[]]> {
  if (!(await db.gardens.get(file.garden.id))) return ['new']
  return file.history ? ['merge', 'new', 'replace'] : ['replace', 'new']
}

/** Whether any record of a garden carries the id of a record that belongs to another garden stored here. */
async function clashes(db: KilimDatabase, data: GardenFileData): Promise<boolean> {
  for (const { table, record } of recordsOf(data)) {
    const stored = (await db.table(table).get(record.id)) as StoredRecord | undefined
    if (stored && ownerOf(stored) !== data.garden.id) return true
  }
  return false
}

/** A garden under an id, its records with it. A year of weather is named after its garden, so that it can be no other's. */
function named(file: GardenFileData, gardenId: string): GardenFileData {
  const moved = <T extends object>(records: T[]) => records.map((record) => ({ ...record, gardenId }))
  return {
    ...file,
    garden: { ...file.garden, id: gardenId },
    beds: moved(file.beds),
    stands: moved(file.stands),
    checks: moved(file.checks),
    lots: moved(file.lots),
    pictures: moved(file.pictures),
    weather: moved(file.weather).map((year) => ({ ...year, id: `${gardenId}:${year.year}` })),
  }
}

/** Longest part of a garden's name that is kept where it is told apart from another of that name. */
const NAME_KEPT = 56
const secondName = (name: string) => `${name.slice(0, NAME_KEPT)} (2)`

/** The writes with the bytes of the pictures that come with them; `from` tells what a picture was called in the file. */
const withBytes = (writes: readonly Write[], bytes: Bytes, from: (id: string) => string): Write[] =>
  writes.map((write) => {
    const found = write.table === 'pictures' && 'put' in write && bytes?.get(from(write.put.id))
    return found ? { ...write, bytes: found } : write
  })

/**
 * Stores a garden from a file as one step that can be undone. No other garden is touched: where records carry ids of
 * another garden's, all are given new ones.
 */
export async function importGarden(
  db: KilimDatabase,
  file: GardenFileData,
  bytes: Bytes,
  way: Way,
): Promise<Outcome<Imported>> {
  if (way === 'merge') return bringTogether(db, file, bytes)
  const stored = await loadGarden(db, file.garden.id)
  // Beside the same garden it becomes one of its own.
  const twin = way === 'new' && stored !== null
  const gardenId = twin ? newId('garden') : file.garden.id
  const own = named(
    twin ? { ...file, garden: { ...file.garden, name: secondName(file.garden.name) } } : file,
    gardenId,
  )
  const renamed = twin || (await clashes(db, own))
  const data = renamed ? reissued(own, newId) : own
  const old = way === 'replace' && stored ? { ...stored, ...(await loadKept(db, gardenId)) } : null
  let copy: Awaited<ReturnType<typeof copyOf>> | null
  try {
    copy = old && (await copyOf(db, gardenId))
  } catch (error) {
    return failure(...refusedOr(error))
  }
  const names = new Map(data.pictures.map(({ id }, i) => [id, file.pictures[i].id]))
  const writes = withBytes(gardenWrites(data, old), bytes, (id) => names.get(id) ?? id)
  const replica = renamed || old ? null : replicaIn(file)
  const known = (await db.replicas.get(gardenId))?.seen
  const outcome = await commit(db, gardenId, `Imported ${file.garden.name}`, writes, {
    keepHistory: replica ? adopted(replica, known) : stampChanges,
    by: 'file',
    beside: {
      tables: [db.copies, db.station],
      async write() {
        if (copy) await db.copies.add(copy as CopyRow)
        // What the file does not hold of the station's days is asked for again.
        await db.station.delete(gardenId)
        // What came from outside is kept there.
        await notedExport(db, gardenId)
      },
    },
  })
  if (!outcome.ok) return outcome
  return success({ gardenId, way, renamed, step: outcome.value, conflicts: [] })
}

/** What a file brought together with the same garden here comes to, nothing being stored; null where it cannot be. */
export async function merging(
  db: KilimDatabase,
  file: GardenFileData,
): Promise<{ here: Replica; merged: MergedGarden } | null> {
  const here = await replicaOf(db, file.garden.id)
  const there = replicaIn(named(file, file.garden.id))
  if (!here || !there) return null
  return { here, merged: await besidePage((work) => work.mergeGardens(here, there)) }
}

/** Brings a file together with the same garden here, and keeps what both had written until it has been looked at. */
async function bringTogether(
  db: KilimDatabase,
  file: GardenFileData,
  bytes: Bytes,
): Promise<Outcome<Imported>> {
  const gardenId = file.garden.id
  const found = await merging(db, file)
  if (!found)
    return failure({
      path: 'history',
      code: 'no-history',
      message:
        'The file does not say what was written when, so it cannot be brought together. Import it as a garden of its own, or in the place of this one.',
    })
  const { here, merged } = found
  const { conflicts } = merged
  const names = [...new Set([...here.records.keys(), ...merged.records.keys()])]
  const writes = names.flatMap((name): Write[] => {
    const [before, after] = [here.records.get(name) ?? null, merged.records.get(name) ?? null]
    const table = name.slice(0, name.indexOf(' ')) as Write['table']
    if (!after) return before ? [{ table, remove: before.id }] : []
    const same = before && differingPlaces(before as unknown as Plain, after as unknown as Plain).length === 0
    return same ? [] : [{ table, put: after, seen: before } as Write]
  })
  const step = await commit(
    db,
    gardenId,
    `Brought together with the file of ${file.garden.name}`,
    withBytes(writes, bytes, (id) => id),
    {
      keepHistory: adopted(merged, here.seen),
      by: 'file',
      beside: {
        tables: [db.merges],
        async write(number) {
          const row = { gardenId, at: Date.now(), step: number ?? 0, conflicts }
          if (conflicts.length > 0) await db.merges.add(row as MergeRow)
        },
      },
    },
  )
  if (!step.ok) return step
  return success({ gardenId, way: 'merge', renamed: false, step: step.value, conflicts })
}
