import { useMemo, useState } from 'react'
import { isoDate, parseDay } from '../../core/foundations/day'
import { observedDays, withDays, type ObservedDay } from '../../core/garden/weatherDays'
import type { DayValue } from '../../core/garden/dayLimits'
import { Field } from '../../parts/Field'
import { rain, shortDate, temperature, type Units } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { useCommit, useGarden } from '../../state/garden'
import { dayInputOf, readDay, type DayInput } from './observed'
import { ProblemLine } from '../../parts/ProblemLine'
import { Form } from '../../parts/Form'
import { yearWrites } from '../../data/writes'

/** Days listed below the form. */
const LISTED_DAYS = 14
const SOURCES = { hand: 'written down', imported: 'imported', station: 'station' } as const

/** Writing down a day's low, high and rain, and the last two weeks as they are known. */
export function ObservedDays() {
  const { data, today, weather } = useGarden()
  const commit = useCommit()
  const { units } = data.garden
  const byDay = useMemo(() => new Map(observedDays(weather).map((entry) => [entry.day, entry])), [weather])
  const [input, setInput] = useState<DayInput>(() =>
    dayInputOf(isoDate(today - 1), byDay.get(today - 1), units),
  )
  const [problem, setProblem] = useState<string | null>(null)
  const choose = (date: string) => {
    const day = parseDay(date)
    setInput(day === null ? { ...input, date } : dayInputOf(date, byDay.get(day), units))
    setProblem(null)
  }

  async function save() {
    const read = readDay(input, units, today)
    if ('problem' in read) return setProblem(read.problem)
    setProblem(null)
    const outcome = await commit(
      `Wrote down the weather of ${shortDate(read.day.day)}`,
      yearWrites(weather, withDays(weather, data.garden.id, [read.day])),
    )
    if (!outcome.ok) setProblem(outcome.problems[0].message)
  }

  return (
    <div className="mt-2">
      <Form className="flex flex-wrap items-start gap-3" aria-label="Weather of a day" onSubmit={save}>
        <Field label="Day">
          <input
            type="date"
            className="input w-44"
            value={input.date}
            max={isoDate(today)}
            onChange={(event) => choose(event.target.value)}
          />
        </Field>
        {VALUES.map(([value, label]) => (
          <Field key={value} label={`${label}, ${unitOf(value, units)}`}>
            <input
              className="input w-24"
              inputMode="decimal"
              value={input[value]}
              onChange={(event) => setInput({ ...input, [value]: event.target.value })}
            />
          </Field>
        ))}
        <button className="btn btn-primary mt-6">Write down</button>
      </Form>
      <p className="quiet mt-1 text-sm">Leave empty what you did not measure.</p>
      <ProblemLine text={problem} />
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
              <DayRow
                key={day}
                day={day}
                known={byDay.get(day)}
                units={units}
                onChoose={() => choose(isoDate(day))}
              />
            ))}
          </tbody>
        </table>
      </Scroll>
    </div>
  )
}

const VALUES: [DayValue, string][] = [
  ['tMinC', 'Low'],
  ['tMaxC', 'High'],
  ['rainMm', 'Rain'],
]
const unitOf = (value: DayValue, units: Units) =>
  value === 'rainMm' ? (units === 'imperial' ? 'in' : 'mm') : units === 'imperial' ? '°F' : '°C'

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
