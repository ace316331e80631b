import { isoDate } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { NoteField } from '../../parts/DateField'
import { standName } from '../../text/names'
import { RecordForm } from '../../parts/RecordForm'
import { SelectField, TextField } from '../../parts/SelectField'
import { useCommit, useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { typedNumber } from '../../parts/typed'
import { changed } from '../../data/writes'
import { useEdits } from '../../parts/useEdits'

const VERDICTS = [
  ['', 'not said'],
  ['better', 'better than usual'],
  ['as usual', 'as usual'],
  ['worse', 'worse than usual'],
] as const

/** An outcome as the form shows it. */
function outcomeInput({ outcome }: Stand): {
  kg: string
  verdict: (typeof VERDICTS)[number][0]
  note: string
} {
  const kg = outcome?.yieldKg ?? null
  return { kg: kg === null ? '' : String(kg), verdict: outcome?.verdict ?? '', note: outcome?.note ?? '' }
}

/** Yield and notes of the crop that was planted into the cover: what closes the loop. */
export function Outcome({ stand }: { stand: Stand; view: StandView }) {
  const { today } = useGarden()
  const commit = useCommit()
  const { seen, input, change, done } = useEdits(stand, outcomeInput)
  const { kg, verdict, note } = input
  const wrong = kg.trim() !== '' && !(typedNumber(kg) >= 0 && typedNumber(kg) <= 100_000)
  async function keep() {
    if (wrong) return
    const stored = await commit(`Recorded how ${standName(stand).toLowerCase()} did`, [
      changed('stands', seen, {
        outcome: {
          date: isoDate(today),
          yieldKg: kg.trim() === '' ? null : typedNumber(kg),
          verdict: verdict === '' ? null : verdict,
          note,
        },
      }),
    ])
    if (stored.ok) done()
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
        onChange={(kg) => change({ kg })}
      />
      <SelectField
        label="It did"
        className="w-48"
        value={verdict}
        onChange={(verdict) => change({ verdict })}
        options={VERDICTS}
      />
      <NoteField value={note} onChange={(note) => change({ note })} />
    </RecordForm>
  )
}
