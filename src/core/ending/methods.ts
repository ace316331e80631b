import type { EndMethodId } from '../garden/ending'
import type { Method } from './method'
import { METHODS } from './methodTable'

export type { Method, MethodId } from './method'
export { METHODS } from './methodTable'

const byId = new Map<EndMethodId, Method>(METHODS.map((way) => [way.id, way]))

/** A way by its id; null for harvest, which ends crops. */
export const findMethod = (methodId: EndMethodId): Method | null => byId.get(methodId) ?? null

/** Share of the growth that stays on top as mulch, 0–1; of what animals leave, where they are part of it. */
export const leftOnTop = (way: Method) => (1 - way.buried) * (1 - way.removed)

/** Name of a way as it is done. */
export const methodName = (way: Method, passes: number) => (passes > 1 && way.twice) || way.name
