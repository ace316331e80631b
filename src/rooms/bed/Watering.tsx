import { useState } from 'react'
import { isoDate, parseDay } from '../../core/foundations/day'
import { MM_PER_INCH } from '../../core/foundations/units'
import type { Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { DateField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { rain, shortDate } from '../../text/format'
import { useCommit, useGarden } from '../../state/garden'
import { newId } from '../../data/ids'
import { ProblemLine } from '../../parts/ProblemLine'
import { typedNumber } from '../../parts/typed'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'

/** Writing down water given by hand to a growing cover; its forecast takes it in. */
export function Watering({ stand }: { stand: Stand }) {
  const { data, today } = useGarden()
  const commit = useCommit()
  const { units } = data.garden
  const [date, setDate] = useState(isoDate(today))
  const [amount, setAmount] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const given = stand.waterings ?? []
  const sown = latest(stand.start)?.date ?? ''

  async function save() {
    const typed = typedNumber(amount)
    const mm = units === 'imperial' ? typed * MM_PER_INCH : typed
    if (amount.trim() === '' || !(mm >= 0.5 && mm <= 200))
      return setProblem(`Water given must be between ${rain(0.5, units)} and ${rain(200, units)}.`)
    if (parseDay(date) === null || date < sown || date > isoDate(today))
      return setProblem('Day: choose one between the sowing and today.')
    setProblem(null)
    const waterings = [...given, { id: newId('watering'), date, mm: Math.round(mm * 10) / 10 }]
    const outcome = await commit(`Watered on ${shortDate(parseDay(date)!)}`, [
      changed('stands', stand, { waterings }),
    ])
    if (outcome.ok) setAmount('')
    else setProblem(outcome.problems[0].message)
  }

  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">Water given by hand</summary>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Water given" onSubmit={save}>
        <DateField label="Day" value={date} onChange={setDate} />
        <Field label={units === 'imperial' ? 'Water, in' : 'Water, mm (litres per m²)'}>
          <input
            className="input w-32"
            inputMode="decimal"
            value={amount}
            onChange={(event) => setAmount(event.target.value)}
          />
        </Field>
        <button className="btn mt-6">Write down</button>
      </Form>
      <ProblemLine text={problem} />
      {given.length > 0 && (
        <p className="quiet mt-1 text-sm">
          {given.map(({ date: on, mm }) => `${shortDate(parseDay(on)!)} ${rain(mm, units)}`).join(', ')}
        </p>
      )}
    </details>
  )
}
