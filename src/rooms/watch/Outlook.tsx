import { dayNumber } from '../../core/foundations/day'
import { bandOn } from '../../core/season/forecast'
import { stageName } from '../../core/stand/stage'
import type { DateChange } from '../../core/tracking/change'
import { BandsChart } from '../../parts/BandsChart'
import { StageLadder } from '../../parts/StageLadder'
import { dateSpreadText, dryMatter, longDate, nitrogen, percent, shortDate } from '../../parts/format'
import { leadGroup, leadName } from '../../parts/names'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import type { useWatch } from './useWatch'

/** What the stand will do: the sentence on the last check, cover over time, and the stages with their dates. */
export function Outlook({ view, watch }: { view: StandView; watch: ReturnType<typeof useWatch> }) {
  const { data, today } = useGarden()
  const { forecast, newest, change, checks } = watch
  if (!forecast.value)
    return (
      <div>
        <Waiting
          what="Growing this stand through a hundred seasons"
          running={forecast.running}
          progress={forecast.progress}
          error={forecast.error}
          onCancel={forecast.cancel}
          onRetry={forecast.retry}
        />
        {forecast.value === null && <p>This stand has no species Kilim knows, so there is no forecast.</p>}
      </div>
    )
  const group = leadGroup(view.stand)
  const { cover } = forecast.value
  const until = Math.min(
    cover.startDay + cover.mid.length * cover.stepDays,
    (view.next?.plantingDay ?? Infinity) + 7,
    today + 300,
  )
  const now = bandOn(cover, today)
  const mass = bandOn(forecast.value.massG, today)
  const taken = bandOn(forecast.value.nitrogenG, today)
  const { units } = data.garden
  return (
    <div>
      {newest && <ChangeSentence change={change} checkedOn={newest.date} group={group} />}
      {now && mass && taken && (
        <p className="mb-2">
          Today: <strong>{percent(now.mid)}</strong> of the ground green ({percent(now.low)} to{' '}
          {percent(now.high)}), <strong>{dryMatter(mass.mid, units)}</strong> dry matter (
          {dryMatter(mass.low, units)} to {dryMatter(mass.high, units)}),{' '}
          <strong>{nitrogen(taken.mid, units)}</strong> nitrogen in the growth.{' '}
          <Why>
            From sowing date, seed weighed, soil, and this garden’s weather: leaf growth until light limits
            it, then light caught times its use, held back by cold, dry soil and short nitrogen (Spitters
            1990; Lemaire and Gastal 1997). The range is that of a hundred members, drawn again after each
            check.
          </Why>
        </p>
      )}
      <BandsChart
        bands={cover}
        untilDay={until}
        today={today}
        name="Green cover"
        unit="%"
        scale={100}
        max={100}
        points={checks.flatMap((check) =>
          check.cover === null ? [] : [{ day: dayNumber(check.date), value: check.cover }],
        )}
      />
      <StageLadder
        forecast={forecast.value}
        group={group}
        today={today}
        species={
          view.stand.content.kind === 'cover' && view.stand.content.components.length > 1
            ? leadName(view.stand)
            : null
        }
      />
    </div>
  )
}

/** What the newest check did to the next date, in one sentence. */
function ChangeSentence({
  change,
  checkedOn,
  group,
}: {
  change: DateChange | null
  checkedOn: string
  group: Parameters<typeof stageName>[1]
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
      After the check of {day}, {stageName(change.bbch, group)} {moved}, to{' '}
      {after.spread ? dateSpreadText(after.spread) : ''} (was{' '}
      {before.spread ? shortDate(before.spread.mid) : ''}), {range}.
    </p>
  )
}
