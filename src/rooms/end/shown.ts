import { findMethod, methodName, type Method } from '../../core/termination/methods'
import type { Aftermath } from '../../core/scenario/after'
import type { TerminationOption } from '../../core/scenario/compare'
import { HOPELESS, SAFE_CHANCE, type TerminationStart } from '../../core/scenario/starts'

/** A way as it is shown: begun on the day asked for, or on its best. */
export type ShownMethod = {
  option: TerminationOption
  method: Method
  name: string
  start: TerminationStart | null
  after: Aftermath | null
}

export function shownOf(option: TerminationOption): ShownMethod {
  const method = findMethod(option.method)!
  return { option, method, name: methodName(method, option.passes), start: option.shown, after: option.after }
}

/** Whether a way shown is worth planning at all. */
export const worthPlanning = ({ start }: ShownMethod) => start !== null && start.worth > HOPELESS

/** Safe ways first, the least work on top; then the others by their chance. */
export function bySafetyThenWork(a: ShownMethod, b: ShownMethod): number {
  const [one, other] = [a.start!, b.start!]
  const safe = ({ chance }: TerminationStart) => Number(chance >= SAFE_CHANCE)
  return safe(other) - safe(one) || (safe(one) ? one.minutes - other.minutes : other.chance - one.chance)
}
