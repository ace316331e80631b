import { dayNumber, isoDate } from '../foundations/day'
import { NOTHING, shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import { latest } from '../garden/timeline'
import { standRun } from '../bed/standRun'
import type { StandCase } from '../season/cases'
import type { WeatherEnsemble } from '../site/weather'
import { valuesOn } from '../stand/summary'

/** What a stand comes to by a day: cover, mass, and the chance of a closed canopy. */
export type Prospect = { cover: Quantiles; massG: Quantiles; closes: number }

/** Leaving a stand as it is against sowing the same again today, both by the same day. */
export type SowAgain = { byDay: number; leave: Prospect; again: Prospect }

/** Cover that counts as closed. */
const CLOSED = 0.8
/** Where no end is planned, prospects are compared after this many days. */
const USUAL_DAYS = 70

/** Compares leaving with sowing again on the spots where it failed; null where nothing can be run. */
export function sowAgain(standCase: StandCase, ensemble: WeatherEnsemble, today: number): SowAgain | null {
  const start = latest(standCase.stand.start)
  const left = standRun(standCase, ensemble)
  if (!start || !left) return null
  const day = isoDate(today)
  const { before = [], ...failed } = standCase
  const { stand } = standCase
  const fresh = standRun(
    {
      ...standCase,
      checks: [],
      // What failed lies on the ground that is sown again.
      before: [...before, { kind: 'cover', startDay: dayNumber(start.date), standCase: failed }],
      stand: {
        ...stand,
        id: `${stand.id} again`,
        cuts: [],
        start: { plan: { ...start, date: day }, actual: null },
      },
    },
    ensemble,
  )
  if (!fresh) return null
  const end = latest(stand.end)
  const lastDay = ensemble.startDay + ensemble.days - 1
  const byDay = Math.min(
    lastDay,
    end && end.date > day ? dayNumber(end.date) : (standCase.nextStartDay ?? today + USUAL_DAYS),
    today + 250,
  )
  const prospect = (run: typeof left.run): Prospect => {
    const cover = valuesOn(run, run.cover, byDay)
    return {
      cover: quantilesOf(cover) ?? NOTHING,
      massG: quantilesOf(valuesOn(run, run.massG, byDay)) ?? NOTHING,
      closes: shareOf(cover.length, (member) => cover[member] >= CLOSED),
    }
  }
  return { byDay, leave: prospect(left.run), again: prospect(fresh.run) }
}
