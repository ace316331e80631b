import { dayNumber, startOfWeek } from '../core/foundations/day'
import { seedFromText } from '../core/foundations/random'
import type { GardenData, Stand } from '../core/garden/schema'
import { latest, spanOf } from '../core/garden/timeline'
import type { StandCase } from '../core/season/forecast'
import type { WeatherSpec } from '../core/season/weatherSpec'
import { MEMBERS } from '../core/site/ensemble'

/** Weeks the loom shows in all and before today. */
export const LOOM_WEEKS = 60
export const WEEKS_BEFORE_TODAY = 16
/** Weeks of weather beyond today: the loom's end and a paged season. */
const WEEKS_AHEAD = 70
/** Days of weather before the first sowing, for soil water and temperature to settle. */
const LEAD_DAYS = 42
/** Stands older than this are not run any more. */
const LONGEST_LOOK_BACK_DAYS = 1100

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

/** All that a stand's forecast depends on, taken from the garden. */
export function standCaseOf(data: GardenData, stand: Stand): StandCase | null {
  const bed = data.beds.find((entry) => entry.id === stand.bedId)
  if (!bed) return null
  return {
    bed,
    stand,
    upper: data.stands.find((other) => other.id === stand.underStandId) ?? null,
    checks: data.checks.filter((check) => check.standId === stand.id),
    nextStartDay: nextStart(data, stand),
  }
}

/** The stand that follows in the same ground, if one is planned or there. */
export function nextStand(data: GardenData, stand: Stand): Stand | null {
  const own = spanOf(stand)
  if (!own) return null
  const later = data.stands
    .filter(
      (other) =>
        other.bedId === stand.bedId &&
        other.id !== stand.id &&
        other.part.kind === 'whole' &&
        other.underStandId !== stand.id,
    )
    .map((other) => ({ other, span: spanOf(other) }))
    .filter(({ span }) => span !== null && span.startDay > own.startDay)
    .sort((a, b) => a.span!.startDay - b.span!.startDay)
  return later[0]?.other ?? null
}

function nextStart(data: GardenData, stand: Stand): number | null {
  const next = nextStand(data, stand)
  const start = next && latest(next.start)
  return start ? dayNumber(start.date) : null
}
