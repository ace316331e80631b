import { dayNumber, parseDay } from '../../core/foundations/day'

/** What is wrong with the day a sheet came off, with the fix. */
export function liftProblem(date: string, laidOn: string, today: number): string | undefined {
  const day = parseDay(date)
  if (day === null) return 'Enter a date that exists, such as 2026-06-18.'
  if (day > today) return 'It is recorded once the sheet is off. Choose today or an earlier date.'
  return day <= dayNumber(laidOn) ? `The sheet was laid on ${laidOn}. Choose a later date.` : undefined
}
