import { recordOutcome } from '../../actions/plantCrop'
import type { Stand } from '../../core/garden/schema'
import { TypedChoice, TypedNote, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { RecordForm } from '../../parts/RecordForm'
import { useAct, useGarden } from '../../state/garden'
import { standName } from '../../text/names'
import { unitOf } from '../../text/quantity'
import { outcomeForm } from './form'

const VERDICTS = [
  ['', 'not said'],
  ['better', 'better than usual'],
  ['as usual', 'as usual'],
  ['worse', 'worse than usual'],
] as const

/** Yield and notes of the crop that was planted into the cover: what closes the loop. */
export function Outcome({ stand, several }: { stand: Stand; several: boolean }) {
  const { data, today } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const form = useTyped({
    schema: outcomeForm(units),
    draft: { name: `outcome ${stand.id}` },
    record: stand,
    valueOf: ({ outcome }) => ({
      yieldKg: outcome?.yieldKg ?? null,
      verdict: outcome?.verdict ?? ('' as const),
      note: outcome?.note ?? '',
    }),
  })
  const record = form.submit(({ seen, part }) => {
    const { yieldKg = seen.outcome?.yieldKg ?? null, note = seen.outcome?.note ?? '' } = part
    const verdict = part.verdict ?? seen.outcome?.verdict ?? ''
    return act(recordOutcome(seen, { yieldKg, note, verdict: verdict === '' ? null : verdict }, today))
  })
  return (
    <RecordForm
      name={several ? `Outcome of ${standName(stand).toLowerCase()}` : 'Outcome'}
      button="Record the outcome"
      hint="Any time until the bed is cleared; recording again corrects it."
      onRecord={record}
    >
      <TypedText
        form={form}
        name="yieldKg"
        label={`Yield of ${standName(stand).toLowerCase()}, ${unitOf('weight', units)}`}
        className="w-32"
        decimal
      />
      <TypedChoice form={form} name="verdict" label="It did" className="w-48" options={VERDICTS} />
      <TypedNote form={form} name="note" />
    </RecordForm>
  )
}
