import type { Quantiles } from '../foundations/statistics'
import type { GroundSheetKind, SheetAim } from '../garden/schema'
import type { WeatherEnsemble } from '../site/weather'
import { dateQuantiles } from '../stand/summary'
import { doseDay } from './doses'

type Range = { low: number; high: number }

/**
 * What does away with what grows on ground without a cover: thermal time above 0 °C under a black sheet and heat above
 * 40 °C under clear film on wet ground, both °C d (judgement, after Birthisel and Gallandt 2019 and Rylander et al. 2020
 * for weeds; grass by how long sod is covered in warm and in cool months).
 */
const WANTED: Record<SheetAim, Record<GroundSheetKind, Range>> = {
  'weed flush': { black: { low: 150, high: 300 }, clear: { low: 25, high: 60 } },
  weeds: { black: { low: 250, high: 420 }, clear: { low: 50, high: 100 } },
  'creeping weeds': { black: { low: 1200, high: 3000 }, clear: { low: 120, high: 300 } },
  'bunch grass': { black: { low: 600, high: 1100 }, clear: { low: 80, high: 150 } },
  'running grass': { black: { low: 1300, high: 2600 }, clear: { low: 150, high: 320 } },
}

/** What comes back from roots and runners, whatever lay on it: it is weakened, never gone. */
export const COMES_BACK: readonly SheetAim[] = ['creeping weeds', 'running grass']

/** Steps of the golden section spread what is not known evenly over the members. */
const GOLDEN = 0.618_033_988_75

/** Days on which a sheet laid on a day has done its work, member by member; NaN where the weather ends before. */
const doneDays = (ensemble: WeatherEnsemble, sheet: GroundSheetKind, aim: SheetAim, fromDay: number) =>
  Float64Array.from(ensemble.members, (_, m) => {
    const { low, high } = WANTED[aim][sheet]
    const dose = low + (high - low) * (((m + 0.5) * GOLDEN) % 1)
    return doseDay(ensemble, sheet, m, fromDay, dose)
  })

/** When a sheet on bare or weedy ground has done its work: by which day in how many courses of the weather, and by the day it comes off. */
export type GroundSheetAnswer = {
  done: Quantiles | null
  /** Share in which it is done before the weather ends. */
  ever: number
  chance: number
}

export function groundSheet(
  ensemble: WeatherEnsemble,
  sheet: GroundSheetKind,
  aim: SheetAim,
  fromDay: number,
  untilDay: number,
): GroundSheetAnswer {
  const days = doneDays(ensemble, sheet, aim, fromDay)
  const { chance: ever, quantiles } = dateQuantiles(days)
  const inTime = days.filter((day) => day <= untilDay).length
  return { done: quantiles, ever, chance: inTime / Math.max(1, days.length) }
}

/** Sheets lie longer than this, days, before their ground is looked at and wetted at half time. */
const REWET_AFTER_DAYS = 24

/** Day on which the ground under a sheet is looked at and wetted; null where it lies but shortly. */
export const halfTime = (fromDay: number, untilDay: number): number | null =>
  untilDay - fromDay > REWET_AFTER_DAYS ? Math.round((fromDay + untilDay) / 2) : null
