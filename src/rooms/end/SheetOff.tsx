import { sheetOff } from '../../actions/endStand'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { EndDetails } from '../../core/garden/ending'
import { Form } from '../../parts/Form'
import { TypedDay } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { dateRangeText, longDate } from '../../text/format'
import { useAct } from '../../state/garden'
import { liftForm } from './forms'
import type { EndView } from './useEnd'

/** The day the sheet came off: until then it goes on killing, from then on what stands again is counted. */
export function SheetOff({ end, actual }: { end: EndView; actual: EndDetails }) {
  const { stand, today, forecast } = end
  const act = useAct()
  const form = useTyped({
    schema: liftForm(actual.date, today),
    draft: { name: `sheet ${stand.id}` },
    blank: { day: isoDate(today) },
  })
  if (actual.liftedOn)
    return (
      <p className="my-2">
        The sheet came off on {longDate(dayNumber(actual.liftedOn))}, after{' '}
        {dayNumber(actual.liftedOn) - dayNumber(actual.date)} days.{' '}
        <button className="btn btn-ghost btn-xs" onClick={single(() => act(sheetOff(stand, null)))}>
          Still on
        </button>
      </p>
    )
  const dead = forecast?.ended
  return (
    <Form
      className="no-print my-3 flex flex-wrap items-start gap-3"
      aria-label="Sheet off"
      onSubmit={form.submit(({ value }) => act(sheetOff(stand, value.day)))}
    >
      <TypedDay form={form} name="day" label="Sheet off on" />
      <button className="btn md:mt-6">Record that it is off</button>
      <p className="quiet text-sm md:mt-8">
        {dead
          ? `Dead under it about ${dateRangeText(dead)}.`
          : 'By the forecast it is not dead under the sheet before the ground is taken.'}
      </p>
    </Form>
  )
}
