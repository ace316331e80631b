import { isoDate } from '../core/foundations/day'
import type { GardenData, Stand } from '../core/garden/schema'
import type { StandForecast } from '../core/season/standForecast'
import { cutOver } from '../core/seeding/dropOver'
import type { MethodId } from '../core/termination/methods'
import { changed } from '../data/writes'
import { standName } from '../text/names'
import { recordEnd } from './endStand'
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

/** A recorded sowing with the cut that dropped the cover above over its seed, as one step. `forecast` is that of the cover. */
export function withDropOver(
  data: Pick<GardenData, 'garden' | 'beds'>,
  sowing: Step,
  stand: Stand,
  over: Stand,
  day: number,
  forecast: StandForecast | null,
): Step {
  const bed = data.beds.find(({ id }) => id === over.bedId)
  if (!bed) return sowing
  const { method, passes } = cutOver(over, day)
  const done = { method: method as MethodId, passes, day, note: '', by: '', minutes: null, materials: '' }
  return {
    label: `Sowed ${standName(stand).toLowerCase()} and dropped ${standName(over).toLowerCase()} over it`,
    writes: [...sowing.writes, ...recordEnd(data, bed, over, done, forecast).writes],
  }
}
