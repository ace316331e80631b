import { shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import { soilWarm } from '../planting/openDays'
import { CROPS, type Crop } from '../plants/crops'
import type { WeatherEnsemble } from '../site/weather'

/** A gap this short, days, can be used by a quick food crop as well as by a cover. */
export const SHORT_GAP_DAYS = 75
/** Days to harvest of a quick crop at most, in usual weather. */
const QUICK_DAYS = 32
/** Usual mean of the weather that days to harvest are told for, and the base above which quick crops grow, °C (judgement, 14–18; 3–6). */
const USUAL_MEAN_C = 16
const BASE_C = 4
/** Colder than what young plants bear by this much takes the crop, °C. */
const KILLING_C = 2
/** Chance below which it is not offered. */
const LEAST_CHANCE = 0.5

/** A food crop that can be sown and eaten before the ground is wanted. */
export type QuickCrop = { cropId: string; harvest: Quantiles; chance: number }

/** Day a crop sown on a day is fit to eat in a member; NaN where frost takes it or the weather ends first. */
function harvestDay(crop: Crop, ensemble: WeatherEnsemble, member: number, sowDay: number): number {
  const { tMinC, tMaxC } = ensemble.members[member]
  const wanted = crop.daysToHarvest * (USUAL_MEAN_C - BASE_C)
  let sum = 0
  for (let i = sowDay - ensemble.startDay; i < ensemble.days; i++) {
    if (tMinC[i] < crop.frostLimitC - KILLING_C) return NaN
    sum += Math.max(0, (tMinC[i] + tMaxC[i]) / 2 - BASE_C)
    if (sum >= wanted) return ensemble.startDay + i + 1
  }
  return NaN
}

/**
 * Quick crops that can be sown in place on a day and harvested before the ground is wanted, the surest first: soil warm
 * enough to sow, no killing frost, and ripe by thermal time.
 */
export function quickCrops(ensemble: WeatherEnsemble, sowDay: number, wantedDay: number): QuickCrop[] {
  if (wantedDay - sowDay > SHORT_GAP_DAYS || sowDay < ensemble.startDay) return []
  const members = ensemble.members.length
  return CROPS.filter(
    ({ daysToHarvest, establishment }) => establishment === 'seed' && daysToHarvest <= QUICK_DAYS,
  )
    .flatMap((crop): QuickCrop[] => {
      const days = Float64Array.from({ length: members }, (_, member) =>
        soilWarm(ensemble, member, sowDay, crop.soilMinC) ? harvestDay(crop, ensemble, member, sowDay) : NaN,
      )
      const chance = shareOf(members, (member) => days[member] <= wantedDay)
      const harvest = quantilesOf(days.filter((day) => !Number.isNaN(day)))
      return harvest && chance >= LEAST_CHANCE ? [{ cropId: crop.id, harvest, chance }] : []
    })
    .sort((a, b) => b.chance - a.chance || a.harvest.p50 - b.harvest.p50)
}
