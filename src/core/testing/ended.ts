import { isoDate } from '../foundations/day'
import type { EndMethodId } from '../garden/ending'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
import { bareLiving } from '../termination/living'
import { endEvents } from '../termination/kill'
import { livesOf, type EndingSetup, type MemberEnding } from '../termination/life'
import { findMethod } from '../termination/methods'

/** What each member of a stand that is not grown on comes to by a way begun on a day, its sheet left lying to the end of the weather. */
export function endingsOf(
  method: EndMethodId,
  run: StandRun,
  ensemble: WeatherEnsemble,
  day: number,
  setup: EndingSetup,
): MemberEnding[] {
  const { passes, animals, lanes, stubbleM, liftedDay, own, edgeKgPerM, bedKind, under } = setup
  const offDay = liftedDay ?? ensemble.startDay + ensemble.days
  const end = {
    date: isoDate(day),
    method,
    passes,
    note: '',
    animals,
    lanes,
    ...(stubbleM !== undefined && { stubbleCm: 100 * stubbleM }),
    ...(liftedDay !== undefined && { liftedOn: isoDate(liftedDay) }),
  }
  const plot = setup.plot ?? { lengthM: 10, widthM: 1.2 }
  const events = endEvents(end, day, { offDay, plot, own, edgeKgPerM, bedKind, under })
  const way = findMethod(method)
  const ended = bareLiving(run, ensemble, events, day)
  return livesOf({ method: way, setup, day, before: run, ended, ensemble, offDay })
}

/** The same of one member. */
export const endingOf = (
  method: EndMethodId,
  run: StandRun,
  ensemble: WeatherEnsemble,
  member: number,
  day: number,
  setup: EndingSetup,
): MemberEnding => endingsOf(method, run, ensemble, day, setup)[member]
