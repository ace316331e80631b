import { useMemo } from 'react'
import { addFixture, removeFixture } from '../../actions/beds'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Bed } from '../../core/garden/schema'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { NO_EDGES, rectangleTyped } from '../../parts/ground/groundForm'
import { PieceFields } from '../../parts/ground/GroundFields'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { segmentText } from '../../text/bed'
import { area } from '../../text/format'
import { FIXTURES } from '../../text/names'
import { unitOf } from '../../text/quantity'
import { fixtureForm, fixtureValue } from './forms'

/** The bed from above: what lies where today, what stays in it, and something more that stays, drawn where it is. */
export function WhatStays({ bed }: { bed: Bed }) {
  const { units } = useGarden().data.garden
  const act = useAct()
  return (
    <details className="mt-6" data-testid="what-stays">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
        From above, and what stays{' '}
        {bed.fixtures.length > 0 && (
          <span className="quiet font-sans text-sm">{bed.fixtures.map(({ label }) => label).join(', ')}</span>
        )}
      </summary>
      <AddFixture bed={bed} />
      <ul className="mt-2 max-w-3xl divide-y divide-base-300">
        {bed.fixtures.map((fixture) => (
          <li key={fixture.id} className="flex flex-wrap items-center gap-x-3 py-1">
            <span>
              <strong>{fixture.label}</strong>, {FIXTURES[fixture.kind]}, takes {area(fixture.areaM2, units)},{' '}
              {fixture.place
                ? segmentText({ kind: 'rectangle', ...fixture.place }, units, bed)
                : 'no place given: it counts for every part of the bed'}
            </span>
            <button
              className="btn btn-ghost btn-sm"
              aria-label={`Remove ${fixture.label}`}
              onClick={single(() => act(removeFixture(bed, fixture)))}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}

function AddFixture({ bed }: { bed: Bed }) {
  const { data, today } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const form = useTyped({
    schema: useMemo(() => fixtureForm(bed, units), [bed, units]),
    draft: { name: `stays in ${bed.id}` },
    blank: { kind: 'kept plant', label: '', ...NO_EDGES, areaM2: '' },
  })
  const place = rectangleTyped(form.text, bed, units)
  return (
    <Form
      className="mt-2 flex max-w-3xl flex-col gap-3"
      aria-label="What stays in this bed"
      onSubmit={form.submit(({ value }) => act(addFixture(bed, fixtureValue(value, bed))))}
    >
      <p className="quiet">
        A rhubarb, a post, a drip line: draw where it is. It takes its ground from the seed, and sheets, fire,
        animals or a roller stay off the parts of the bed it stands in.
      </p>
      <PieceFields bed={bed} form={form} day={today} />
      <div className="grid grid-cols-2 items-start gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]">
        <TypedChoice
          form={form}
          name="kind"
          label="What stays"
          options={(Object.keys(FIXTURES) as (keyof typeof FIXTURES)[]).map(
            (kind) => [kind, FIXTURES[kind]] as const,
          )}
        />
        <TypedText form={form} name="label" label="Name" placeholder="rhubarb" />
        <TypedText
          form={form}
          name="areaM2"
          label={`Takes, ${unitOf('area', units)}`}
          placeholder={
            place ? area(segmentAreaM2({ ...bed, fixtures: [] }, { kind: 'rectangle', ...place }), units) : ''
          }
          decimal
        />
        <button className="btn mt-6">It stays</button>
      </div>
    </Form>
  )
}
