import type { PurposeId } from '../garden/schema'
import type { StandRun } from '../stand/types'

/** A purpose in growers' words, the amount it is judged by, and the goal (judgement, in the purpose's unit). */
export type Purpose = {
  id: PurposeId
  name: string
  measure: string
  unit: string
  goal: number
  /** Amount a member delivers between sowing and the day the stand is ended. */
  amount: (run: StandRun, member: number, endDay: number) => number
}

const indexOf = (run: StandRun, member: number, day: number) =>
  member * run.days + Math.min(run.days - 1, Math.max(0, day - run.startDay))

const massAt = (run: StandRun, member: number, endDay: number) => {
  const at = indexOf(run, member, endDay)
  return run.massG[at] + run.residueG[at]
}

function meanCover(run: StandRun, member: number, endDay: number): number {
  const days = Math.max(1, Math.min(run.days, endDay - run.startDay))
  let sum = 0
  for (let day = 0; day < days; day++) sum += run.cover[member * run.days + day]
  return sum / days
}

function daysToCover(run: StandRun, member: number, share: number): number {
  for (let day = 0; day < run.days; day++) if (run.cover[member * run.days + day] >= share) return day
  return run.days
}

function flowerDays(run: StandRun, member: number, endDay: number): number {
  const days = Math.min(run.days, endDay - run.startDay)
  let best = 0
  run.species.forEach((species, component) => {
    const value = run.sown[component].plant.flowerValue / 3
    let count = 0
    for (let day = 0; day < days; day++) {
      const at = member * run.days + day
      if (species.bbch[at] >= 61 && species.bbch[at] < 75 && species.alive[at] > 0.2) count++
    }
    best = Math.max(best, count * value)
  })
  return best
}

function rootWork(run: StandRun, member: number, endDay: number): number {
  const at = indexOf(run, member, endDay)
  return run.species.reduce(
    (sum, species, component) =>
      sum +
      (run.sown[component].plant.rootPower / 3) *
        Math.min(250, species.massG[at] + run.residueG[at] / run.species.length),
    0,
  )
}

export const PURPOSES: readonly Purpose[] = [
  {
    id: 'feed',
    name: 'Feed a heavy feeder',
    measure: 'nitrogen fixed',
    unit: 'g/m²',
    goal: 6,
    amount: (run, m, end) => run.fixedG[indexOf(run, m, end)],
  },
  {
    id: 'mass',
    name: 'Build organic matter',
    measure: 'dry matter grown',
    unit: 'g/m²',
    goal: 400,
    amount: massAt,
  },
  {
    id: 'hold',
    name: 'Hold nitrate',
    measure: 'soil nitrogen taken up',
    unit: 'g/m²',
    goal: 5,
    amount: (run, m, end) => run.nitrogenG[indexOf(run, m, end)] - run.fixedG[indexOf(run, m, end)],
  },
  {
    id: 'smother',
    name: 'Smother weeds',
    measure: 'mean cover until ended',
    unit: '%',
    goal: 55,
    amount: (run, m, end) => 100 * meanCover(run, m, end),
  },
  {
    id: 'quick',
    name: 'Cover a short gap',
    measure: 'days to half cover',
    unit: 'days',
    goal: 32,
    amount: (run, m) => daysToCover(run, m, 0.5),
  },
  {
    id: 'insects',
    name: 'Feed insects',
    measure: 'days in flower, by worth',
    unit: 'days',
    goal: 12,
    amount: flowerDays,
  },
  {
    id: 'loosen',
    name: 'Loosen hard ground',
    measure: 'root work index',
    unit: '',
    goal: 150,
    amount: rootWork,
  },
  {
    id: 'mulch',
    name: 'Mulch in place',
    measure: 'mulch when ended',
    unit: 'g/m²',
    goal: 500,
    amount: massAt,
  },
]

export const findPurpose = (id: PurposeId): Purpose => PURPOSES.find((purpose) => purpose.id === id)!

/** Whether less is better for a purpose. */
export const lessIsBetter = (purpose: Purpose) => purpose.id === 'quick'

/** Share of the goal an amount reaches, 0–1. */
export function goalShare(purpose: Purpose, amount: number): number {
  return Math.min(
    1,
    Math.max(0, lessIsBetter(purpose) ? purpose.goal / Math.max(1, amount) : amount / purpose.goal),
  )
}
