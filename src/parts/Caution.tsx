import { TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'

/** A short warning where the risk is. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <p className="flex items-start gap-2 text-sm" role="note">
      <TriangleAlert size={16} className="mt-0.5 shrink-0 text-secondary" aria-hidden="true" />
      <span>{children}</span>
    </p>
  )
}
