import { useState, type ReactNode } from 'react'

/** Something that is put together once it is opened. */
export function Fold({
  title,
  children,
  testid,
}: {
  title: string
  children: () => ReactNode
  testid?: string
}) {
  const [open, setOpen] = useState(false)
  return (
    <details className="my-3" data-testid={testid} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer py-1 font-semibold">{title}</summary>
      {open && children()}
    </details>
  )
}
