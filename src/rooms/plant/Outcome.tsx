import { useState } from 'react'
import { isoDate } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { NoteField } from '../../parts/DateField'
import { standName } from '../../parts/names'
import { RecordForm } from '../../parts/RecordForm'
import { SelectField, TextField } from '../../parts/SelectField'
import { useCommit, useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { typedNumber } from '../../parts/typed'

const VERDICTS = [
  ['', 'not said'],
  ['better', 'better than usual'],
  ['as usual', 'as usual'],
  ['worse', 'worse than usual'],
] as const

/** Yield and notes of the crop that was planted into the cover: what closes the loop. */
export function Outcome({ stand }: { stand: Stand; view: StandView }) {
  const { today } = useGarden()
  const commit = useCommit()
  const known = stand.outcome
  const [kg, setKg] = useState(known?.yieldKg === null || known === undefined ? '' : String(known.yieldKg))
  const [verdict, setVerdict] = useState<(typeof VERDICTS)[number][0]>(known?.verdict ?? '')
  const [note, setNote] = useState(known?.note ?? '')
  const wrong = kg.trim() !== '' && !(typedNumber(kg) >= 0 && typedNumber(kg) <= 100_000)
  async function keep() {
    if (wrong) return
    await commit(`Recorded how ${standName(stand).toLowerCase()} did`, [
      {
        table: 'stands',
        put: {
          ...stand,
          outcome: {
            date: isoDate(today),
            yieldKg: kg.trim() === '' ? null : typedNumber(kg),
            verdict: verdict === '' ? null : verdict,
            note,
          },
        },
      },
    ])
  }
  return (
    <RecordForm
      name="Outcome"
      button="Record the outcome"
      hint="Any time until the bed is cleared; recording again corrects it."
      onRecord={keep}
    >
      <TextField
        label={`Yield of ${standName(stand).toLowerCase()}, kg`}
        className="w-32"
        decimal
        error={wrong ? 'A weight in kg from 0 to 100000, or leave it empty.' : undefined}
        value={kg}
        onChange={setKg}
      />
      <SelectField label="It did" className="w-48" value={verdict} onChange={setVerdict} options={VERDICTS} />
      <NoteField value={note} onChange={setNote} />
    </RecordForm>
  )
}
