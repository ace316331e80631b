import { lazy, Suspense } from 'react'
import { late } from '../../state/late'
import { Dialog } from '../Dialog'

const GrowingFields = lazy(() =>
  late(import('./GrowingFields')).then(({ GrowingFields }) => ({ default: GrowingFields })),
)
const StandingFields = lazy(() =>
  late(import('./StandingFields')).then(({ StandingFields }) => ({ default: StandingFields })),
)

const WeedFields = lazy(() =>
  late(import('./WeedFields')).then(({ WeedFields }) => ({ default: WeedFields })),
)

type Props = { bedIds: readonly string[] | null; onClose: () => void; onDone?: () => void }

/** Says that a cover grows in some beds already; its form is loaded when it is first opened. `bedIds` null: closed. */
export const GrowingDialog = ({ bedIds, onClose, onDone = onClose }: Props) => (
  <Dialog open={bedIds !== null} onClose={onClose} title="A cover grows here">
    <Suspense>{bedIds && <GrowingFields bedIds={bedIds} onDone={onDone} onCancel={onClose} />}</Suspense>
  </Dialog>
)

/** The same for a crop. */
export const StandingDialog = ({ bedIds, onClose, onDone = onClose }: Props) => (
  <Dialog open={bedIds !== null} onClose={onClose} title="A crop stands here">
    <Suspense>{bedIds && <StandingFields bedIds={bedIds} onDone={onDone} onCancel={onClose} />}</Suspense>
  </Dialog>
)

/** Weeds that creep in some beds. */
export const WeedDialog = ({ bedIds, onClose, onDone = onClose }: Props) => (
  <Dialog open={bedIds !== null} onClose={onClose} title="Bad weeds here">
    <Suspense>{bedIds && <WeedFields bedIds={bedIds} onDone={onDone} onCancel={onClose} />}</Suspense>
  </Dialog>
)
