import { isoDate, parseDay } from '../../core/foundations/day'
import { DateField } from '../../parts/DateField'
import { shortDate } from '../../parts/format'
import { EstablishmentOptions } from '../../parts/options'
import { SelectField } from '../../parts/SelectField'
import type { EndForm } from './form'
import type { EndView } from './useEnd'
import { Form } from '../../parts/Form'

/** Days on both sides of a planting date that it can be dragged over. */
const DRAG_DAYS = 35

/** The planting date and the start asked for: typed or dragged; everything below follows. */
export function Dates({ end, withStart = false }: { end: EndView; withStart?: boolean }) {
  const { form, change, problems, today, garden, target, view } = end
  const wait = garden.waitDays[form.establishment]
  const planned = view.next?.plantingDay ?? target?.plantingDay ?? Math.max(today, end.sownDay) + 60
  return (
    <Form className="no-print mb-2 flex flex-wrap items-start gap-x-6 gap-y-2" aria-label="What follows">
      <div className="w-64">
        <DateField
          label={view.next ? `Plant ${view.next.name.toLowerCase()} on` : 'Planting date'}
          error={problems.plantingDate}
          value={form.plantingDate}
          onChange={(plantingDate) => change({ plantingDate })}
        />
        <input
          type="range"
          className="range range-primary range-xs mt-2 w-full"
          aria-label="Drag the planting date"
          aria-valuetext={target ? shortDate(target.plantingDay) : undefined}
          min={Math.max(today + 1, planned - DRAG_DAYS)}
          max={Math.min(end.horizon - 7, planned + DRAG_DAYS)}
          value={target?.plantingDay ?? planned}
          onChange={(event) => change({ plantingDate: isoDate(Number(event.target.value)) })}
        />
      </div>
      <SelectField
        label="It is"
        className="w-40"
        value={form.establishment}
        onChange={(establishment: EndForm['establishment']) => change({ establishment })}
        hint={`Your wait: ${wait} days (Garden room)`}
      >
        <EstablishmentOptions />
      </SelectField>
      {withStart && <StartDate end={end} />}
    </Form>
  )
}

/** The start that every way is asked for; none lets each stand at its own best. */
function StartDate({ end }: { end: EndView }) {
  const { form, change, problems, today, target } = end
  const start = parseDay(form.startDate)
  return (
    <>
      <div className="w-64">
        <DateField
          label="If the work began on"
          error={problems.startDate}
          value={form.startDate}
          onChange={(startDate) => change({ startDate })}
        />
        <input
          type="range"
          className="range range-primary range-xs mt-2 w-full"
          aria-label="Drag the start"
          aria-valuetext={start === null ? 'each way at its own best' : shortDate(start)}
          min={today}
          max={Math.max(today + 1, (target?.plantingDay ?? today + 60) - 1)}
          value={start ?? today}
          onChange={(event) => change({ startDate: isoDate(Number(event.target.value)) })}
        />
      </div>
      <p className="quiet mt-7 max-w-56 text-sm">
        {start === null ? (
          'Each way is shown at its latest safe start, or its best.'
        ) : (
          <button type="button" className="btn btn-xs" onClick={() => change({ startDate: '' })}>
            Each at its own best
          </button>
        )}
      </p>
    </>
  )
}
