import { stagesOn } from './endStand'
import type { Step } from './step'
import { dayNumber, isoDate } from '../core/foundations/day'
import type { Finishing, FollowUp } from '../core/garden/ending'
import type { Stand } from '../core/garden/schema'
import type { StandForecast } from '../core/season/standForecast'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { standName } from '../text/names'

/** A count of what stands again: plants, on how many m², out of how many that stood there before. */
export type Count = Pick<FollowUp, 'standing' | 'groundM2' | 'before' | 'note'> & {
  day: number
  speciesId: string
}

/** Records a count; where the end was recorded before the forecast was there, the stage that places its counts goes in, too. */
export function countAgain(
  stand: Stand,
  { day, speciesId, ...counted }: Count,
  forecast: StandForecast | null,
): Step {
  const count: FollowUp = {
    id: newId('count'),
    date: isoDate(day),
    ...counted,
    speciesId: speciesId || undefined,
  }
  const { actual } = stand.end
  const staged =
    actual && actual.bbch === undefined && forecast
      ? { ...actual, ...stagesOn(stand, forecast, dayNumber(actual.date)) }
      : actual
  return {
    label: `Counted what of ${standName(stand).toLowerCase()} stands again`,
    writes: [
      changed('stands', stand, {
        end: { ...stand.end, actual: staged },
        followUps: [...stand.followUps, count],
      }),
    ],
  }
}

export const takeOutCount = (stand: Stand, countId: string): Step => ({
  label: `Took out a count of ${standName(stand).toLowerCase()}`,
  writes: [changed('stands', stand, { followUps: stand.followUps.filter(({ id }) => id !== countId) })],
})

/** What was done about plants that stood again; minutes null where they were not told. */
export function finishStand(
  stand: Stand,
  { act, day, minutes }: Pick<Finishing, 'act'> & { day: number; minutes: number | null },
): Step {
  const work: Finishing = {
    id: newId('work'),
    date: isoDate(day),
    act,
    ...(minutes !== null && { minutes }),
  }
  return {
    label: `Recorded what was done about ${standName(stand).toLowerCase()} that stood again`,
    writes: [changed('stands', stand, { finishings: [...stand.finishings, work] })],
  }
}

export const takeOutFinishing = (stand: Stand, workId: string): Step => ({
  label: `Took out what was done about ${standName(stand).toLowerCase()}`,
  writes: [changed('stands', stand, { finishings: stand.finishings.filter(({ id }) => id !== workId) })],
})
