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
import type { StandState } from '../stand/state'
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
/** Around the stems of what stands beside an aisle no growth and no cuttings, m: voles and rot live there (judgement, 0.15–0.3). */
export const COLLAR_M = 0.2
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

/** How far ahead an aisle is followed, days, for how many mowings at most, and by how many members. */
export type AisleAhead = { days: number; mowings: number; members: number }
const MONTHS_AHEAD: AisleAhead = { days: AHEAD_DAYS, mowings: MOST_MOWINGS, members: TOLD_MEMBERS }

/** When a living aisle is to be mown from today on, each mowing growing on from the ones before it. */
export const aisleMowings = (
  aisle: Pick<StandCase, 'bed' | 'stand'>,
  season: SeasonRun,
  neighbours: readonly Neighbour[],
  today: number,
): AisleMowing[] => mownAhead(aisle, season, neighbours, today, MONTHS_AHEAD).mowings

/** Days that are looked at together for one on which an aisle is too tall. */
const WINDOW_DAYS = 42

/** The same as far ahead as is wanted, and the stand as it grows on under these mowings, piece after piece. */
export function mownAhead(
  { bed, stand }: Pick<StandCase, 'bed' | 'stand'>,
  season: SeasonRun,
  neighbours: readonly Neighbour[],
  today: number,
  ahead: AisleAhead,
): { mowings: AisleMowing[]; pieces: StandRun[] } {
  const { startDay, days, members: most, sown } = season.run
  const liveM = Math.max(...sown.map(({ plant }) => cutHeight(plant.endingClass).liveM))
  const areaM2 = segmentAreaM2(bed, stand.segment)
  const members = Math.min(ahead.members, most)
  const last = Math.min(startDay + days - 2, today + ahead.days)
  const mowings: AisleMowing[] = []
  const pieces: StandRun[] = []
  let from: StandState | null = null
  let day = Math.max(today, startDay + 1)
  while (mowings.length < ahead.mowings && day <= last) {
    const walk = { day, members, from }
    const uncut = season.walkOn({ ...walk, days: Math.min(WINDOW_DAYS, last + 1 - day), events: [] })
    const allowedM = (on: number) => allowedOn(on, neighbours, liveM).allowedM
    const mowDay = firstTooTall(uncut.run, day, day + uncut.run.days - 1, allowedM)
    const event = mowDay === null ? null : cutEvent(cutOn(mowDay, liveM), mowDay, undefined)
    const walked: typeof uncut =
      mowDay === null || event === null
        ? uncut
        : season.walkOn({ ...walk, days: mowDay - day + APART_DAYS, events: [event] })
    if (mowDay !== null) {
      const taken = (what: 'massG' | 'nitrogenG') =>
        Math.max(
          0,
          middleOn(uncut.run, uncut.run[what], mowDay) - middleOn(walked.run, walked.run[what], mowDay),
        )
      mowings.push({
        day: mowDay,
        cutToM: liveM,
        reachedM: middleOn(uncut.run, uncut.run.heightM, mowDay),
        ...allowedOn(mowDay, neighbours, liveM),
        massKg: (taken('massG') * areaM2) / 1000,
        nitrogenG: taken('nitrogenG') * areaM2,
      })
    }
    pieces.push(walked.run)
    from = walked.state
    day += walked.run.days
  }
  return { mowings, pieces }
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
