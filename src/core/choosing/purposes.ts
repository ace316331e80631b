import { rootKnotOf } from '../plants/nematodes'
import type { PurposeId } from '../garden/schema'
import {
  BIRDS_EAT,
  FRESH_PER_DRY,
  NEMATODE_WORTH,
  PICKED,
  daysBare,
  fixedAndKept,
  flowerDays,
  massLeft,
  mostGrown,
  liftedMulch,
  nitrateHeld,
  rootMass,
  rootWork,
  shelteredRain,
  weedCover,
  weightedPeak,
  type Counting,
} from './counting'

/** A purpose in growers' words, the amount it is judged by, and the goal (judgement, in the purpose's unit). */
export type Purpose = {
  id: PurposeId
  name: string
  measure: string
  unit: 'dry matter' | 'nitrogen' | '%' | 'days' | 'index' | 'fresh'
  goal: number
  /** Where the amount comes from, in words. */
  from: string
  amount: (counting: Counting) => number
}

export const PURPOSES: readonly Purpose[] = [
  {
    id: 'feed',
    name: 'Feed a heavy feeder',
    measure: 'fixed nitrogen kept',
    unit: 'nitrogen',
    goal: 6,
    from: 'what legumes fix until the cover is ended, less what rotted early and was washed out of reach, and what is carried off',
    amount: fixedAndKept,
  },
  {
    id: 'mass',
    name: 'Build organic matter',
    measure: 'dry matter grown',
    unit: 'dry matter',
    goal: 400,
    from: 'the most of live growth and what has fallen of it until it is ended',
    amount: mostGrown,
  },
  {
    id: 'hold',
    name: 'Hold nitrate',
    measure: 'soil nitrogen held',
    unit: 'nitrogen',
    goal: 5,
    from: 'nitrogen in the growth, in what has died of it, and what that freed in the last month, less what was fixed and what is carried off',
    amount: nitrateHeld,
  },
  {
    id: 'smother',
    name: 'Smother weeds',
    measure: 'of the weeds’ season covered',
    unit: '%',
    goal: 55,
    from: 'over all days of the window on which these weeds come up, what green cover and mulch keep down, low cover less than tall; for creeping weeds the share of days in deep shade',
    amount: weedCover,
  },
  {
    id: 'quick',
    name: 'Cover a short gap',
    measure: 'left bare',
    unit: 'days',
    goal: 40,
    from: 'days of the window on which less than half of the ground is under green or mulch: before it closes, and after it has died and rotted',
    amount: daysBare,
  },
  {
    id: 'insects',
    name: 'Feed insects',
    measure: 'in flower for insects',
    unit: 'days',
    goal: 12,
    from: 'days before the end with something in flower that are warm enough for bees and hoverflies, times the worth of its flowers to them',
    amount: flowerDays,
  },
  {
    id: 'loosen',
    name: 'Loosen hard ground',
    measure: 'root work',
    unit: 'index',
    goal: 150,
    from: 'growth up to 2.5 t/ha, times how well its roots open hard ground',
    amount: rootWork,
  },
  {
    id: 'mulch',
    name: 'Mulch in place',
    measure: 'mulch when ended',
    unit: 'dry matter',
    goal: 500,
    from: 'live growth and what has fallen of it on the day it is ended, less what is carried off',
    amount: massLeft,
  },
  {
    id: 'carry',
    name: 'Mulch to carry off',
    measure: 'lasting mulch to cut',
    unit: 'dry matter',
    goal: 600,
    from: 'growth standing when it is ended; soft growth with C:N below 20 counts half',
    amount: liftedMulch,
  },
  {
    id: 'nematodes',
    name: 'Set back root-knot nematodes',
    measure: 'growth that starves them',
    unit: 'dry matter',
    goal: 300,
    from: 'largest growth, counted full where the species sets them back, a quarter where it is a poor host, and not where it feeds them or that depends on the cultivar',
    amount: (counting) =>
      weightedPeak(
        counting,
        (component) => NEMATODE_WORTH[rootKnotOf(counting.run.sown[component].plant, counting.resistant)],
      ),
  },
  {
    id: 'slope',
    name: 'Hold soil on a slope',
    measure: 'of hard rain sheltered',
    unit: '%',
    goal: 65,
    from: 'share of the rain of the window’s days with 8 mm or more that falls on green or mulch',
    amount: shelteredRain,
  },
  {
    id: 'forage',
    name: 'Forage for birds',
    measure: 'soft growth to eat',
    unit: 'dry matter',
    goal: 120,
    from: 'largest growth before flowering, six tenths of it eaten; nothing from what must not be given to poultry',
    amount: (counting) =>
      weightedPeak(
        counting,
        (component) =>
          counting.run.sown[component].plant.harms.some(
            (harm) => harm.who === 'poultry' && harm.level === 'avoid',
          )
            ? 0
            : BIRDS_EAT,
        61,
      ),
  },
  {
    id: 'raw',
    name: 'Start raw or sod ground',
    measure: 'root growth',
    unit: 'dry matter',
    goal: 150,
    from: 'largest growth times its roots’ share',
    amount: rootMass,
  },
  {
    id: 'kitchen',
    name: 'Shoots for the kitchen',
    measure: 'shoots to pick',
    unit: 'fresh',
    goal: 400,
    from: 'a quarter of the growth before buds, as fresh weight, of what people can eat',
    amount: (counting) =>
      weightedPeak(
        counting,
        (component) => (counting.run.sown[component].plant.edible ? FRESH_PER_DRY * PICKED : 0),
        51,
      ),
  },
]

export const findPurpose = (id: PurposeId): Purpose => PURPOSES.find((purpose) => purpose.id === id)!

/** Whether less is better for a purpose. */
export const lessIsBetter = (id: PurposeId) => id === 'quick'

/** Worth of reaching the goal; twice the goal is worth more, but not twice. */
const GOAL_WORTH = 0.7

/** Worth of an amount, 0–1: 0.7 at the goal, rising ever more slowly beyond it. */
export function goalShare(purpose: Purpose, amount: number): number {
  const ratio = lessIsBetter(purpose.id)
    ? purpose.goal / Math.max(1, amount)
    : Math.max(0, amount) / purpose.goal
  return 1 - (1 - GOAL_WORTH) ** ratio
}
