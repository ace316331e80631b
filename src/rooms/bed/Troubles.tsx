import { useState } from 'react'
import { isoDate, parseDay } from '../../core/foundations/day'
import type { Bed } from '../../core/garden/schema'
import { SPECIES } from '../../core/plants/catalogue'
import { CROPS } from '../../core/plants/crops'
import { DateField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { longDate } from '../../text/format'
import { useCommit, useGarden } from '../../state/garden'
import { newId } from '../../data/ids'
import { ProblemLine } from '../../parts/ProblemLine'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

const FAMILIES = [...new Set([...CROPS, ...SPECIES].map((plant) => plant.family))].sort()

/** Diseases and pests that were bad in this bed; Choose keeps their plant family away for some years. */
export function Troubles({ bed }: { bed: Bed }) {
  const { today } = useGarden()
  const commit = useCommit()
  const [family, setFamily] = useState('')
  const [what, setWhat] = useState('')
  const [date, setDate] = useState(isoDate(today))
  const [problem, setProblem] = useState<string | null>(null)
  const troubles = bed.troubles ?? []
  const store = (next: typeof troubles, label: string) =>
    commit(label, [changed('beds', bed, { troubles: next })])

  async function add() {
    if (family === '') return setProblem('Plant family: choose the one that suffered.')
    if (what.trim() === '') return setProblem('Trouble: say what it was, such as clubroot.')
    if (parseDay(date) === null || date > isoDate(today))
      return setProblem('Seen on: choose today or an earlier day.')
    setProblem(null)
    const outcome = await store(
      [...troubles, { id: newId('trouble'), date, family, what: what.trim() }],
      `Noted ${what.trim()} in ${bed.label}`,
    )
    if (outcome.ok) setWhat('')
    else setProblem(outcome.problems[0].message)
  }

  return (
    <details className="mt-6">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
        Diseases and pests{' '}
        {troubles.length > 0 && <span className="quiet font-sans text-sm">{troubles.length}</span>}
      </summary>
      <ul className="mt-1">
        {troubles.map((trouble) => (
          <li key={trouble.id} className="flex flex-wrap items-center gap-3">
            {longDate(parseDay(trouble.date) ?? today)}: {trouble.what} on {trouble.family}
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${trouble.what}`}
              onClick={single(() =>
                store(
                  troubles.filter((other) => other.id !== trouble.id),
                  `Removed ${trouble.what} from ${bed.label}`,
                ),
              )}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Disease or pest" onSubmit={add}>
        <DateField label="Seen on" value={date} onChange={setDate} />
        <Field label="Plant family">
          <select className="select w-48" value={family} onChange={(event) => setFamily(event.target.value)}>
            <option value="">choose</option>
            {FAMILIES.map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Trouble">
          <input className="input w-56" value={what} onChange={(event) => setWhat(event.target.value)} />
        </Field>
        <button className="btn mt-6">Note it</button>
      </Form>
      <ProblemLine text={problem} />
    </details>
  )
}
