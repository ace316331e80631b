import { lazy, Suspense, useState } from 'react'
import { usePending } from '../../compute/useAnswer'
import { late } from '../../state/late'
import { useSettled } from '../../state/useSettled'

/** How long the cursor rests on a cover until its plan is worked out. */
const REST_MS = 600

const PlanChance = lazy(() =>
  late(import('../../parts/PlanChance')).then(({ PlanChance }) => ({ default: PlanChance })),
)

/** What the stored plan of a cover comes to, as on its plan line, once the cursor has rested on it. */
export function SpotPlan({ standId }: { standId: string | undefined }) {
  // The sheet is woven first; after that a plan may be asked for at any time.
  const quiet = usePending() === 0
  const [woven, setWoven] = useState(false)
  if (useSettled(quiet, REST_MS, false) && quiet && !woven) setWoven(true)
  const rested = useSettled(woven ? standId : undefined, REST_MS, undefined)
  return standId !== undefined && rested === standId ? (
    <span className="md:shrink-0">
      <Suspense>
        <PlanChance standId={standId} before="plan " short />
      </Suspense>
    </span>
  ) : null
}
