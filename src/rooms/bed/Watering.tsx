import { waterStand } from '../../actions/keepBed'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { Form } from '../../parts/Form'
import { TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { rain, shortDate } from '../../text/format'
import { waterForm } from './forms'

/** Writing down water given by hand to a growing cover; its forecast takes it in. */
export function Watering({ stand }: { stand: Stand }) {
  const { data, today } = useGarden()
  const act = useAct()
  const { units } = data.garden
  const sown = latest(stand.start)
  const form = useTyped({
    schema: waterForm(sown ? dayNumber(sown.date) : today, today, units),
    draft: { name: `water ${stand.id}` },
    blank: { day: isoDate(today), mm: '' },
  })
  const given = stand.waterings
  return (
    <details className="mt-3" open={form.begun || undefined}>
      <summary className="cursor-pointer font-semibold">Water given by hand</summary>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Water given"
        onSubmit={form.submit(({ value }) => act(waterStand(stand, value)))}
      >
        <TypedDay form={form} name="day" label="Day" />
        <TypedText
          form={form}
          name="mm"
          label={units === 'imperial' ? 'Water, in' : 'Water, mm (litres per m²)'}
          className="w-32"
          decimal
        />
        <button className="btn mt-6">Write down</button>
      </Form>
      {given.length > 0 && (
        <p className="quiet mt-1 text-sm">
          {given.map(({ date: on, mm }) => `${shortDate(parseDay(on)!)} ${rain(mm, units)}`).join(', ')}
        </p>
      )}
    </details>
  )
}
