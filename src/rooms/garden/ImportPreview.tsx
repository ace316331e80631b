import { useLiveQuery } from 'dexie-react-hooks'
import { useState } from 'react'
import { database } from '../../data/database'
import type { MergedGarden } from '../../data/devices/mergeGardens'
import type { Replica } from '../../data/devices/replica'
import type { GardenFileData } from '../../data/gardenFile'
import { merging, waysOf, type Way } from '../../data/importGarden'
import { Form } from '../../parts/Form'
import type { PickedFile } from '../../data/readPicked'

const counted = (count: number, one: string, many: string) =>
  count === 0 ? [] : [`${count} ${count === 1 ? one : many}`]

/** What a file holds, in words. */
function contents(
  { beds, stands, checks, pictures, lots, weather }: GardenFileData,
  withBytes: boolean,
): string {
  return [
    ...counted(beds.length, 'bed', 'beds'),
    ...counted(stands.length, 'cover or crop', 'covers and crops'),
    ...counted(checks.length, 'check', 'checks'),
    ...counted(pictures.length, 'picture', 'pictures').map((text) =>
      withBytes ? text : `${text} (not in this file)`,
    ),
    ...counted(lots.length, 'bag of seed', 'bags of seed'),
    ...counted(weather.length, 'year of weather', 'years of weather'),
  ].join(', ')
}

/** What bringing a file together changes here, in words. */
function mergeWords({ here, merged }: { here: Replica; merged: MergedGarden }): string {
  const names = new Set([...here.records.keys(), ...merged.records.keys()])
  const tally = { comes: 0, goes: 0, changes: 0 }
  for (const name of names) {
    const [before, after] = [here.records.get(name), merged.records.get(name)]
    if (!before) tally.comes++
    else if (!after) tally.goes++
    else if (JSON.stringify(before) !== JSON.stringify(after)) tally.changes++
  }
  const { length } = merged.conflicts
  const parts = [
    ...counted(tally.comes, 'record comes in', 'records come in'),
    ...counted(tally.changes, 'record changes', 'records change'),
    ...counted(tally.goes, 'record was taken out there', 'records were taken out there'),
  ]
  return [
    parts.length > 0 ? `${parts.join(', ')}.` : length === 0 ? 'Nothing new is in the file.' : '',
    length === 0
      ? ''
      : `${length === 1 ? 'One thing was' : `${length} things were`} changed on both: the later stands, and you can take the other.`,
  ]
    .filter(Boolean)
    .join(' ')
}

/** What a picked file holds and the ways it can be taken in; nothing is stored before one is chosen. */
export function ImportPreview({
  picked: { name, file, pictures },
  onImport,
  onCancel,
}: {
  picked: PickedFile
  onImport: (way: Way) => Promise<void>
  onCancel: () => void
}) {
  const found = useLiveQuery(
    async () => ({ ways: await waysOf(database, file), together: await merging(database, file) }),
    [file],
  )
  const [chosen, setChosen] = useState<Way | null>(null)
  if (!found) return null
  const { ways, together } = found
  const way = chosen ?? ways[0]
  const here = ways.length > 1
  const words: Record<Way, [string, string]> = {
    merge: ['Bring it together with the garden here', together ? mergeWords(together) : ''],
    new: [
      here ? 'As a garden of its own beside it' : 'As a new garden',
      here ? 'Everything gets a name of its own; the garden here stays as it is.' : '',
    ],
    replace: ['In the place of the garden here', 'A copy of the one here is kept for 30 days.'],
  }
  return (
    <Form
      className="mt-3 max-w-2xl border-l-4 border-primary pl-3"
      aria-label="Import"
      onSubmit={() => onImport(way)}
    >
      <p>
        <strong>{file.garden.name}</strong>, from {name}: {contents(file, pictures !== null)}.
        {here && ' This garden is here already.'}
      </p>
      <fieldset className="mt-2 grid gap-1">
        <legend className="sr-only">How to take it in</legend>
        {ways.map((one) => (
          <label key={one} className="flex items-baseline gap-2">
            <input
              type="radio"
              name="way"
              className="radio radio-sm translate-y-1 border-base-content/60"
              checked={way === one}
              onChange={() => setChosen(one)}
            />
            <span>
              {words[one][0]}
              {words[one][1] && <span className="quiet block text-sm">{words[one][1]}</span>}
            </span>
          </label>
        ))}
      </fieldset>
      <div className="mt-3 flex gap-2">
        <button className="btn btn-primary btn-sm">Import it</button>
        <button type="button" className="btn btn-sm" onClick={onCancel}>
          Leave it
        </button>
      </div>
    </Form>
  )
}
