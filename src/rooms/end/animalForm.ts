import { z } from 'zod'
import type { AnimalPlan } from '../../core/garden/ending'
import { daysOnStop } from '../../core/termination/stops'
import { quantity } from '../../parts/form/codecs'

const onStop = (name: string) => quantity('days', 'metric', { name, low: 0.5, high: 60 })

/** How animals are moved. */
export const animalForm = z.object({
  daysPerStop: onStop('Days on a stop'),
  lastDaysPerStop: onStop('Days on a stop of the last round'),
  rounds: quantity('count', 'metric', { name: 'Rounds', low: 1, high: 6, whole: true }),
  restDays: quantity('days', 'metric', { name: 'Rest between', low: 0, high: 120 }),
})
type AnimalValue = z.output<typeof animalForm>

export const animalValue = (plan: AnimalPlan): AnimalValue => ({
  daysPerStop: plan.daysPerStop,
  lastDaysPerStop: daysOnStop(plan, plan.rounds - 1),
  rounds: plan.rounds,
  restDays: plan.restDays,
})

/** The plan that the fields make of the one they started from; a last round like the others carries no days of its own. */
export function planFrom({ lastDaysPerStop: _, ...base }: AnimalPlan, value: AnimalValue): AnimalPlan {
  const { daysPerStop, lastDaysPerStop, rounds, restDays } = value
  return {
    ...base,
    daysPerStop,
    rounds,
    restDays,
    ...(rounds > 1 && lastDaysPerStop !== daysPerStop && { lastDaysPerStop }),
  }
}

export const dayCount = (days: number) => `${days} ${days === 1 ? 'day' : 'days'}`

/** Days on a stop, and on one of the last round where that differs. */
export function daysInRounds(plan: AnimalPlan): string {
  const last = daysOnStop(plan, plan.rounds - 1)
  return last === plan.daysPerStop ? String(last) : `${plan.daysPerStop}, last round ${last}`
}
