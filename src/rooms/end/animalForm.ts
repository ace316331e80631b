import type { AnimalPlan } from '../../core/garden/ending'
import { daysOnStop } from '../../core/termination/stops'
import type { MethodId } from '../../core/termination/methods'
import { typedNumber } from '../../parts/typed'

/** How animals are moved, as typed; what is left out is as in the plan started from. */
export type AnimalDraft = {
  method?: MethodId
  daysPerStop?: string
  lastDaysPerStop?: string
  rounds?: string
  restDays?: string
  startDate?: string
}

/** What of a draft belongs to the way it was typed for, and goes when another is picked. */
export const NO_NUMBERS: Partial<AnimalDraft> = {
  daysPerStop: undefined,
  lastDaysPerStop: undefined,
  rounds: undefined,
  restDays: undefined,
}

type Planned = { plan: AnimalPlan; problem: null } | { plan: null; problem: string }

/** The plan a draft makes of the one it started from, or what of it makes no sense. */
export function planFrom(base: AnimalPlan, draft: AnimalDraft): Planned {
  const read = (text: string | undefined, fallback: number) =>
    text === undefined ? fallback : typedNumber(text)
  const daysPerStop = read(draft.daysPerStop, base.daysPerStop)
  const rounds = read(draft.rounds, base.rounds)
  const restDays = read(draft.restDays, base.restDays)
  const last = read(draft.lastDaysPerStop, base.lastDaysPerStop ?? daysPerStop)
  const onStop = (days: number) => days >= 0.5 && days <= 60
  const refuse = (problem: string): Planned => ({ plan: null, problem })
  if (!onStop(daysPerStop)) return refuse('Days on a stop are a number from 0.5 to 60.')
  if (!(Number.isInteger(rounds) && rounds >= 1 && rounds <= 6))
    return refuse('Rounds are a whole number from 1 to 6.')
  if (rounds > 1 && !onStop(last))
    return refuse('Days on a stop of the last round are a number from 0.5 to 60.')
  if (!(restDays >= 0 && restDays <= 120)) return refuse('Rest is a number of days from 0 to 120.')
  const plan = { ...base, daysPerStop, rounds, restDays, lastDaysPerStop: last }
  if (rounds === 1 || last === daysPerStop) delete (plan as Partial<AnimalPlan>).lastDaysPerStop
  return { plan, problem: null }
}

export const dayCount = (days: number) => `${days} ${days === 1 ? 'day' : 'days'}`

/** Days on a stop, and on one of the last round where that differs. */
export function daysInRounds(plan: AnimalPlan): string {
  const last = daysOnStop(plan, plan.rounds - 1)
  return last === plan.daysPerStop ? String(last) : `${plan.daysPerStop}, last round ${last}`
}
