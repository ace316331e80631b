import { lazy, Suspense, type ComponentType } from 'react'
import type { ToasterProps } from 'sonner'

// Where it cannot be fetched the page does without; what must be read is then said by the browser (`notice`).
const Toaster = lazy(() =>
  import('sonner').then(
    ({ Toaster }): { default: ComponentType<ToasterProps> } => ({ default: Toaster }),
    (): { default: ComponentType<ToasterProps> } => ({ default: () => null }),
  ),
)

/** Where short messages stand. */
export const Notices = () => (
  <Suspense>
    <Toaster
      position="bottom-right"
      toastOptions={{ className: 'font-sans', duration: 5000 }}
      theme="light"
    />
  </Suspense>
)
