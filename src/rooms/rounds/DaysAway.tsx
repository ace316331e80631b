import { goAway, stayHere } from '../../actions/daysAhead'
import { awayAhead } from '../../core/rounds/away'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { Form } from '../../parts/Form'
import { TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { shortDate } from '../../text/format'
import { awayForm } from './forms'

/** Days on which nobody is there, said once; jobs that fall into them say so. */
export function DaysAway() {
  const { data, today } = useGarden()
  const act = useAct()
  const form = useTyped({
    schema: awayForm(today),
    draft: { name: 'days away' },
    blank: { from: isoDate(today + 7), to: isoDate(today + 14), who: '' },
  })
  const ahead = awayAhead(data.garden.away, today)
  return (
    <details className="no-print mt-3" open={form.begun || undefined}>
      <summary className="cursor-pointer py-1 font-semibold">
        Days away{ahead.length > 0 ? `: ${ahead.length}` : ''}
      </summary>
      <ul className="mt-1" data-testid="days-away">
        {ahead.map(({ id, from, to, who }) => (
          <li key={id} className="flex flex-wrap items-center gap-2">
            {shortDate(dayNumber(from))} to {shortDate(dayNumber(to))}
            {who ? `, ${who} looks after things` : ', nobody is there'}
            <button className="btn btn-ghost min-h-11" onClick={single(() => act(stayHere(data.garden, id)))}>
              Take back
            </button>
          </li>
        ))}
      </ul>
      <Form
        className="mt-1 flex flex-wrap items-start gap-3"
        aria-label="Days away"
        onSubmit={form.submit(({ value }) =>
          act(goAway(data.garden, { fromDay: value.from, toDay: value.to, who: value.who })),
        )}
      >
        <TypedDay form={form} name="from" label="First day" />
        <TypedDay form={form} name="to" label="Last day" />
        <TypedText form={form} name="who" label="Looked after by" className="w-40" placeholder="nobody" />
        <button className="btn mt-6 h-11">Note it</button>
      </Form>
    </details>
  )
}
