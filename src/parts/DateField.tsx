import { Field } from './Field'

type Props = { label: string; value: string; error?: string; onChange: (value: string) => void }

/** A labelled date as ISO text, with its problem beside it. */
export function DateField({ label, value, error, onChange }: Props) {
  return (
    <Field label={label} error={error}>
      <input
        type="date"
        className="input w-full"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Field>
  )
}
