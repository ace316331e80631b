import { useState } from 'react'
import { isoDate } from '../../core/foundations/day'
import { findSpecies, SPECIES } from '../../core/plants/catalogue'
import { DateField } from '../../parts/DateField'
import { SelectField, TextField, TickField } from '../../parts/SelectField'
import { useCommit, useGarden } from '../../state/garden'
import { newId } from '../../data/ids'
import { emptyLot, readLot, type LotInput } from './lotForm'
import { Form } from '../../parts/Form'
import { added } from '../../data/writes'

const CHOICES = [...SPECIES]
  .sort((a, b) => a.name.localeCompare(b.name))
  .map((plant) => [plant.id, plant.name] as const)

/** Writing down a bag or packet of seed, with an own germination test if there is one. */
export function AddLot({ year }: { year: number }) {
  const { data, today } = useGarden()
  const commit = useCommit()
  const { units, currency } = data.garden
  const [input, setInput] = useState<LotInput>(() => emptyLot(year))
  const [problems, setProblems] = useState<Partial<Record<keyof LotInput, string>>>({})
  const change = (part: Partial<LotInput>) => setInput({ ...input, ...part })
  const text = (
    field: Exclude<keyof LotInput, 'treated'>,
    label: string,
    className = 'w-28',
    hint?: string,
  ) => (
    <TextField
      label={label}
      className={className}
      hint={hint}
      error={problems[field]}
      value={input[field]}
      onChange={(value) => change({ [field]: value })}
    />
  )

  async function add() {
    const named = { ...input, label: input.label || (findSpecies(input.speciesId)?.name ?? '') }
    const read = readLot(named, newId('lot'), data.garden.id, units, isoDate(today))
    if ('problems' in read) return setProblems(read.problems)
    setProblems({})
    const stored = await commit(`Added ${read.lot.label} ${read.lot.year}`, [added('lots', read.lot)])
    if (stored.ok) setInput(emptyLot(year))
  }

  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">Add a bag or packet</summary>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Seed lot" onSubmit={add}>
        <SelectField
          label="What is in it"
          className="w-56"
          error={problems.speciesId}
          value={input.speciesId}
          onChange={(speciesId) => change({ speciesId })}
          options={[['', 'choose'], ...CHOICES]}
        />
        {text('label', 'Name on the bag', 'w-48')}
        {text('year', 'Year', 'w-24')}
        {text('weight', units === 'imperial' ? 'Weight, oz' : 'Weight, g')}
        {text('price', `Price, ${currency}`)}
        {text('germination', 'Germination, %', 'w-28', 'from the label')}
        {text('purity', 'Purity, %')}
        {text('tested', 'Seeds laid out', 'w-28', 'on a damp towel')}
        {text('sprouted', 'Of them sprouted')}
        <DateField
          label="Inoculant expires"
          error={problems.inoculantExpires}
          value={input.inoculantExpires}
          onChange={(inoculantExpires) => change({ inoculantExpires })}
        />
        <div className="mt-7">
          <TickField
            label="treated seed"
            checked={input.treated}
            onChange={(treated) => change({ treated })}
          />
        </div>
        <button className="btn btn-primary mt-6">Add it</button>
      </Form>
    </details>
  )
}
