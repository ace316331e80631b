import type { ReactNode } from 'react'

/** Keeps a screen of height for an answer until it is there, so that what stands below is not moved when it comes. */
export const Reserved = ({ waiting, children }: { waiting: boolean; children: ReactNode }) => (
  <div className={waiting ? 'min-h-screen' : undefined}>{children}</div>
)
