import { lazy, Suspense } from 'react'
import { Dialog } from '../../parts/Dialog'
import { late } from '../../state/late'

const CropFields = lazy(() =>
  late(import('./CropFields')).then(({ CropFields }) => ({ default: CropFields })),
)

/** Adds a crop that stands or is planned; its form is loaded when it is first opened. */
export function CropDialog({
  spot,
  onClose,
}: {
  spot: { bedId: string; day: number } | null
  onClose: () => void
}) {
  return (
    <Dialog open={spot !== null} onClose={onClose} title="Add a crop">
      <Suspense>{spot && <CropFields spot={spot} onClose={onClose} />}</Suspense>
    </Dialog>
  )
}
