/** Limits of one day's weather: colder, hotter or wetter days have not been measured where vegetables grow. */
export const DAY_LIMITS = {
  tMinC: { name: 'Low', low: -60, high: 45, unit: '°C' },
  tMaxC: { name: 'High', low: -50, high: 57, unit: '°C' },
  rainMm: { name: 'Rain', low: 0, high: 900, unit: 'mm' },
} as const
export type DayValue = keyof typeof DAY_LIMITS
export const DAY_VALUES = Object.keys(DAY_LIMITS) as DayValue[]

/** First and last year that days are kept of. */
export const FIRST_YEAR = 1850
export const LAST_YEAR = 2100

/** Places of a year. */
export const SLOTS = 366
