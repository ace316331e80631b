import { cloneElement, useId, type ReactElement } from 'react'

type ControlProps = { id?: string; 'aria-invalid'?: boolean; 'aria-describedby'?: string }

/** A labelled control with its hint and its error beside it. */
export function Field({
  label,
  hint,
  error,
  children,
}: {
  label: string
  hint?: string
  error?: string
  children: ReactElement<ControlProps>
}) {
  const id = useId()
  const noteId = `${id}-note`
  const note = error ?? hint
  return (
    <div className="flex max-w-full flex-col gap-1">
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      {cloneElement(children, {
        id,
        'aria-invalid': error ? true : undefined,
        'aria-describedby': note ? noteId : undefined,
      })}
      {note && (
        <p
          id={noteId}
          className={error ? 'text-sm font-semibold text-error' : 'quiet text-sm'}
          role={error ? 'alert' : undefined}
        >
          {note}
        </p>
      )}
    </div>
  )
}
