/** Twelve monthly values, January first. */
export type Monthly = readonly number[]

const MONTH_LENGTHS = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
const YEAR = 365.25
const MONTH_STARTS = MONTH_LENGTHS.map((_, month) =>
  MONTH_LENGTHS.slice(0, month).reduce((sum, days) => sum + days, 0),
)
const MONTH_MIDDLES = MONTH_LENGTHS.map((days, month) => MONTH_STARTS[month] + days / 2)

function throughKnots(knots: readonly number[], yearDay: number): number {
  let month = 11
  while (month >= 0 && MONTH_MIDDLES[month] > yearDay) month--
  const from = month < 0 ? 11 : month
  const to = (from + 1) % 12
  const start = month < 0 ? MONTH_MIDDLES[11] - YEAR : MONTH_MIDDLES[from]
  const end = to === 0 && month >= 0 ? MONTH_MIDDLES[0] + YEAR : MONTH_MIDDLES[to]
  return knots[from] + ((knots[to] - knots[from]) * (yearDay - start)) / (end - start)
}

/**
 * Daily values (index 0 = 1 January, 366 entries) on straight lines between mid-months whose monthly means
 * equal the given normals. The knots are moved until they do (Harzallah 1995, iterative interpolation).
 */
export function dailyFromMonthly(normals: Monthly): Float64Array {
  const knots = [...normals]
  for (let round = 0; round < 40; round++)
    for (let month = 0; month < 12; month++) {
      const days = Math.round(MONTH_LENGTHS[month])
      let sum = 0
      for (let d = 0; d < days; d++) sum += throughKnots(knots, MONTH_STARTS[month] + d + 0.5)
      knots[month] += 0.9 * (normals[month] - sum / days)
    }
  return Float64Array.from({ length: 366 }, (_, index) => throughKnots(knots, Math.min(index + 0.5, YEAR)))
}
