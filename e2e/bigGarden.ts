import { marlpitLane } from '../src/demo/marlpitLane'
import { writeGardenFile } from '../src/data/gardenFile'

/** All dates of a record some days earlier. */
const earlier = <T>(record: T, days: number): T =>
  JSON.parse(
    JSON.stringify(record).replace(/\d{4}-\d\d-\d\d/g, (date) =>
      new Date(Date.parse(date) - days * 86_400_000).toISOString().slice(0, 10),
    ),
  )

/** Marlpit Lane again and again until it has `count` beds; each time a day earlier, so that no two are computed alike. */
function gardenOf(count: number) {
  const one = marlpitLane()
  const copies = Math.ceil(count / one.beds.length)
  const copy = <T extends { id: string }>(record: T, n: number) => ({ ...record, id: `${record.id}-${n}` })
  const beds = Array.from({ length: copies }, (_, n) =>
    one.beds.map((bed) => ({
      ...copy(bed, n),
      label: `${n + 1}${bed.label}`,
      walkOrder: bed.walkOrder + n * one.beds.length,
    })),
  ).flat()
  const kept = beds.slice(0, count)
  const ids = new Set(kept.map((bed) => bed.id))
  const stands = Array.from({ length: copies }, (_, n) =>
    one.stands.map((stand) => earlier({ ...copy(stand, n), bedId: `${stand.bedId}-${n}` }, n)),
  )
    .flat()
    .filter((stand) => ids.has(stand.bedId))
  return { garden: { ...one.garden, id: 'big', name: 'Two hundred beds' }, beds: kept, stands, checks: [] }
}

/** The same as the text of a garden file. */
export function bigGarden(count: number): string {
  const data = gardenOf(count)
  const owned = <T>(records: readonly T[]) => records.map((record) => ({ ...record, gardenId: 'big' }))
  return writeGardenFile(
    { ...data, beds: owned(data.beds), stands: owned(data.stands) },
    '2026-04-20T00:00:00Z',
  )
}
