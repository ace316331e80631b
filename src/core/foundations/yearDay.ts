/** Days of a common year, in which days of the year are counted round and round. */
export const YEAR_DAYS = 365

/** A day counted round the year, 0–364. */
export const inYear = (day: number): number => ((day % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS

/** Days from one day of the year to another the nearer way round, −182 to 182. */
export const daysFrom = (from: number, to: number): number => inYear(to - from + 182) - 182
