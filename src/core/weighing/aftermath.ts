import { endEvents, takenOver } from '../ending/kill'
import type { EndDetails } from '../garden/ending'
import { spreadOf } from '../foundations/statistics'
import { partSizeM } from '../garden/area'
import type { SeasonRun, StandCase } from '../season/run'
import { valuesOn } from '../stand/summary'
import type { StandRun } from '../stand/types'

/** What a way leaves for the crop planted into it, by the middle of the members. Masses and nitrogen per m². */
export type Aftermath = {
  /** Day it was started on. */
  day: number
  /** Mulch on the planting day, and the weeks from then on that it holds half of the weeds back. */
  mulchG: number
  holdsWeeks: number
  /** Net mineral nitrogen from residue in the first 4 and 10 weeks after planting. */
  nitrogen4G: number
  nitrogen10G: number
  /** Plants per m² still alive three weeks after the last act. */
  standing: number
}

/** Mulch that holds half of the weeds, g m⁻²: from 1 − exp(−0.0019 g) (after Teasdale and Mohler 2000). */
export const HOLDING_G = 365
/** Members that are run anew for each way and start; the middle of them is all that is asked. */
export const AFTERMATH_MEMBERS = 40
/** Weeks looked ahead for mulch. */
const LOOK_WEEKS = 20
/** Days after an ending on which survivors are counted. */
export const COUNT_AFTER_DAYS = 21

/** Middle of a series of the members on a day; 0 outside the run. */
export const middleOn = (run: StandRun, series: Float32Array, day: number) =>
  spreadOf(valuesOn(run, series, day))?.mid ?? 0

/** Plants of all species alive on a day, per m², by the middle of the members. */
export const plantsOn = (run: StandRun, day: number) => {
  const index = day - run.startDay
  if (index < 0 || index >= run.days) return 0
  return (
    spreadOf(
      Float64Array.from({ length: run.members }, (_, member) =>
        run.species.reduce(
          (sum, species) => sum + species.plantsPerM2[member] * species.alive[member * run.days + index],
          0,
        ),
      ),
    )?.mid ?? 0
  )
}

/** Weeks from a day on in which the mulch still holds half of the weeds. */
export function weeksHeld(run: StandRun, fromDay: number): number {
  let weeks = 0
  while (weeks < LOOK_WEEKS && middleOn(run, run.residueG, fromDay + 7 * weeks) >= HOLDING_G) weeks++
  return weeks
}

const released = (run: StandRun, fromDay: number, days: number) => {
  const last = run.startDay + run.days - 1
  const to = Math.min(last, fromDay + days)
  return (
    spreadOf(
      Float64Array.from(
        { length: run.members },
        (_, m) =>
          run.releasedG[m * run.days + to - run.startDay] -
          run.releasedG[m * run.days + Math.min(last, fromDay) - run.startDay],
      ),
    )?.mid ?? 0
  )
}

/** Runs the stand on with an ending and tells what the crop planted on `plantingDay` finds. */
export function aftermathOf(
  season: SeasonRun,
  standCase: Pick<StandCase, 'bed' | 'stand' | 'own'>,
  end: Omit<EndDetails, 'date' | 'note'>,
  day: number,
  plantingDay: number,
): Aftermath {
  const place = {
    clearDay: plantingDay,
    plot: partSizeM(standCase.bed, standCase.stand.part),
    ensemble: season.ensemble,
    own: standCase.own,
    bedKind: standCase.bed.kind,
  }
  const events = endEvents({ ...end, date: '', note: '' }, day, place)
  const run = season.again([...events, ...takenOver(plantingDay, true)], AFTERMATH_MEMBERS)
  return {
    day,
    mulchG: middleOn(run, run.residueG, plantingDay),
    holdsWeeks: weeksHeld(run, plantingDay),
    nitrogen4G: released(run, plantingDay, 28),
    nitrogen10G: released(run, plantingDay, 70),
    standing: plantsOn(run, Math.min(plantingDay - 1, (events.at(-1)?.day ?? day) + COUNT_AFTER_DAYS)),
  }
}

/** Values between two aftermaths on either side of a day, straight; the nearest one beyond the ends. */
export function aftermathOn(points: readonly Aftermath[], day: number): Aftermath | null {
  if (points.length === 0) return null
  const next = points.findIndex((point) => point.day >= day)
  if (next <= 0) return points[next < 0 ? points.length - 1 : 0]
  const [a, b] = [points[next - 1], points[next]]
  const share = (day - a.day) / Math.max(1, b.day - a.day)
  const mixed = (key: keyof Aftermath) => a[key] + (b[key] - a[key]) * share
  return {
    day,
    mulchG: mixed('mulchG'),
    holdsWeeks: mixed('holdsWeeks'),
    nitrogen4G: mixed('nitrogen4G'),
    nitrogen10G: mixed('nitrogen10G'),
    standing: mixed('standing'),
  }
}
