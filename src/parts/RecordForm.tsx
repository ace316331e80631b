import type { ReactNode } from 'react'
import { Form } from './Form'

/** Where something done is recorded: its fields in a row, a hint, and the one button. */
export function RecordForm({
  name,
  button,
  hint,
  disabled = false,
  onRecord,
  children,
}: {
  name: string
  button: string
  hint?: string
  disabled?: boolean
  onRecord: () => Promise<void>
  children: ReactNode
}) {
  return (
    <Form className="no-print my-5 border-t border-base-300 pt-3" aria-label={name} onSubmit={onRecord}>
      <h2>Done? Record it</h2>
      <div className="mt-2 flex flex-wrap items-start gap-3">{children}</div>
      {hint && <p className="quiet mt-1 text-sm">{hint}</p>}
      <button className="btn btn-primary mt-3" disabled={disabled}>
        {button}
      </button>
    </Form>
  )
}
