import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import type { Covering } from '../garden/schema'
import { seedSize } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import { cutsDown, SAME_WORK_DAYS } from '../seeding/dropOver'
import type { WeatherEnsemble } from '../site/weather'
import type { ChooseQuestion } from './types'

/** Weeks after sowing in which freezing and thawing works seed in, and nights of both that it takes (extension). */
const FREEZING_DAYS = 28
const FREEZING_NIGHTS = 6
const FREEZE_C = -1
const THAW_C = 1
/** Members that tell what a month is like. */
const TELLING_MEMBERS = 40

/** How the seed of a composition is covered: under what stands it lies or is raked in lightly, small seed is tamped. */
export function coveringFor(plants: readonly Species[], under: boolean): Covering {
  const small = areSmall(plants)
  if (under) return small ? 'surface' : 'raked'
  return small ? 'raked and tamped' : 'raked'
}

const areSmall = (plants: readonly Species[]) =>
  plants.every((plant) => seedSize(plant) === 'tiny' || seedSize(plant) === 'small')

/** Chance that freezing and thawing works in what is thrown on a day. */
function freezesAndThaws({ members, startDay, days }: WeatherEnsemble, day: number): boolean {
  const from = day - startDay
  const until = Math.min(days, from + FREEZING_DAYS)
  const some = members.slice(0, TELLING_MEMBERS)
  const enough = some.filter(({ tMinC, tMaxC }) => {
    let nights = 0
    for (let i = Math.max(0, from); i < until; i++) if (tMinC[i] < FREEZE_C && tMaxC[i] > THAW_C) nights++
    return nights >= FREEZING_NIGHTS
  })
  return enough.length * 2 > some.length
}

/**
 * How seed sown on a day is covered: in the open as usual; under a cover that is cut within days, by what falls on it; under
 * what stands through the winter small seed is left to the frost.
 */
export function coveringOn(
  plants: readonly Species[],
  sowDay: number,
  { upper }: Pick<ChooseQuestion, 'upper'>,
  ensemble: WeatherEnsemble,
): Covering {
  if (upper?.kind === 'cover') {
    const end = latest(upper.standCase.stand.end)
    if (end && cutsDown(end) && dayNumber(end.date) - sowDay <= SAME_WORK_DAYS) return 'crop dropped over'
  }
  if (upper && areSmall(plants) && freezesAndThaws(ensemble, sowDay)) return 'frost-seeded'
  return coveringFor(plants, upper !== null)
}
