import { Scroll } from '../../parts/Scroll'
import { useState } from 'react'
import { CLIMATE_TYPES, siteFromType, warmedBy, type ClimateType } from '../../core/site/climateTypes'
import { Field } from '../../parts/Field'
import { degrees, monthName } from '../../text/format'
import { useCommit, useGarden } from '../../state/garden'
import { ClimateByFrosts } from './ClimateByFrosts'
import { placeInputOf, readPlace, ROWS, type RowName } from './place'
import { Form } from '../../parts/Form'
import { typedNumber } from '../../parts/typed'
import { changed } from '../../data/writes'
import { useEdits } from '../../parts/useEdits'

/** Where the garden lies and its normals: typed by hand, or started from a generic climate. */
export function PlaceForm() {
  const { data } = useGarden()
  const commit = useCommit()
  const { seen, input, change, done } = useEdits(data.garden.site, placeInputOf)
  const [problems, setProblems] = useState<string[]>([])
  const [started, setStarted] = useState<{ type: ClimateType; warmedC: number } | null>(null)
  const setMonth = (row: RowName, month: number, text: string) =>
    change({ [row]: input[row].map((old, i) => (i === month ? text : old)) })

  function startFrom(typeId: string) {
    const type = CLIMATE_TYPES.find((item) => item.id === typeId)
    if (!type) return
    const [latitude, elevation] = here(type)
    change({ ...placeInputOf(siteFromType(type, latitude, elevation)), warming: input.warming })
    setStarted({ type, warmedC: warmedBy(type, latitude, elevation) })
  }
  /** The latitude and elevation typed; a type's own where they are not numbers. */
  function here(type: { latitude: number; elevationM: number }): [number, number] {
    const [latitude, elevation] = [typedNumber(input.latitude), typedNumber(input.elevationM)]
    return [
      Number.isFinite(latitude) ? latitude : type.latitude,
      Number.isFinite(elevation) ? elevation : type.elevationM,
    ]
  }

  async function save() {
    const read = readPlace(input, seen)
    if ('problems' in read) return setProblems(read.problems)
    setProblems([])
    const stored = await commit('Changed the place and its normals', [
      changed('gardens', { ...data.garden, site: seen }, { site: read.site }),
    ])
    if (stored.ok) done()
  }

  return (
    <Form className="mt-2 flex flex-col gap-3" aria-label="Place and normals" onSubmit={save}>
      <div className="flex flex-wrap items-start gap-3">
        <Field label="Latitude" hint="south is negative">
          <input
            className="input w-28"
            value={input.latitude}
            onChange={(event) => change({ latitude: event.target.value })}
          />
        </Field>
        <Field label="Elevation, m">
          <input
            className="input w-28"
            inputMode="numeric"
            value={input.elevationM}
            onChange={(event) => change({ elevationM: event.target.value })}
          />
        </Field>
        <Field label="Start from a climate" hint="fills the table below; nothing is stored yet">
          <select
            className="select w-96 max-w-full"
            value=""
            onChange={(event) => startFrom(event.target.value)}
          >
            <option value="">choose</option>
            {CLIMATE_TYPES.map((type) => (
              <option key={type.id} value={type.id}>
                {type.name}
              </option>
            ))}
          </select>
        </Field>
        <label className="mt-7 flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={input.coastal}
            onChange={(event) => change({ coastal: event.target.checked })}
          />
          near the coast
        </label>
        <Field label="Warmer since 2005, °C per decade" hint="0.2–0.4 in most places; −0.5 to 1">
          <input
            className="input w-28"
            value={input.warming}
            onChange={(event) => change({ warming: event.target.value })}
          />
        </Field>
      </div>
      {started && (
        <p className="quiet max-w-3xl text-sm" role="status">
          Taken from {started.type.latitude}° and {started.type.elevationM} m
          {Math.abs(started.warmedC) >= 0.25
            ? `, made ${degrees(started.warmedC, data.garden.units)} for where you are`
            : ''}
          . Compare a month you know.
        </p>
      )}
      <ClimateByFrosts
        place={{
          latitude: typedNumber(input.latitude),
          elevationM: typedNumber(input.elevationM),
          coastal: input.coastal,
        }}
        units={data.garden.units}
        onFitted={(site) => {
          change({ ...placeInputOf(site), warming: input.warming })
          setStarted(null)
        }}
      />
      <Scroll label="Normals to fill in">
        <table className="table table-sm w-auto">
          <thead>
            <tr>
              <th>Month</th>
              {ROWS.map((row) => (
                <th key={row.name}>{row.label}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: 12 }, (_, month) => (
              <tr key={month}>
                <th scope="row">{monthName(month * 30.44 + 15)}</th>
                {ROWS.map((row) => (
                  <td key={row.name} className="py-0.5">
                    <input
                      className="input input-sm w-20 text-right"
                      aria-label={`${row.label}, ${monthName(month * 30.44 + 15)}`}
                      value={input[row.name][month]}
                      onChange={(event) => setMonth(row.name, month, event.target.value)}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {problems.length > 0 && (
        <ul role="alert" className="font-semibold text-error">
          {problems.slice(0, 6).map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      <div>
        <button className="btn btn-primary btn-sm">Save the place</button>
      </div>
    </Form>
  )
}
