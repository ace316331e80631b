import { sumBy } from 'es-toolkit/math'
import { countAgain } from '../../actions/countAgain'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { Component } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import type { StandForecast } from '../../core/season/standForecast'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedNote, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { useAct } from '../../state/garden'
import { readQuantity, unitOf, writeQuantity } from '../../text/quantity'
import { countForm } from './forms'
import type { EndView } from './useEnd'

/** Ground looked at for a count unless another is given, in the garden's unit: a square metre, or ten square feet. */
const USUAL_GROUND = { metric: '1', imperial: '10' } as const

/** Plants per m² that stood before, of the species counted or of all. */
const plantsBefore = (components: readonly Component[], { plantsPerM2 }: StandForecast, speciesId: string) =>
  sumBy(plantsPerM2, ({ p50 }) => p50) === 0
    ? null
    : sumBy(
        plantsPerM2.filter((_, i) => speciesId === '' || components[i]?.speciesId === speciesId),
        ({ p50 }) => p50,
      )

/** A count of what stands again, out of what stood there. */
export function CountForm({ end }: { end: EndView }) {
  const { stand, today, forecast, garden } = end
  const { units } = garden
  const act = useAct()
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  const ended = dayNumber(stand.end.actual!.date)
  const form = useTyped({
    schema: countForm(ended, today, units),
    draft: { name: `count ${stand.id}` },
    blank: {
      day: isoDate(today),
      standing: '',
      groundM2: USUAL_GROUND[units],
      before: '',
      speciesId: '',
      note: '',
    },
  })
  const perM2 = forecast ? plantsBefore(components, forecast, form.text.speciesId) : null
  const groundM2 = readQuantity(form.text.groundM2, 'area', units)
  const expected =
    perM2 !== null && groundM2 > 0
      ? writeQuantity(Math.max(1, Math.round(perM2 * groundM2)), 'count', units)
      : ''
  const keep = form.submit(({ value }) => act(countAgain(stand, value, forecast ?? null)))
  const record = () => {
    // What is left empty is taken as the forecast has it, and written down so.
    if (form.text.before === '') form.set({ before: expected })
    return keep()
  }
  return (
    <Form
      className="no-print my-4 flex flex-wrap items-start gap-3"
      aria-label="Count what stands again"
      onSubmit={record}
    >
      <TypedDay form={form} name="day" label="Counted on" />
      <TypedText form={form} name="standing" label="Plants standing again" className="w-32" decimal />
      <TypedText
        form={form}
        name="groundM2"
        label={`On how much ground, ${unitOf('area', units)}`}
        className="w-32"
        decimal
      />
      <TypedText
        form={form}
        name="before"
        label="Stood there before"
        className="w-32"
        decimal
        placeholder={expected}
        hint={form.text.before === '' && expected !== '' ? `${expected} by the forecast` : undefined}
      />
      {components.length > 1 && (
        <TypedChoice
          form={form}
          name="speciesId"
          label="Which plant"
          className="w-40"
          options={[
            ['', 'all'],
            ...components.map(
              (component) => [component.speciesId, findSpecies(component.speciesId)?.name ?? ''] as const,
            ),
          ]}
        />
      )}
      <TypedNote form={form} name="note" />
      <button className="btn btn-primary mt-6">Record the count</button>
    </Form>
  )
}
