import type { Method } from './method'
import type { InstantAct } from './survival'

/** A stand counts as dead at or below this share alive, by what follows. */
export const DEAD_SHARE = { transplant: 0.1, seed: 0.05 } as const

/** Survivors up to this share of the stand are pulled by hand at the end; their minutes are counted. */
export const HAND_FINISH_SHARE = 0.12
/** Days between the strips of a stand ended strip by strip, where no plan says. */
export const USUAL_LANES = { count: 3, everyDays: 7 } as const

/** Days to wait for a further pass. */
export const furtherPassAfter = (act: InstantAct): number => (act === 'turn' ? 10 : 7)

/** Days from the start of a way to its last act. */
export function lastActAfter(
  method: Method,
  setup: { passes: number; lanes?: { count: number; everyDays: number } },
): number {
  if (method.id === 'strips') {
    const { count, everyDays } = setup.lanes ?? USUAL_LANES
    return (count - 1) * everyDays
  }
  const act = method.acts.at(-1)
  return act ? furtherPassAfter(act) * (setup.passes - 1) + (method.flame ? 1 : 0) : 0
}
