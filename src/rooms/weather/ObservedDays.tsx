import { mapValues } from 'es-toolkit/object'
import { useMemo, useState } from 'react'
import { writeDay } from '../../actions/observeWeather'
import { isoDate, parseDay } from '../../core/foundations/day'
import type { DayValue } from '../../core/garden/dayLimits'
import { observedDays, type ObservedDay } from '../../core/garden/weatherDays'
import { Field } from '../../parts/Field'
import { Form } from '../../parts/Form'
import { TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { ProblemLine } from '../../parts/ProblemLine'
import { Scroll } from '../../parts/Scroll'
import { useAct, useGarden } from '../../state/garden'
import { rain, shortDate, temperature, type Units } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { dayForm } from './place'

/** Days listed below the form. */
const LISTED_DAYS = 14
const SOURCES = { hand: 'written down', imported: 'imported', station: 'station' } as const

/** Writing down a day's low, high and rain, and the last two weeks as they are known. */
export function ObservedDays() {
  const { data, today, weather } = useGarden()
  const { units } = data.garden
  const byDay = useMemo(() => new Map(observedDays(weather).map((entry) => [entry.day, entry])), [weather])
  const [day, setDay] = useState(today - 1)
  return (
    <div className="mt-2">
      <DayFields key={day} day={day} known={byDay.get(day)} onDay={setDay} />
      <Scroll label="The last two weeks">
        <table className="table table-sm mt-3 w-auto" data-testid="observed-days">
          <thead>
            <tr>
              <th>Day</th>
              <th>Low</th>
              <th>High</th>
              <th>Rain</th>
              <th>From</th>
              <th>
                <span className="sr-only">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: LISTED_DAYS }, (_, i) => today - 1 - i).map((day) => (
              <DayRow key={day} day={day} known={byDay.get(day)} units={units} onChoose={() => setDay(day)} />
            ))}
          </tbody>
        </table>
      </Scroll>
    </div>
  )
}

const NOT_KNOWN: Pick<ObservedDay, DayValue> = { tMinC: null, tMaxC: null, rainMm: null }

/** Low, high and rain of one day; another day is another form. */
function DayFields({
  day,
  known,
  onDay,
}: {
  day: number
  known: ObservedDay | undefined
  onDay: (day: number) => void
}) {
  const { data, today, weather } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const [problem, setProblem] = useState<string | null>(null)
  const form = useTyped({
    schema: dayForm(units),
    draft: { name: `weather ${day}` },
    record: known ?? NOT_KNOWN,
    valueOf: ({ tMinC, tMaxC, rainMm }: Pick<ObservedDay, DayValue>) => ({ tMinC, tMaxC, rainMm }),
  })
  const save = form.submit(({ value }) => {
    const rounded = mapValues(value, (number) => (number === null ? null : Math.round(number * 100) / 100))
    return act(writeDay(data.garden, weather, { day, source: 'hand', ...rounded }))
  })
  const choose = (date: string) => {
    const next = parseDay(date)
    const ahead = next !== null && next > today
    setProblem(ahead ? 'Day: it lies ahead. Only days that were observed can be written down.' : null)
    if (next !== null && !ahead) onDay(next)
  }
  return (
    <>
      <Form className="flex flex-wrap items-start gap-3" aria-label="Weather of a day" onSubmit={save}>
        <Field label="Day">
          <input
            type="date"
            className="input w-44"
            defaultValue={isoDate(day)}
            max={isoDate(today)}
            onChange={(event) => choose(event.target.value)}
          />
        </Field>
        {VALUES.map(([value, label]) => (
          <TypedText
            key={value}
            form={form}
            name={value}
            label={`${label}, ${unitOf(value === 'rainMm' ? 'rain' : 'temperature', units)}`}
            className="w-24"
            decimal
          />
        ))}
        <button className="btn btn-primary mt-6">Write down</button>
      </Form>
      <p className="quiet mt-1 text-sm">Leave empty what you did not measure.</p>
      <ProblemLine text={problem} />
    </>
  )
}

const VALUES: [DayValue, string][] = [
  ['tMinC', 'Low'],
  ['tMaxC', 'High'],
  ['rainMm', 'Rain'],
]
function DayRow({
  day,
  known,
  units,
  onChoose,
}: {
  day: number
  known: ObservedDay | undefined
  units: Units
  onChoose: () => void
}) {
  const missing = <span className="quiet">not known</span>
  return (
    <tr>
      <td>{shortDate(day)}</td>
      <td>{known && known.tMinC !== null ? temperature(known.tMinC, units) : missing}</td>
      <td>{known && known.tMaxC !== null ? temperature(known.tMaxC, units) : missing}</td>
      <td>{known && known.rainMm !== null ? rain(known.rainMm, units) : missing}</td>
      <td>{known ? SOURCES[known.source] : '–'}</td>
      <td>
        <button className="btn btn-ghost btn-xs" onClick={onChoose} aria-label={`Change ${shortDate(day)}`}>
          Change
        </button>
      </td>
    </tr>
  )
}
