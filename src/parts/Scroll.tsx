import type { ReactNode } from 'react'

/** A wide table that scrolls sideways on a narrow screen, by finger or by keyboard. */
export function Scroll({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="max-w-full overflow-x-auto" tabIndex={0} role="region" aria-label={label}>
      {children}
    </div>
  )
}
