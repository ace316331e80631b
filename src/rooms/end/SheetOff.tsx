import { useState } from 'react'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { EndDetails } from '../../core/garden/ending'
import { DateField } from '../../parts/DateField'
import { dateRangeText, longDate } from '../../text/format'
import { standName } from '../../parts/names'
import { useCommit } from '../../state/garden'
import { liftProblem } from './liftProblem'
import type { EndView } from './useEnd'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

/** The day the sheet came off: until then it goes on killing, from then on what stands again is counted. */
export function SheetOff({ end, actual }: { end: EndView; actual: EndDetails }) {
  const { stand, today, forecast } = end
  const commit = useCommit()
  const [picked, setDate] = useState<string | null>(null)
  const date = picked ?? isoDate(today)
  const [asked, setAsked] = useState(false)
  const name = standName(stand).toLowerCase()
  const keep = (liftedOn: string | undefined, label: string) =>
    commit(label, [changed('stands', stand, { end: { ...stand.end, actual: { ...actual, liftedOn } } })])
  if (actual.liftedOn)
    return (
      <p className="my-2">
        The sheet came off on {longDate(dayNumber(actual.liftedOn))}, after{' '}
        {dayNumber(actual.liftedOn) - dayNumber(actual.date)} days.{' '}
        <button
          className="btn btn-ghost btn-xs"
          onClick={single(() => keep(undefined, `The sheet over ${name} lies on`))}
        >
          It still lies
        </button>
      </p>
    )
  const problem = liftProblem(date, actual.date, today)
  const dead = forecast?.ended
  return (
    <Form
      className="no-print my-3 flex flex-wrap items-start gap-3"
      aria-label="Sheet off"
      onSubmit={() => {
        setAsked(true)
        return problem ? undefined : keep(date, `Took the sheet off ${name}`)
      }}
    >
      <DateField label="Sheet off on" value={date} onChange={setDate} error={asked ? problem : undefined} />
      <button className="btn md:mt-6">Record that it is off</button>
      <p className="quiet text-sm md:mt-8">
        {dead
          ? `Dead under it about ${dateRangeText(dead)}.`
          : 'By the forecast it is not dead under the sheet before the ground is taken.'}
      </p>
    </Form>
  )
}
