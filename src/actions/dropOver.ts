import { isoDate } from '../core/foundations/day'
import type { Stand } from '../core/garden/schema'
import { findMethod } from '../core/termination/methods'
import { changed } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

/** The cut that a cover is ended by over a sowing: as it is planned where that is one, else chop and drop. */
function cutOn({ end }: Stand, date: string): Stand['end']['plan'] {
  const { plan } = end
  return plan && findMethod(plan.method)?.acts.includes('chop')
    ? { ...plan, date }
    : { method: 'chop', passes: 1, note: '', date }
}

/** Plans a sowing into a cover and the cut of that cover over the seed for one day. */
export function planDropOver(sowing: Stand, upper: Stand, day: number): Step {
  const date = isoDate(day)
  const { plan } = sowing.start
  return {
    label: `Planned to sow ${standName(sowing).toLowerCase()} and drop ${standName(upper).toLowerCase()} over it`,
    writes: [
      ...(plan && !sowing.start.actual
        ? [
            changed('stands', sowing, {
              start: { ...sowing.start, plan: { ...plan, date, covering: 'crop dropped over' as const } },
            }),
          ]
        : []),
      changed('stands', upper, { end: { ...upper.end, plan: cutOn(upper, date) } }),
    ],
  }
}
