import { SAFE_CHANCE, weigh, type EndingOption, type Target } from '../../core/ending/weigh'
import { aftermathOn, type Aftermath } from '../../core/weighing/aftermath'
import type { WeighedWay } from '../../core/weighing/ways'

/** A way as it is shown for one planting date and start. */
export type ShownWay = {
  option: EndingOption
  leftOut: string | null
  disturbance: number
  after: Aftermath | null
}

/** Safe ways first, the least work on top; then the others by their chance. */
export function bySafetyThenWork({ option: a }: ShownWay, { option: b }: ShownWay): number {
  const safe = (option: ShownWay['option']) => Number(option.chance >= SAFE_CHANCE)
  return safe(b) - safe(a) || (safe(a) ? a.minutes - b.minutes : b.chance - a.chance)
}

/** A way at the start asked for, or at its own latest safe or best one. */
export function shownOf({ judged, after }: WeighedWay, target: Target, start: number | null): ShownWay {
  const option = weigh(judged, target, start ?? undefined)
  return {
    option,
    leftOut: judged.leftOut,
    disturbance: judged.disturbance,
    after: option.bestStartDay === null ? null : aftermathOn(after, option.bestStartDay),
  }
}
