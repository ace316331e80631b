import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import { halfTime } from '../termination/groundSheet'
import { job, type Maker } from './job'

/** Days after half time on which looking under a sheet still helps. */
const HALF_TIME_OPEN_DAYS = 7

/** A sheet on ground without a cover: laid, wetted under at half time, taken off. */
export const groundSheets: Maker = ({ today }, stand) => {
  const { content, start, end } = stand
  const laid = latest(start)
  const off = latest(end)
  if (content.kind !== 'sheet' || !laid || !off || end.actual) return []
  const from = dayNumber(laid.date)
  const until = dayNumber(off.date)
  if (!start.actual) return [job(stand, 'lay', from, { urgent: from < today - 3, days: [until] })]
  const half = halfTime(from, until)
  return [
    ...(half !== null && today < half + HALF_TIME_OPEN_DAYS
      ? [job(stand, 'half time', half, { days: [until], untilDay: half + HALF_TIME_OPEN_DAYS })]
      : []),
    job(stand, 'lift', until, { urgent: until < today - 3 }),
  ]
}
