import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import type { Species } from '../plants/parameters'
import type { WeatherEnsemble } from '../site/weather'

/** When a species can sensibly be sown at a place, as computed from a day on. */
export type SowingWindow = {
  /** First day the soil is warm enough for a week; null when it is not within the look. */
  warmFrom: Spread | null
  /** Last day from which it still has its days to root before hard frost; null when frost never ends it. */
  latest: Spread | null
  /** Chance that a sowing today roots in time and in warm enough soil. */
  todayChance: number
}

/** Days from emergence until roots hold before hard frost: earlier for clovers, later for hardy cereals (extension, 4–6 weeks). */
export function rootingDays(plant: Species): number {
  const hardy = plant.parameters.lt50HardyC
  if (plant.group === 'grass' && hardy <= -15) return 18
  if (plant.parameters.thousandSeedG < 10 && plant.group === 'legume') return 42
  return 30
}

/** Hard frost for what has just come up, °C: where unhardened plants of this kind are lost. */
const hardFrostC = (plant: Species) => Math.max(-9, plant.parameters.lt50HardyC * 0.45)
const WARM_DAYS = 5
/** Days that seed is safe below ground before it comes up. */
const EMERGES_AFTER_DAYS = 8
/** Days on either side over which soil is compared to tell spring from autumn. */
const SEASON_DAYS = 30

function isWarming(soilTempC: Float64Array, at: number): boolean {
  const mean = (fromAt: number) => {
    let sum = 0
    let count = 0
    for (let i = Math.max(0, fromAt); i < Math.min(soilTempC.length, fromAt + 20); i++) {
      sum += soilTempC[i]
      count++
    }
    return count > 0 ? sum / count : NaN
  }
  return mean(at + SEASON_DAYS) > mean(at - SEASON_DAYS - 20)
}

const LOOK_DAYS = 300

export function sowingWindow(plant: Species, ensemble: WeatherEnsemble, today: number): SowingWindow {
  const p = plant.parameters
  const from = today - ensemble.startDay
  const to = Math.min(ensemble.days, from + LOOK_DAYS)
  const needed = rootingDays(plant)
  const perMember = ensemble.members.map(({ soilTempC, tMinC }) => {
    let warm = NaN
    let run = 0
    for (let i = from; i < to && Number.isNaN(warm); i++) {
      run = soilTempC[i] >= p.emergenceBaseC + 2 ? run + 1 : 0
      if (run >= WARM_DAYS) warm = ensemble.startDay + i - WARM_DAYS + 1
    }
    let frost = NaN
    const start = Number.isNaN(warm) ? from : Math.max(from, warm - ensemble.startDay)
    for (let i = start; i < to && Number.isNaN(frost); i++) {
      if (tMinC[i] > hardFrostC(plant)) continue
      // A frost of spring, with warmth to come, delays the start; one of autumn ends the season.
      if (isWarming(soilTempC, i)) warm = Math.max(warm, ensemble.startDay + i - EMERGES_AFTER_DAYS)
      else frost = ensemble.startDay + i
    }
    // Going back from the frost: the days to root, then the thermal time to emerge.
    let latest = NaN
    if (!Number.isNaN(frost)) {
      let heat = 0
      let i = frost - needed - ensemble.startDay
      while (i >= 0 && heat < p.emergenceCd) heat += Math.max(0, soilTempC[i--] - p.emergenceBaseC)
      latest = ensemble.startDay + i + 1
    }
    return { warm, latest }
  })
  const warmFrom = spreadOf(perMember.map((entry) => entry.warm))
  const latest = spreadOf(perMember.map((entry) => entry.latest))
  return {
    warmFrom,
    latest,
    todayChance: shareOf(
      perMember.length,
      (m) =>
        perMember[m].warm <= today && (Number.isNaN(perMember[m].latest) || today <= perMember[m].latest),
    ),
  }
}
