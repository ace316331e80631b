import { omit } from 'es-toolkit/object'
import { useMemo, useState } from 'react'
import { changePlace } from '../../actions/changeGarden'
import { CLIMATE_TYPES, siteFromType, warmedBy, type ClimateType } from '../../core/site/climateTypes'
import type { SiteClimate } from '../../core/garden/site'
import { DraftOffer } from '../../parts/DraftOffer'
import { Field } from '../../parts/Field'
import { Form } from '../../parts/Form'
import { TypedText, TypedTick } from '../../parts/form/fields'
import { textOf } from '../../parts/form/typedText'
import { useTyped } from '../../parts/form/useTyped'
import { Scroll } from '../../parts/Scroll'
import { useAct, useGarden } from '../../state/garden'
import { degrees, metres } from '../../text/format'
import { readQuantity, unitOf } from '../../text/quantity'
import { ClimateByFrosts } from './ClimateByFrosts'
import { MONTHS, monthWord, placeForm, placePart, placeValue, ROWS } from './place'

/** Problems told at once; a table full of them helps nobody. */
const MOST_PROBLEMS = 6

/** Where the garden lies and its normals: typed by hand, or started from a generic climate. */
export function PlaceForm() {
  const { data } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const schema = useMemo(() => placeForm(units), [units])
  const form = useTyped({
    schema,
    draft: { name: 'place' },
    record: data.garden.site,
    valueOf: placeValue,
  })
  const [started, setStarted] = useState<{ type: ClimateType; warmedC: number } | null>(null)
  /** Fills in another site; how fast it grows warmer stays as it was said. */
  const fill = (site: SiteClimate) => form.set(omit(textOf(schema, placeValue(site)), ['warming']))

  function startFrom(typeId: string) {
    const type = CLIMATE_TYPES.find((item) => item.id === typeId)
    if (!type) return
    const { latitude = NaN, elevationM = NaN } = here
    const [north, up] = [
      Number.isFinite(latitude) ? latitude : type.latitude,
      Number.isFinite(elevationM) ? elevationM : type.elevationM,
    ]
    fill(siteFromType(type, north, up))
    setStarted({ type, warmedC: warmedBy(type, north, up) })
  }
  const here = {
    latitude: readQuantity(form.text.latitude, 'degrees', units),
    elevationM: readQuantity(form.text.elevationM, 'length', units),
    coastal: form.text.coastal,
  }
  const inTable = form.problemsIn('normals', ...ROWS.map(({ name }) => name))
  const save = form.submit(({ seen, part }) =>
    act(changePlace(data.garden, seen, placePart(seen, part, units))),
  )

  return (
    <Form className="mt-2 flex flex-col gap-3" aria-label="Place and normals" onSubmit={save}>
      <DraftOffer offer={form.offer} />
      <div className="flex flex-wrap items-start gap-3">
        <TypedText form={form} name="latitude" label="Latitude" hint="south is negative" className="w-28" />
        <TypedText
          form={form}
          name="elevationM"
          label={`Elevation, ${unitOf('length', units)}`}
          className="w-28"
          decimal
        />
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
        <div className="md:mt-7">
          <TypedTick form={form} name="coastal" label="near the coast" />
        </div>
        <TypedText
          form={form}
          name="warming"
          label={`Warmer since 2005, ${unitOf('warming', units)} per decade`}
          hint={units === 'imperial' ? '0.4–0.7 in most places' : '0.2–0.4 in most places; −0.5 to 1'}
          className="w-28"
        />
      </div>
      {started && (
        <p className="quiet max-w-3xl text-sm" role="status">
          Taken from {started.type.latitude}° and {metres(started.type.elevationM, units)}
          {Math.abs(started.warmedC) >= 0.25
            ? `, made ${degrees(started.warmedC, units)} for where you are`
            : ''}
          . Compare a month you know.
        </p>
      )}
      <ClimateByFrosts
        place={here}
        units={units}
        onFitted={(site) => {
          fill(site)
          setStarted(null)
        }}
      />
      <Scroll label="Normals to fill in">
        <table className="table table-sm w-auto">
          <thead>
            <tr>
              <th>Month</th>
              {ROWS.map((row) => (
                <th key={row.name}>{labelOf(row, units)}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {MONTHS.map((month) => (
              <tr key={month}>
                <th scope="row">{monthWord(month)}</th>
                {ROWS.map((row) => (
                  <td key={row.name} className="py-0.5">
                    <input
                      className="input input-sm w-20 text-right"
                      aria-label={`${labelOf(row, units)}, ${monthWord(month)}`}
                      aria-invalid={form.problem(`${row.name}.${month}` as never) ? true : undefined}
                      {...form.register(`${row.name}.${month}` as never)}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {inTable.length > 0 && (
        <ul role="alert" className="font-semibold text-error">
          {inTable.slice(0, MOST_PROBLEMS).map((problem) => (
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

function labelOf({ label, kind }: (typeof ROWS)[number], units: Parameters<typeof unitOf>[1]): string {
  const unit = unitOf(kind, units)
  return unit === '' ? label : `${label}, ${unit}`
}
