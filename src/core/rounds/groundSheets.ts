import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import { halfTime } from '../termination/groundSheet'
import { job, type Maker } from './job'

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
    ...(half !== null && today < half + 7
      ? [job(stand, 'sheet', half, { count: 1, days: [until], untilDay: half + 7 })]
      : []),
    job(stand, 'lift', until, { urgent: until < today - 3 }),
  ]
}
