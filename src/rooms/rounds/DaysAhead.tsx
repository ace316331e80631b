import { expectDay } from '../../actions/daysAhead'
import type { SkyAhead } from '../../core/garden/schema'
import { isoDate } from '../../core/foundations/day'
import { single } from '../../parts/once'
import { Why } from '../../parts/Why'
import { useAct, useGarden } from '../../state/garden'
import { rain, weekdayDate } from '../../text/format'

const DAYS = 7
const SKIES: readonly SkyAhead[] = ['dry', 'showers', 'wet']

/** The week ahead as the grower has heard it, a tap a day; every room computes with it. */
export function DaysAhead() {
  const { data, today } = useGarden()
  const act = useAct()
  const { garden } = data
  const days = Array.from({ length: DAYS }, (_, i) => today + i)
  const said = garden.outlook.filter(({ id }) => id >= isoDate(today)).length
  return (
    <details className="no-print mt-3">
      <summary className="cursor-pointer py-1 font-semibold">
        The days ahead as you have heard{said > 0 ? `: ${said} told` : ''}
      </summary>
      <ul className="mt-1 max-w-xl" data-testid="days-ahead">
        {days.map((day) => {
          const told = garden.outlook.find(({ id }) => id === isoDate(day))
          const frost = told?.frost ?? false
          return (
            <li key={day} className="flex flex-wrap items-center gap-1 border-b border-base-300 py-1">
              <span className="w-full sm:w-28">{weekdayDate(day)}</span>
              {SKIES.map((sky) => (
                <button
                  key={sky}
                  className="btn min-h-11"
                  aria-pressed={told?.sky === sky}
                  aria-label={`${weekdayDate(day)} ${sky}`}
                  onClick={single(() =>
                    act(expectDay(garden, day, told?.sky === sky ? null : { sky, frost }, today), true),
                  )}
                >
                  {sky}
                </button>
              ))}
              <button
                className="btn min-h-11"
                aria-pressed={frost}
                aria-label={`${weekdayDate(day)} frost`}
                onClick={single(() =>
                  act(expectDay(garden, day, { sky: told?.sky ?? 'dry', frost: !frost }, today), true),
                )}
              >
                frost
              </button>
            </li>
          )
        })}
      </ul>
      <Why label="what is done with it?">
        Dry means rain in 5 of 100, showers in 55, wet in 95, with some {rain(4, garden.units)} and{' '}
        {rain(12, garden.units)} when it falls; frost means a night below freezing. Days are as warm as usual
        for the season. All of it is trusted as any forecast is: nearly wholly today, half after a week.
      </Why>
    </details>
  )
}
