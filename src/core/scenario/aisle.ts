import { segmentAreaM2 } from '../garden/area'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { dayNumber, isoDate } from '../foundations/day'
import { having } from '../foundations/grouped'
import { findCrop, type Crop } from '../plants/crops'
import { grownShare } from '../plants/shade'
import type { CutDetails } from '../garden/schema'
import type { StandCase } from '../season/cases'
import type { SeasonRun } from '../season/run'
import type { StandRun } from '../stand/types'
import { cutHeight } from '../termination/workPlan'
import { middleOn } from './after'
import { cutEvent } from './cutting'

/** A crop beside an aisle, from its planting until it is gone. */
export type Neighbour = { crop: Crop; plantedDay: number; goneDay: number }

/** A mowing of a living aisle: how tall it has grown by then, what the crop beside it allows, and what the cuttings come to. */
export type AisleMowing = {
  day: number
  cutToM: number
  reachedM: number
  allowedM: number
  beside: string | null
  massKg: number
  nitrogenG: number
}

/** An aisle is kept below this share of the crop's height; where none stands, below this height, m (judgement: a quarter to a half; 0.3–0.5). */
const SHARE_OF_CROP = 1 / 3
const WITHOUT_CROP_M = 0.4
/** Above the height that lets it live there must be something to cut, m. */
const WORTH_CUTTING_M = 0.08
/** Days between mowings at least, days looked ahead, most mowings told, and members they are told by. */
const APART_DAYS = 12
const AHEAD_DAYS = 270
const MOST_MOWINGS = 10
const TOLD_MEMBERS = 40

/** The crops of a bed that its aisle runs beside. */
export const neighboursOf = (bed: Pick<Bed, 'id'>, stands: readonly Stand[]): Neighbour[] =>
  having(stands, 'bedId', bed.id).flatMap(({ content, segment, start, end }) => {
    const crop = content.kind === 'crop' && segment.kind !== 'path' ? findCrop(content.cropId) : null
    const planted = latest(start)
    if (!crop || !planted) return []
    const gone = latest(end)
    const plantedDay = dayNumber(planted.date)
    return [{ crop, plantedDay, goneDay: gone ? dayNumber(gone.date) : plantedDay + crop.daysInBed }]
  })

/** How tall an aisle may stand on a day, and beside what: a third of the shortest crop there, never less than it lives on. */
export function allowedOn(
  day: number,
  neighbours: readonly Neighbour[],
  liveM: number,
): { allowedM: number; beside: string | null } {
  const least = liveM + WORTH_CUTTING_M
  return neighbours.reduce<{ allowedM: number; beside: string | null }>(
    (lowest, { crop, plantedDay, goneDay }) => {
      if (day < plantedDay || day >= goneDay) return lowest
      const allowedM = Math.max(least, SHARE_OF_CROP * crop.heightM * grownShare(crop, day - plantedDay))
      return allowedM < lowest.allowedM ? { allowedM, beside: crop.name } : lowest
    },
    { allowedM: WITHOUT_CROP_M, beside: null },
  )
}

/** When a living aisle is to be mown from today on, each mowing growing on from the ones before it. */
export function aisleMowings(
  { bed, stand }: Pick<StandCase, 'bed' | 'stand'>,
  season: SeasonRun,
  neighbours: readonly Neighbour[],
  today: number,
): AisleMowing[] {
  const liveM = Math.max(...season.run.sown.map(({ plant }) => cutHeight(plant.endingClass).liveM))
  const areaM2 = segmentAreaM2(bed, stand.segment)
  const members = Math.min(TOLD_MEMBERS, season.run.members)
  const mowings: AisleMowing[] = []
  const events = () => mowings.map(({ day, cutToM }) => cutEvent(cutOn(day, cutToM), day, undefined))
  let run = season.again([], members)
  const last = Math.min(run.startDay + run.days - 2, today + AHEAD_DAYS)
  let from = Math.max(today, run.startDay + 1)
  while (mowings.length < MOST_MOWINGS) {
    const day = firstTooTall(run, from, last, (d) => allowedOn(d, neighbours, liveM).allowedM)
    if (day === null) break
    const before = {
      massG: middleOn(run, run.massG, day - 1),
      nitrogenG: middleOn(run, run.nitrogenG, day - 1),
    }
    const reachedM = middleOn(run, run.heightM, day)
    mowings.push({
      day,
      cutToM: liveM,
      reachedM,
      ...allowedOn(day, neighbours, liveM),
      massKg: 0,
      nitrogenG: 0,
    })
    run = season.again(events(), members)
    const taken = (what: 'massG' | 'nitrogenG') => Math.max(0, before[what] - middleOn(run, run[what], day))
    const mowing = mowings.at(-1)!
    mowing.massKg = (taken('massG') * areaM2) / 1000
    mowing.nitrogenG = taken('nitrogenG') * areaM2
    from = day + APART_DAYS
  }
  return mowings
}

function firstTooTall(
  run: StandRun,
  from: number,
  last: number,
  allowedM: (day: number) => number,
): number | null {
  for (let day = from; day <= last; day++) if (middleOn(run, run.heightM, day) > allowedM(day)) return day
  return null
}

/** A mowing as a cut whose cuttings land on the bed beside it, or stay where they fall. */
export const cutOn = (day: number, cutToM: number): CutDetails => ({
  date: isoDate(day),
  heightCm: Math.round(cutToM * 100),
  groundShare: 1,
  fate: 'dropped',
  note: '',
})
