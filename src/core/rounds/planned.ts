import { dayNumber } from '../foundations/day'
import { isSelfSown } from '../garden/timeline'
import { trayOf } from '../plants/trays'
import { findMethod } from '../termination/methods'
import { isCover, job, stageOf, type Job, type Maker } from './job'

/** Days after seed fell from which its seedlings are looked for, where nothing tells when they are up. */
const COMES_UP_DAYS = 21
/** Days after which trays not sown are too late to name. */
const TRAY_GRACE_DAYS = 14

/** What is planned and not done yet: sowings, cuts, endings, plantings. */
export const dueSteps: Maker = ({ today, forecasts }, stand) => {
  if (stand.content.kind === 'sheet') return []
  const jobs: Job[] = []
  const { start, end } = stand
  if (!start.actual && start.plan) {
    const due = dayNumber(start.plan.date)
    const up = isSelfSown(stand) ? stageOf(forecasts.get(stand.id), 9)?.quantiles : null
    if (isSelfSown(stand))
      jobs.push(
        job(stand, 'self-sown', up ? up.p50 : due + COMES_UP_DAYS, { days: up ? [up.p10, up.p90] : [] }),
      )
    else jobs.push(job(stand, isCover(stand) ? 'sow' : 'plant', due, { urgent: due < today - 3 }))
  }
  if (start.actual && !end.actual)
    for (const { id, cut } of stand.cuts)
      if (cut.plan && !cut.actual)
        jobs.push({
          ...job(stand, 'cut', dayNumber(cut.plan.date), { cutId: id }),
          id: `${stand.id}:cut:${id}`,
        })
  if (start.actual && !end.actual && end.plan && !findMethod(end.plan.method)?.waits) {
    const due = dayNumber(end.plan.date)
    jobs.push(job(stand, isCover(stand) ? 'end' : 'clear', due, { urgent: isCover(stand) && due < today }))
  }
  return jobs
}

/** The trays of a crop that is planned to be transplanted; forgotten ones are named until its planting. */
export const trays: Maker = (_input, stand) => {
  const { content, start } = stand
  if (content.kind !== 'crop' || content.establishment !== 'transplant' || start.actual || !start.plan)
    return []
  const tray = trayOf(content.cropId)
  if (!tray) return []
  const planted = dayNumber(start.plan.date)
  const due = planted - 7 * tray.weeks
  return [job(stand, 'tray', due, { untilDay: due + TRAY_GRACE_DAYS, days: [planted] })]
}
