/**
 * Calendar days as whole numbers: days since 1970-01-01, no time zone.
 * ISO strings (`2026-04-18`) are used at the edges, day numbers inside.
 */
export type IsoDate = string

const MS_PER_DAY = 86_400_000

/** Day number of an ISO date. Returns `null` for anything that is not a real calendar date. `1970-01-02` → 1. */
export function parseDay(iso: string): number | null {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(iso)
  if (!match) return null
  const day = Math.round(Date.UTC(Number(match[1]), Number(match[2]) - 1, Number(match[3])) / MS_PER_DAY)
  return isoDate(day) === iso ? day : null
}

/** Day number of an ISO date that has already been validated; throws a RangeError otherwise. */
export function dayNumber(iso: IsoDate): number {
  const day = parseDay(iso)
  if (day === null) throw new RangeError(`Not a calendar date: ${iso}`)
  return day
}

/** ISO date of a day number. 0 → `1970-01-01`. */
export function isoDate(day: number): IsoDate {
  return new Date(day * MS_PER_DAY).toISOString().slice(0, 10)
}

/** The ISO date `days` later (or earlier, if negative). */
export function addDays(iso: IsoDate, days: number): IsoDate {
  return isoDate(dayNumber(iso) + days)
}

export function yearOf(day: number): number {
  return new Date(day * MS_PER_DAY).getUTCFullYear()
}

/** Month 0 to 11. */
export function monthOf(day: number): number {
  return new Date(day * MS_PER_DAY).getUTCMonth()
}

/** Day of the year, 1 January = 1, up to 366. */
export function dayOfYear(day: number): number {
  return day - Math.round(Date.UTC(yearOf(day), 0, 1) / MS_PER_DAY) + 1
}

/** The Monday on or before the day. 1970-01-01 was a Thursday. */
export function startOfWeek(day: number): number {
  return day - ((((day + 3) % 7) + 7) % 7)
}
