import { dayNumber } from '../../core/foundations/day'
import { longDate } from '../../text/format'
import { database } from '../../data/database'
import { hearStation } from '../../data/station'
import { useGarden } from '../../state/garden'
import { stationSilenced } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'

/** What the demo garden's simulated station says, and a way to make it fall silent. */
export function Station() {
  const { data, today, station } = useGarden()
  const dispatch = useAppDispatch()
  const silent = useAppSelector((state) => state.session.stationSilent)
  if (!data.garden.demo) return null
  const again = () => void hearStation(database, data.garden, today, undefined, silent)
  const until = station ? longDate(dayNumber(station.heardUntil) - 1) : null
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="station">
      {station?.trouble ? (
        <p role="alert" className="text-warning">
          {station.trouble} Last heard for {until}; the days since are generated, and nothing that was heard
          is lost.{' '}
          <button className="btn btn-xs" onClick={again}>
            Ask again
          </button>
        </p>
      ) : (
        <p>{until ? `Simulated station heard up to ${until}.` : 'Asking the simulated station …'}</p>
      )}
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="toggle toggle-sm"
          checked={silent}
          onChange={(event) => dispatch(stationSilenced(event.target.checked))}
        />
        let it fall silent
      </label>
    </div>
  )
}
