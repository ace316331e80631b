import { isoDate } from '../core/foundations/day'
import { clockDate } from '../parts/format'
import { useGarden } from '../state/garden'
import { demoClockSet } from '../state/session'
import { useAppDispatch } from '../state/store'

/** The garden's day. Demo gardens have a clock that can be stepped; a real garden shows the real day. */
export function DemoClock() {
  const { data, today } = useGarden()
  const dispatch = useAppDispatch()
  const { demo, id, name } = data.garden
  const step = (days: number) => dispatch(demoClockSet({ gardenId: id, date: isoDate(today + days) }))
  return (
    <div className="flex items-center gap-2 text-sm" role="group" aria-label="Clock">
      <span className="hidden font-semibold sm:inline">{name}</span>
      <time dateTime={isoDate(today)} data-testid="today">
        {clockDate(today)}
      </time>
      {demo && (
        <span className="flex items-center gap-1">
          <span className="quiet hidden sm:inline">demo clock</span>
          <button className="btn btn-xs" onClick={() => step(1)}>
            + day
          </button>
          <button className="btn btn-xs" onClick={() => step(7)}>
            + week
          </button>
        </span>
      )}
    </div>
  )
}
