import { startOfWeek } from '../core/foundations/day'
import { seedFromText } from '../core/foundations/random'
import type { GardenData } from '../core/garden/schema'
import { expectedStands, spanOf } from '../core/garden/timeline'
import { expectedMulch } from '../core/residue/mulchStore'
import { mulchAsPlanned } from '../core/season/owedMulch'
import type { WeatherSpec } from '../core/season/weatherSpec'

/** Members that a garden's season is computed with. */
const MEMBERS = 200
/** Weeks the loom shows in all and before today. */
export const LOOM_WEEKS = 60
export const WEEKS_BEFORE_TODAY = 16
/** Weeks of weather beyond today: the loom's end and a paged season. */
const WEEKS_AHEAD = 70
/** Days of weather before the first sowing, for soil water and temperature to settle. */
const LEAD_DAYS = 42
/** Stands older than this are not run any more. */
const LONGEST_LOOK_BACK_DAYS = 1100

/** A garden with what is overdue moved to today. */
export function expectedOn(data: GardenData, today: number): GardenData {
  const stands = expectedStands(data.stands, today)
  const mulchLaid = expectedMulch(mulchAsPlanned({ ...data, stands }), today)
  return { ...data, stands, garden: { ...data.garden, mulchLaid } }
}

/** The weather a garden is computed with on a day. Starts on a whole month's grid so that steps of the clock keep it. */
export function weatherSpecOf(data: GardenData, today: number, recordKey = ''): WeatherSpec {
  const { garden } = data
  const starts = data.stands.flatMap((stand) => spanOf(stand)?.startDay ?? [])
  const earliest = Math.max(
    today - LONGEST_LOOK_BACK_DAYS,
    Math.min(today - WEEKS_BEFORE_TODAY * 7, ...starts),
  )
  const startDay = Math.floor((earliest - LEAD_DAYS) / 28) * 28
  return {
    site: garden.site,
    recordKey,
    today,
    startDay,
    days: startOfWeek(today) + WEEKS_AHEAD * 7 - startDay,
    members: MEMBERS,
    seed: seedFromText(garden.id),
  }
}
