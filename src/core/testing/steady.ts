import type { WeatherEnsemble } from '../site/weather'

/** Weather of one steady mean temperature, ± 5 °C over the day, dry and half sunny; for reckoning by hand. */
export function steadyWeather(meanC: number, days = 120, members = 1, startDay = 0): WeatherEnsemble {
  const flat = (value: number) => new Float64Array(days).fill(value)
  return {
    startDay,
    days,
    seed: 1,
    known: new Uint8Array(days),
    daylightHours: flat(14),
    members: Array.from({ length: members }, () => ({
      tMinC: flat(meanC - 5),
      tMaxC: flat(meanC + 5),
      rainMm: flat(0),
      radiationMjM2: flat(15),
      et0Mm: flat(3),
      soilTempC: flat(meanC),
      snowMm: flat(0),
      waterMm: flat(0),
    })),
  }
}
