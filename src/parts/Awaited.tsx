import type { ReactNode } from 'react'

/** Room for an answer before it is there, a screen high, so that what stands below is not moved when it comes. */
export const Awaited = ({ waiting, children }: { waiting: boolean; children: ReactNode }) => (
  <div className={waiting ? 'min-h-screen' : undefined}>{children}</div>
)
