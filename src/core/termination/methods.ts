import type { EndMethodId } from '../garden/ending'
import type { Method } from './method'
import { METHODS } from './methodTable'

export type { Method, MethodId } from './method'
export { METHODS } from './methodTable'

const byId = new Map<EndMethodId, Method>(METHODS.map((method) => [method.id, method]))

/** A way by its id; null for harvest, which ends crops. */
export const findMethod = (methodId: EndMethodId): Method | null => byId.get(methodId) ?? null

/** Share of the growth that stays on top as mulch, 0–1; of what animals leave, where they are part of it. */
export const leftOnTop = (method: Method) => (1 - method.buried) * (1 - method.removed)

/** Whether a way also takes what grows under the stand it ends; a cut, rolling, cold and heat leave it. */
export const takesWhatIsBelow = ({ sheet, animals, flame, disturbance }: Method): boolean =>
  sheet !== null || animals !== null || flame || disturbance > 0

/** Name of a way as it is done. */
export const methodName = (method: Method, passes: number) => (passes > 1 && method.twice) || method.name
