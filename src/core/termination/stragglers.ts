import { HAND_FINISH_SHARE } from './lastAct'

/** Seconds to pull one surviving plant (judgement). */
const SECONDS_PER_STRAGGLER = 4

/** Minutes to pull plants one by one. */
export const pullMinutes = (plants: number) => (plants * SECONDS_PER_STRAGGLER) / 60

/** Minutes to pull the survivors of an area by hand; nobody pulls more than a fifth or so of a stand. */
export const stragglerMinutes = (survival: number, plantsPerM2: number, areaM2: number) =>
  pullMinutes(Math.min(survival, HAND_FINISH_SHARE + 0.1) * plantsPerM2 * areaM2)
