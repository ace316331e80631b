import { dayNumber } from '../core/foundations/day'
import type { Stand } from '../core/garden/schema'
import type { PlantGroup } from '../core/plants/parameters'
import type { MovedJob } from '../core/rounds/moved'
import { stageName } from '../core/stand/stage'
import type { DateChange } from '../core/tracking/change'
import { useGarden } from '../state/garden'
import { dateRangeText, longDate, shortDate, type Units } from '../text/format'
import { jobText } from './jobText'
import { leadGroup } from '../text/names'
import type { Learned } from '../state/useLearned'

/** What the newest check did to the next date and to the jobs, in a sentence or two. */
export function ChangeSentence({ learned, stand }: { learned: Learned; stand: Stand }) {
  const { units } = useGarden().data.garden
  const { change, newest, jobs } = learned
  if (!newest) return null
  const day = longDate(dayNumber(newest.date))
  return (
    <p className="mb-3 border-l-4 border-accent pl-3" role="status" data-testid="change" data-help="change">
      {change
        ? dateText(change, day, leadGroup(stand))
        : `The check of ${day} is in the forecast; no stage date ahead moved.`}{' '}
      {jobs.slice(0, 2).map((moved) => `${jobChange(moved, stand, units)} `)}
    </p>
  )
}

function dateText(change: DateChange, day: string, group: PlantGroup): string {
  const { after, before, shiftDays, widthAfter, widthBefore } = change
  const moved =
    shiftDays === 0
      ? 'stays where it was'
      : `moves ${Math.abs(shiftDays)} ${Math.abs(shiftDays) === 1 ? 'day' : 'days'} ${shiftDays < 0 ? 'earlier' : 'later'}`
  const range =
    widthAfter === widthBefore
      ? `and its range of ${widthAfter} days stays`
      : `and its range ${widthAfter < widthBefore ? 'narrows' : 'widens'} from ${widthBefore} to ${widthAfter} days`
  return `After the check of ${day}, the date of ${stageName(change.bbch, group)} ${moved}, to ${after.quantiles ? dateRangeText(after.quantiles) : ''} (was ${before.quantiles ? shortDate(before.quantiles.p50) : ''}), ${range}.`
}

function jobChange({ job, before, after }: MovedJob, stand: Stand, units: Units): string {
  const { title } = jobText(job, stand, units)
  if (after === null) return `No need any more: ${title.toLowerCase()}.`
  if (before === null) return `New: ${title.toLowerCase()}, ${shortDate(after)}.`
  return `${title}: ${shortDate(after)} instead of ${shortDate(before)}.`
}
