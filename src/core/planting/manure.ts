import { stopsOf } from '../ending/animals'
import { dayNumber } from '../foundations/day'
import { partSizeM } from '../garden/area'
import { USUAL_RULES, type Rules } from '../garden/rules'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { Crop } from '../plants/crops'

/** Animals longer ago than this no longer matter to any harvest, days. */
const FORGOTTEN_DAYS = 400

/** Last day on which animals were, or are planned to be, on a bed before a planting; null when there were none. */
export function lastAnimalsDay(bed: Bed, stands: readonly Stand[], plantingDay: number): number | null {
  const days = stands
    .filter((stand) => stand.bedId === bed.id)
    .flatMap((stand) => {
      const end = latest(stand.end)
      const grazed = stand.cuts.flatMap(({ cut }) => {
        const details = latest(cut)
        return details?.fate === 'grazed' ? [dayNumber(details.date)] : []
      })
      if (!end?.animals) return grazed
      const plot = partSizeM(bed, stand.part)
      const last = stopsOf(end.animals, plot.lengthM, plot.widthM, dayNumber(end.date)).at(-1)!
      return [...grazed, Math.ceil(last.endDay)]
    })
    .filter((day) => day <= plantingDay && day > plantingDay - FORGOTTEN_DAYS)
  return days.length > 0 ? Math.max(...days) : null
}

/** The interval that a crop's harvest must keep from animals on its bed; null when there were none. */
export function manureGate(
  bed: Bed,
  stands: readonly Stand[],
  plantingDay: number,
  crop: Pick<Crop, 'touchesSoil'>,
  rules: Rules = USUAL_RULES,
): { lastDay: number; days: number } | null {
  const lastDay = lastAnimalsDay(bed, stands, plantingDay)
  if (lastDay === null) return null
  return { lastDay, days: crop.touchesSoil ? rules.manureDays.touching : rules.manureDays.clear }
}
