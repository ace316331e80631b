import { createEvents, type EventAttributes } from 'ics'
import { isoDate } from '../../core/foundations/day'
import { failure, success, type Outcome } from '../../core/foundations/outcome'

/** A job as it stands in a calendar. */
export type Entry = { id: string; day: number; title: string; detail: string }
/** What was written last: by job, with how often it was changed. */
export type Written = Record<string, { day: number; title: string; sequence: number }>

const dateOf = (day: number) => isoDate(day).split('-').map(Number) as [number, number, number]
const uidOf = (gardenId: string, jobId: string) =>
  `${jobId.replace(/[^A-Za-z0-9:.-]/g, '-')}@${gardenId}.kilim`

/**
 * Jobs as an iCalendar file: all-day events with ids that stay, an alarm in the morning, moved ones as updates of what
 * was written before, and those that are gone as cancellations.
 */
export function calendarFile(
  gardenId: string,
  entries: readonly Entry[],
  before: Written,
): Outcome<{ text: string; written: Written }> {
  const written: Written = {}
  const events: EventAttributes[] = entries.map(({ id, day, title, detail }) => {
    const old = before[id]
    const sequence = old ? (old.day === day && old.title === title ? old.sequence : old.sequence + 1) : 0
    written[id] = { day, title, sequence }
    return {
      uid: uidOf(gardenId, id),
      sequence,
      title,
      description: detail,
      start: dateOf(day),
      end: dateOf(day + 1),
      status: 'CONFIRMED',
      productId: 'kilim',
      alarms: [{ action: 'display', description: title, trigger: { hours: 7, before: false } }],
    }
  })
  for (const [id, { day, title, sequence }] of Object.entries(before)) {
    if (written[id]) continue
    events.push({
      uid: uidOf(gardenId, id),
      sequence: sequence + 1,
      title,
      start: dateOf(day),
      end: dateOf(day + 1),
      status: 'CANCELLED',
      productId: 'kilim',
    })
  }
  if (events.length === 0)
    return failure({ path: 'jobs', code: 'none', message: 'There is nothing to write into a calendar.' })
  const { error, value } = createEvents(events)
  if (error || !value)
    return failure({
      path: 'calendar',
      code: 'failed',
      message: `The calendar could not be written (${error?.message ?? 'unknown reason'}).`,
    })
  return success({ text: value, written })
}
