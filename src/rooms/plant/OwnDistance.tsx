import { useMemo } from 'react'
import { changeCloser } from '../../actions/changeRules'
import type { Garden } from '../../core/garden/schema'
import { lateRule } from '../../core/planting/spacing'
import type { Crop } from '../../core/plants/crops'
import { Form } from '../../parts/Form'
import { TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { useAct } from '../../state/garden'
import { percent } from '../../text/format'
import { closerForm } from './form'

/** How much closer a crop is planted when late, as the grower found it in trials of their own. */
export function OwnDistance({ crop, garden }: { crop: Crop; garden: Garden }) {
  const act = useAct()
  const { units } = garden
  const usual = lateRule(crop)
  const own = garden.rules.closerWhenLate[crop.id]
  const form = useTyped({
    schema: useMemo(() => closerForm(units), [units]),
    record: own ?? usual,
    valueOf: ({ closerPerWeek, least }) => ({ closerPerWeek, least }),
  })
  return (
    <details className="mt-1" data-testid="own-distance">
      <summary className="cursor-pointer text-sm">
        When late:{' '}
        {(own ?? usual).closerPerWeek > 0
          ? `${percent((own ?? usual).closerPerWeek)} closer a week`
          : 'the same distance'}
        {own ? ', your own' : ''}
      </summary>
      <Form
        className="mt-1 flex flex-wrap items-start gap-3"
        aria-label={`Distance of ${crop.name.toLowerCase()} when late`}
        onSubmit={form.submit(({ value }) => act(changeCloser(garden, crop.id, value)))}
      >
        <TypedText form={form} name="closerPerWeek" label="Closer a week, %" className="w-32" decimal />
        <TypedText form={form} name="least" label="Never below, %" className="w-32" decimal />
        <button className="btn mt-6">Keep as my own</button>
        {own && (
          <button
            type="button"
            className="btn btn-ghost mt-6"
            onClick={single(() => act(changeCloser(garden, crop.id, null)))}
          >
            As usual, {percent(usual.closerPerWeek)} a week
          </button>
        )}
      </Form>
    </details>
  )
}
