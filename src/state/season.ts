import { dayNumber, startOfWeek } from '../core/foundations/day'
import type { OwnResults } from '../core/ending/ownResults'
import { ownResults } from '../core/ending/pooling'
import { seedFromText } from '../core/foundations/random'
import { partAreaM2 } from '../core/garden/area'
import type { Bed, GardenData, Stand } from '../core/garden/schema'
import { latest, spanOf } from '../core/garden/timeline'
import type { StandCase } from '../core/season/run'
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
  const brought = broughtTo(bed, data.stands)
  return {
    bed,
    stand,
    upper: data.stands.find((other) => other.id === stand.underStandId) ?? null,
    checks: data.checks.filter((check) => check.standId === stand.id),
    nextStartDay: nextStart(data, stand),
    ...(brought.length > 0 && { brought }),
    own: ownOf(data.stands),
  }
}

/** Mulch that was cut elsewhere and carried to a bed, spread over all of it. */
function broughtTo(bed: Bed, stands: readonly Stand[]): NonNullable<StandCase['brought']> {
  const areaM2 = partAreaM2(bed, { kind: 'whole' })
  return stands.flatMap((stand) =>
    stand.cuts.flatMap(({ cut }) =>
      cut.fact?.toBedId === bed.id && cut.fact.took && areaM2 > 0
        ? [
            {
              day: dayNumber(cut.fact.date),
              massG: (cut.fact.took.massKg * 1000) / areaM2,
              nitrogenG: cut.fact.took.nitrogenG / areaM2,
            },
          ]
        : [],
    ),
  )
}

const ownByStands = new WeakMap<readonly Stand[], OwnResults>()

/** The garden's own counts after endings, worked out once for each set of stands. */
export function ownOf(stands: readonly Stand[]): OwnResults {
  const known = ownByStands.get(stands)
  if (known) return known
  const own = ownResults(stands)
  ownByStands.set(stands, own)
  return own
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
