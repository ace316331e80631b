import { useRef } from 'react'
import { Link } from 'react-router'
import { isoDate } from '../core/foundations/day'
import { database } from '../data/database'
import { hearStation } from '../data/station'
import { clockDate } from '../text/format'
import { useGarden } from '../state/garden'
import { demoClockSet } from '../state/session'
import { useAppDispatch, useAppSelector } from '../state/store'

/** The garden's day. Demo gardens have a clock that can be stepped; a real garden shows the real day. */
export function DemoClock() {
  const { data, today, station } = useGarden()
  const silent = useAppSelector((state) => state.session.stationSilent)
  const dispatch = useAppDispatch()
  const { demo, id, name } = data.garden
  // The station is heard first, so that the day and its weather change together.
  // A step taken while the last one is still heard goes on from there.
  const heading = useRef<number | null>(null)
  async function step(days: number) {
    const day = (heading.current ?? today) + days
    heading.current = day
    await hearStation(database, data.garden, day, undefined, silent).catch((error: unknown) =>
      console.error('What the station said could not be stored', error),
    )
    if (heading.current !== day) return
    heading.current = null
    dispatch(demoClockSet({ gardenId: id, date: isoDate(day) }))
  }
  return (
    <div className="flex items-center gap-2 text-sm" role="group" aria-label="Clock">
      <span className="hidden font-semibold 2xl:inline">{name}</span>
      <time className="whitespace-nowrap" dateTime={isoDate(today)} data-testid="today">
        {clockDate(today)}
      </time>
      {demo && station?.trouble && (
        <Link className="link text-warning" to="/weather">
          station not heard
        </Link>
      )}
      {demo && (
        <span className="flex items-center gap-1">
          <span className="quiet hidden whitespace-nowrap 2xl:inline">demo clock</span>
          <button className="btn btn-xs" onClick={() => void step(1)}>
            + day
          </button>
          <button className="btn btn-xs" onClick={() => void step(7)}>
            + week
          </button>
        </span>
      )}
    </div>
  )
}
