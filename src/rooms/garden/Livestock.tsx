import { useState } from 'react'
import { livestockKind, type Livestock as Stock, type LivestockKind } from '../../core/garden/rules'
import { USUAL_RULES } from '../../core/garden/usualRules'
import { SelectField, TextField } from '../../parts/SelectField'
import { metres } from '../../text/format'
import { newId } from '../../data/ids'
import { useCommit, useGarden } from '../../state/garden'
import { lengthUnit, toMetres } from './forms'
import { typedNumber } from '../../parts/typed'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

type Fields = { kind: LivestockKind; head: string; length: string; width: string }
const BLANK: Fields = { kind: 'hens', head: '', length: '', width: '' }

/** What is wrong with a flock or herd as typed, with the fix. */
export function stockProblems({
  kind,
  head,
  length,
  width,
}: Fields): Partial<Record<'head' | 'length' | 'width', string>> {
  const size = (text: string, what: string) =>
    text.trim() === ''
      ? kind === 'hens'
        ? `Measure the pen: its ${what} decides where it can stand.`
        : undefined
      : typedNumber(text) > 0.3 && typedNumber(text) < 600
        ? undefined
        : `The pen’s ${what} is a number, such as 2.5.`
  return {
    head:
      Number.isInteger(typedNumber(head)) && typedNumber(head) >= 1 && typedNumber(head) <= 2000
        ? undefined
        : 'How many there are, as a whole number.',
    length: size(length, 'length'),
    width: size(width, 'width'),
  }
}

/** Animals that can be put on beds, with their pens, and the interval their manure asks for. */
export function Livestock() {
  const { data } = useGarden()
  const { garden } = data
  const commit = useCommit()
  const [fields, setFields] = useState(BLANK)
  const [asked, setAsked] = useState(false)
  const change = (part: Partial<Fields>) => setFields({ ...fields, ...part })
  const problems = stockProblems(fields)
  const rules = garden.rules ?? USUAL_RULES
  const stock = garden.livestock ?? []
  const put = (label: string, part: Partial<typeof garden>) =>
    commit(label, [changed('gardens', garden, part)])
  async function add() {
    setAsked(true)
    if (problems.head ?? problems.length ?? problems.width) return
    const size = (text: string) => (text.trim() === '' ? null : toMetres(typedNumber(text), garden.units))
    const added: Stock = {
      id: newId('livestock'),
      kind: fields.kind,
      head: typedNumber(fields.head),
      penLengthM: size(fields.length),
      penWidthM: size(fields.width),
    }
    const stored = await put(`Added ${added.head} ${added.kind}`, { livestock: [...stock, added] })
    if (!stored.ok) return
    setFields(BLANK)
    setAsked(false)
  }
  return (
    <section className="mt-6" aria-label="Animals on beds">
      <h2>Animals on beds</h2>
      <ul className="mt-1">
        {stock.map((entry) => (
          <li key={entry.id} className="flex flex-wrap items-center gap-3 py-0.5">
            {entry.head} {entry.kind}
            {entry.penLengthM && entry.penWidthM
              ? `, pen ${metres(entry.penLengthM, garden.units)} × ${metres(entry.penWidthM, garden.units)}`
              : ', no pen size yet'}
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${entry.kind}`}
              onClick={single(() =>
                put(`Removed ${entry.kind}`, {
                  livestock: stock.filter((other) => other.id !== entry.id),
                }),
              )}
            >
              Remove
            </button>
          </li>
        ))}
        {stock.length === 0 && (
          <li className="quiet">None. Hens, pigs or grazers can end a cover for you.</li>
        )}
      </ul>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Add animals" onSubmit={add}>
        <SelectField
          label="Kind"
          className="w-28"
          value={fields.kind}
          onChange={(kind) => change({ kind })}
          options={livestockKind.options.map((kind) => [kind, kind] as const)}
        />
        <TextField
          label="How many"
          className="w-24"
          decimal
          error={asked ? problems.head : undefined}
          value={fields.head}
          onChange={(head) => change({ head })}
        />
        <TextField
          label={`Pen length, ${lengthUnit(garden.units)}`}
          className="w-32"
          decimal
          error={asked ? problems.length : undefined}
          value={fields.length}
          onChange={(length) => change({ length })}
        />
        <TextField
          label={`Pen width, ${lengthUnit(garden.units)}`}
          className="w-32"
          decimal
          error={asked ? problems.width : undefined}
          value={fields.width}
          onChange={(width) => change({ width })}
        />
        <button className="btn btn-sm mt-6">Add animals</button>
      </Form>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        {(
          [
            ['touching', 'Manure to harvest, eaten part touches soil'],
            ['clear', 'Manure to harvest, otherwise'],
          ] as const
        ).map(([key, label]) => (
          <SelectField
            key={key}
            label={label}
            className="w-48"
            value={String(rules.manureDays[key])}
            onChange={(days) =>
              void put('Changed the interval after manure', {
                rules: { ...rules, manureDays: { ...rules.manureDays, [key]: Number(days) } },
              })
            }
            options={[...new Set([60, 90, 120, 150, 180, 365, rules.manureDays[key]])]
              .sort((a, b) => a - b)
              .map((days) => [String(days), `${days} days`] as const)}
          />
        ))}
      </div>
      <p className="quiet mt-1 text-sm">
        120 and 90 days are the common rule for raw manure; your local rules decide.
      </p>
    </section>
  )
}
