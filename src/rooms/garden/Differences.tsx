import { useLiveQuery } from 'dexie-react-hooks'
import { dayNumber } from '../../core/foundations/day'
import type { Check } from '../../core/garden/check'
import type { Bed, GardenData, Stand } from '../../core/garden/schema'
import { stillStands, takeOther, takeOtherStep } from '../../actions/takeOther'
import { database, type Conflict, type MergeRow, type StoredRecord } from '../../data/database'
import { standName } from '../../text/names'
import { useAct, useGarden } from '../../state/garden'
import { fieldOf, placeWords, valueWords } from '../../text/differences'
import { longDate, momentText } from '../../text/format'

/** What a record is called where a difference in it is told. */
function recordWords({ table, id, taken, other }: Conflict, data: GardenData): string {
  const bedLabel = (bedId: string) => data.beds.find((bed) => bed.id === bedId)?.label ?? ''
  const whole = (taken ?? other) as StoredRecord | null
  if (table === 'beds') return `Bed ${bedLabel(id) || (whole as Bed | null)?.label || ''}`
  if (table === 'stands') {
    const stand = data.stands.find((one) => one.id === id) ?? (whole as Stand | null)
    return stand?.content
      ? `${standName(stand)}${bedLabel(stand.bedId) && ` in ${bedLabel(stand.bedId)}`}`
      : 'A cover or crop'
  }
  if (table === 'checks') {
    const check = data.checks.find((one) => one.id === id) ?? (whole as Check | null)
    return check?.date ? `The check of ${longDate(dayNumber(check.date))}` : 'A check'
  }
  if (table === 'weather') return `The weather of ${id.split(':').at(-1)}`
  return table === 'lots' ? 'A bag of seed' : table === 'pictures' ? 'A picture' : 'The garden'
}

/** What beds, sections and stands are called, for the places that refer to them. */
const namesIn = (data: GardenData): ReadonlyMap<string, string> =>
  new Map([
    ...data.beds.map(({ id, label }) => [id, label] as const),
    ...data.garden.sections.map(({ id, name }) => [id, name] as const),
    ...data.stands.map((stand) => [stand.id, standName(stand)] as const),
  ])

/** Two records of one thing done exclude each other: which of them holds is for the grower to say. */
const asks = ({ table, place, taken, other }: Conflict) =>
  table === 'stands' && place.endsWith('/actual') && Boolean(taken) && Boolean(other)

/** What was written on both devices when the garden was brought together, until it has been looked at. */
export function Differences() {
  const { data } = useGarden()
  const merges = useLiveQuery(
    async () => {
      const all = await database.merges.where('gardenId').equals(data.garden.id).toArray()
      // Of what was taken back, or changed since, nothing is left to be told.
      const steps = await database.undo.bulkGet(all.map(({ step }) => step))
      const open = await Promise.all(
        all
          .filter((_, i) => steps[i]?.undone !== 1)
          .map(async (merge) => ({ merge, asked: await askedOf(merge) })),
      )
      return open.filter(({ asked }) => asked.length > 0)
    },
    [data.garden.id],
    [],
  )
  return merges.map(({ merge, asked }) => <OneMerge key={merge.id} merge={merge} asked={asked} />)
}

const recordOf = async ({ table, id }: Conflict) =>
  ((await database.table(table).get(id)) as StoredRecord | undefined) ?? null

/** What of a merge is still to be looked at. */
async function askedOf({ conflicts }: MergeRow): Promise<Conflict[]> {
  const records = await Promise.all(conflicts.map(recordOf))
  return conflicts.filter((conflict, i) => stillStands(conflict, records[i]))
}

function OneMerge({ merge, asked }: { merge: MergeRow; asked: readonly Conflict[] }) {
  const { data } = useGarden()
  const act = useAct()
  const settle = (conflict: Conflict) => {
    const left = merge.conflicts.filter((other) => other !== conflict)
    return left.length > 0
      ? database.merges.update(merge.id, { conflicts: left })
      : database.merges.delete(merge.id)
  }
  async function take(conflict: Conflict) {
    const what = `${recordWords(conflict, data)}, ${placeWords(conflict.place)}`
    if (await act(takeOtherStep(conflict, await recordOf(conflict), what))) await settle(conflict)
  }
  const { units } = data.garden
  const named = namesIn(data)
  const value = (of: unknown, place: string) => valueWords(of, units, fieldOf(place), named)
  const inOrder = [...asked].sort((a, b) => Number(asks(b)) - Number(asks(a)))
  return (
    <section aria-label="Changed on both devices" className="mt-3 max-w-3xl border-l-4 border-warning pl-3">
      <h3 className="font-semibold">Brought together on {momentText(merge.at)}: changed on both devices</h3>
      <ul className="mt-1 divide-y divide-base-300">
        {inOrder.map((conflict) => {
          const { table, id, place, taken, other } = conflict
          const record = recordWords(conflict, data)
          const can = takeOther(conflict, { id } as StoredRecord) !== null || (place === '' && other !== null)
          return (
            <li
              key={`${table} ${id} ${place}`}
              className="flex flex-wrap items-baseline gap-x-3 gap-y-1 py-1.5"
            >
              <span className="min-w-60 flex-1">
                <strong>{record}</strong>
                {place === ''
                  ? taken === null
                    ? ' was taken out on one device and changed on the other; it is gone.'
                    : ' was taken out on one device and used on the other; it stays.'
                  : table === 'weather'
                    ? `: ${String(taken)} days differ between the two; the better source was kept.`
                    : `, ${placeWords(place)}: ${asks(conflict) ? 'which was it? ' : ''}now ${value(taken, place)}; on the other device ${value(other, place)}.`}
              </span>
              <span className="flex gap-2">
                {can && (
                  <button className="btn btn-sm" onClick={() => void take(conflict)}>
                    {place === '' ? 'Bring it back' : 'Take the other'}
                  </button>
                )}
                <button className="btn btn-ghost btn-sm" onClick={() => void settle(conflict)}>
                  Leave it so
                </button>
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
