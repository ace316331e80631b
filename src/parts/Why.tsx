import type { ReactNode } from 'react'

/** Where a number comes from: inputs, the formula in words, its source and how sure it is. */
export function Why({ children, label = 'Why?' }: { children: ReactNode; label?: string }) {
  return (
    <details className="inline-block text-sm">
      <summary className="quiet cursor-pointer underline decoration-dotted underline-offset-2">
        {label}
      </summary>
      <div className="mt-1 max-w-prose border-l-2 border-accent pl-3">{children}</div>
    </details>
  )
}
