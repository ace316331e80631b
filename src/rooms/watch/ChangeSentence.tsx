import { dayNumber } from '../../core/foundations/day'
import type { PlantGroup } from '../../core/plants/parameters'
import { stageName } from '../../core/stand/stage'
import type { DateChange } from '../../core/tracking/change'
import { dateSpreadText, longDate, shortDate } from '../../parts/format'

/** What the newest check did to the next date, in one sentence. */
export function ChangeSentence({
  change,
  checkedOn,
  group,
}: {
  change: DateChange | null
  checkedOn: string
  group: PlantGroup
}) {
  const day = longDate(dayNumber(checkedOn))
  if (!change)
    return (
      <p className="mb-3 border-l-4 border-accent pl-3" data-testid="change">
        The check of {day} is in the forecast; no stage date ahead moved.
      </p>
    )
  const { after, before, shiftDays, widthAfter, widthBefore } = change
  const moved =
    shiftDays === 0
      ? 'stays where it was'
      : `moves ${Math.abs(shiftDays)} ${Math.abs(shiftDays) === 1 ? 'day' : 'days'} ${shiftDays < 0 ? 'earlier' : 'later'}`
  const range =
    widthAfter < widthBefore
      ? `and its range narrows from ${widthBefore} to ${widthAfter} days`
      : widthAfter > widthBefore
        ? `and its range widens from ${widthBefore} to ${widthAfter} days`
        : `and its range of ${widthAfter} days stays`
  return (
    <p className="mb-3 border-l-4 border-accent pl-3" role="status" data-testid="change">
      After the check of {day}, the date of {stageName(change.bbch, group)} {moved}, to{' '}
      {after.spread ? dateSpreadText(after.spread) : ''} (was{' '}
      {before.spread ? shortDate(before.spread.mid) : ''}), {range}.
    </p>
  )
}
