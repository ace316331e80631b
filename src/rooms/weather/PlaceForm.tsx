import { useMemo } from 'react'
import { changePlace } from '../../actions/changeGarden'
import { DraftOffer } from '../../parts/DraftOffer'
import { Form } from '../../parts/Form'
import { TypedText, TypedTick } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { Scroll } from '../../parts/Scroll'
import { useAct, useGarden } from '../../state/garden'
import { unitOf } from '../../text/quantity'
import { MONTHS, monthWord, placeForm, placePart, placeValue, ROWS } from './place'

/** Problems told at once; a table full of them helps nobody. */
const MOST_PROBLEMS = 6

/** The garden's normals by month, to be corrected by hand. */
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
