import { lazy, Suspense } from 'react'

const Toaster = lazy(() => import('sonner').then(({ Toaster }) => ({ default: Toaster })))

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
