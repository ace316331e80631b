import { useState, type ReactNode } from 'react'

/** What an answer was reckoned with in one line; behind it the fields that change it, open where they want a look. */
export function ChangeFold({
  known,
  open: forced,
  action = 'Change',
  children,
}: {
  known: ReactNode
  open: boolean
  /** What is behind it, as a verb. */
  action?: string
  children: ReactNode
}) {
  const [open, setOpen] = useState(false)
  return (
    <details
      className="no-print mt-2"
      open={open || forced}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="max-w-4xl cursor-pointer py-1">
        {known} <span className="link">{action}</span>
      </summary>
      <div className="mt-2">{children}</div>
    </details>
  )
}
