import { isoDate } from '../core/foundations/day'
import type { Stand } from '../core/garden/schema'
import { cutOver } from '../core/seeding/dropOver'
import { changed } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

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
      changed('stands', upper, { end: { ...upper.end, plan: cutOver(upper, day) } }),
    ],
  }
}
