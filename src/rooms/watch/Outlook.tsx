import { useTold } from '../../state/useTold'
import { dayNumber } from '../../core/foundations/day'
import { bandOn } from '../../core/season/standForecast'
import { BandsChart } from '../../parts/BandsChart'
import { StageLadder } from '../../parts/StageLadder'
import { dryMatter, nitrogen } from '../../text/amounts'
import { percent } from '../../text/format'
import { leadGroup, leadName } from '../../text/names'
import { Failed, Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { ChangeSentence } from '../../parts/ChangeSentence'
import { SownOn } from '../../parts/SownOn'
import type { useWatch } from './useWatch'

/** What the stand will do: the sentence on the last check, cover over time, and the stages with their dates. */
export function Outlook({ view, watch }: { view: StandView; watch: ReturnType<typeof useWatch> }) {
  const { today } = useGarden()
  const told = useTold(view.bed, view.stand.segment)
  const { forecast, learned, checks } = watch
  if (!forecast.value)
    return (
      <div>
        <Waiting
          what="Growing this stand through two hundred seasons"
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
    cover.startDay + cover.p50.length * cover.stepDays,
    (view.next?.plantingDay ?? Infinity) + 7,
    today + 300,
  )
  const now = bandOn(cover, today)
  const mass = bandOn(forecast.value.massG, today)
  const taken = bandOn(forecast.value.nitrogenG, today)
  return (
    <div>
      <Failed what="What the last check changed" failure={learned.failure} />
      <SownOn
        stand={view.stand}
        forecast={forecast.value}
        seen={view.standCase.checks.some(({ standId }) => standId === view.stand.id)}
      />
      <ChangeSentence learned={learned} stand={view.stand} />
      {now && mass && taken && (
        <div className="mb-2">
          Today: <strong>{percent(now.p50)}</strong> of the ground green ({percent(now.p10)} to{' '}
          {percent(now.p90)}), <strong>{dryMatter(mass.p50, told)}</strong> dry matter (
          {dryMatter(mass.p10, told)} to {dryMatter(mass.p90, told)}),{' '}
          <strong>{nitrogen(taken.p50, told)}</strong> nitrogen in the growth.{' '}
          <Why>
            From sowing date, seed weighed, soil, and this garden’s weather: leaf growth until light limits
            it, then light caught times its use, held back by cold, dry soil and short nitrogen (Spitters
            1990; Lemaire and Gastal 1997). The range is that of a hundred members, drawn again after each
            check.
          </Why>
        </div>
      )}
      <BandsChart
        bands={cover}
        before={learned.before?.cover}
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
