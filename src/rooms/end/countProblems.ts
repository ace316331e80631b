import { parseDay } from '../../core/foundations/day'
import { typedNumber } from '../../parts/typed'

/** What is wrong with work on what stood again, with the fix. */
export function finishingProblems(
  { date, minutes }: { date: string; minutes: string },
  countedOn: string,
  today: number,
): { date?: string; minutes?: string } {
  const problems: ReturnType<typeof finishingProblems> = {}
  const day = parseDay(date)
  if (day === null) problems.date = 'Enter a date that exists, such as 2026-06-18.'
  else if (day > today) problems.date = 'It is recorded once it is done. Choose today or an earlier date.'
  else if (date < countedOn)
    problems.date = `They were counted on ${countedOn}, after that. Choose a later date.`
  if (minutes.trim() !== '' && !(typedNumber(minutes) >= 0 && typedNumber(minutes) <= 10_000))
    problems.minutes = 'Minutes are a number from 0 to 10 000, or left empty.'
  return problems
}

export type CountFields = { date: string; standing: string; ground: string; before: string }

/** What is wrong with a count after the end, with the fix. */
export function countProblems(
  { date, standing, ground, before }: CountFields,
  endedDay: number,
  today: number,
): Partial<Record<keyof CountFields, string>> {
  const problems: ReturnType<typeof countProblems> = {}
  const day = parseDay(date)
  if (day === null) problems.date = 'Enter a date that exists, such as 2026-06-18.'
  else if (day > today)
    problems.date = 'A count is recorded once it is made. Choose today or an earlier date.'
  else if (day < endedDay) problems.date = 'It was ended after that. Choose a later date.'
  if (standing.trim() === '' || !(Number.isInteger(typedNumber(standing)) && typedNumber(standing) >= 0))
    problems.standing = 'Count whole plants; 0 is a count too.'
  if (!(typedNumber(ground) > 0 && typedNumber(ground) <= 1000))
    problems.ground = 'Ground counted is more than 0 m², such as 1.'
  if (!(typedNumber(before) > 0)) problems.before = 'How many stood there before is more than 0.'
  else if (typedNumber(standing) > typedNumber(before))
    problems.before = 'More stand again than stood before. Count plants, not stems, or correct this number.'
  return problems
}
