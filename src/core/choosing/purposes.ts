import type { PurposeId } from '../garden/schema'
import { residueCover } from '../residue/pools'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
import type { WeedKind } from './types'

/** What a purpose is counted from, for one member. */
export type Counting = {
  run: StandRun
  ensemble: WeatherEnsemble
  member: number
  /** Day the stand is ended. */
  endDay: number
  weeds: WeedKind
}

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

const indexOf = ({ run, member, endDay }: Counting) =>
  member * run.days + Math.min(run.days - 1, Math.max(0, endDay - run.startDay))

const lifeDays = ({ run, endDay }: Counting) => Math.max(1, Math.min(run.days, endDay - run.startDay))

const grownMass = (counting: Counting) => {
  const at = indexOf(counting)
  return counting.run.massG[at] + counting.run.residueG[at]
}

/** Soil temperatures at which the weeds of a season come up, °C (judgement). */
const WEED_SEASON: Record<WeedKind, [from: number, to: number]> = {
  any: [-50, 60],
  'cool season': [3, 14],
  'warm season': [13, 60],
  creeping: [6, 60],
}
/** Cover that shades creeping weeds enough to weaken them. */
const DEEP_SHADE = 0.85

function weedCover(counting: Counting): number {
  const { run, ensemble, member, weeds } = counting
  const [from, to] = WEED_SEASON[weeds]
  const { soilTempC } = ensemble.members[member]
  const offset = run.startDay - ensemble.startDay
  let sum = 0
  let days = 0
  for (let day = 0; day < lifeDays(counting); day++) {
    const soil = soilTempC[offset + day]
    if (soil < from || soil > to) continue
    const cover = run.cover[member * run.days + day]
    sum += weeds === 'creeping' ? (cover >= DEEP_SHADE ? 1 : 0) : cover
    days++
  }
  return days > 0 ? (100 * sum) / days : 0
}

function daysToCover({ run, member }: Counting, share: number): number {
  for (let day = 0; day < run.days; day++) if (run.cover[member * run.days + day] >= share) return day
  return run.days
}

function flowerDays(counting: Counting): number {
  const { run, member } = counting
  let best = 0
  run.species.forEach((species, component) => {
    const value = run.sown[component].plant.flowerValue / 3
    let count = 0
    for (let day = 0; day < lifeDays(counting); day++) {
      const at = member * run.days + day
      if (species.bbch[at] >= 61 && species.bbch[at] < 75 && species.alive[at] > 0.2) count++
    }
    best = Math.max(best, count * value)
  })
  return best
}

/** Largest mass each species reached, g m⁻², times a weight of its own. */
function weightedPeak(counting: Counting, weight: (component: number) => number, beforeBbch = 100): number {
  const { run, member } = counting
  return run.species.reduce((sum, species, component) => {
    const factor = weight(component)
    if (factor === 0) return sum
    let peak = 0
    for (let day = 0; day < lifeDays(counting); day++) {
      const at = member * run.days + day
      if (species.bbch[at] < beforeBbch) peak = Math.max(peak, species.massG[at])
    }
    return sum + factor * peak
  }, 0)
}

/** Mass above which roots work no harder, g m⁻². */
const ROOTS_FULL_G = 250

function rootWork(counting: Counting): number {
  const { run } = counting
  return run.species.reduce((sum, _, component) => {
    const power = run.sown[component].plant.rootPower / 3
    return (
      sum +
      power *
        Math.min(
          ROOTS_FULL_G,
          weightedPeak(counting, (other) => (other === component ? 1 : 0)),
        )
    )
  }, 0)
}

function rootMass(counting: Counting): number {
  return weightedPeak(counting, (component) => {
    const share = counting.run.sown[component].plant.parameters.rootShare
    return share / (1 - share)
  })
}

/** Rain from which soil moves on a bare slope, mm d⁻¹. */
const EROSIVE_MM = 8

function shelteredRain(counting: Counting): number {
  const { run, ensemble, member } = counting
  const { rainMm } = ensemble.members[member]
  const offset = run.startDay - ensemble.startDay
  let held = 0
  let all = 0
  for (let day = 0; day < lifeDays(counting); day++) {
    const mm = rainMm[offset + day]
    if (mm < EROSIVE_MM) continue
    const at = member * run.days + day
    const cover = 1 - (1 - run.cover[at]) * (1 - residueCover(run.residueG[at]))
    held += mm * cover
    all += mm
  }
  return all > 0 ? (100 * held) / all : 100
}

/** Carbon to nitrogen from which mulch lasts, and the worth of softer mulch. */
const LASTING_CN = 20
const SOFT_WORTH = 0.5

function liftedMulch(counting: Counting): number {
  const at = indexOf(counting)
  const { massG, nitrogenG } = counting.run
  const ratio = nitrogenG[at] > 0 ? (0.42 * massG[at]) / nitrogenG[at] : 0
  return massG[at] * (ratio >= LASTING_CN ? 1 : SOFT_WORTH)
}

const NEMATODE_WORTH = { 'sets back': 1, 'poor host': 0.25, host: 0 } as const
/** Fresh weight over dry of young shoots, and the share of them that is picked. */
const FRESH_PER_DRY = 8
const PICKED = 0.25
/** Share of soft growth that birds take. */
const BIRDS_EAT = 0.6

export const PURPOSES: readonly Purpose[] = [
  {
    id: 'feed',
    name: 'Feed a heavy feeder',
    measure: 'nitrogen fixed',
    unit: 'nitrogen',
    goal: 6,
    from: 'what legumes fix beyond what the soil gives, until the cover is ended',
    amount: (counting) => counting.run.fixedG[indexOf(counting)],
  },
  {
    id: 'mass',
    name: 'Build organic matter',
    measure: 'dry matter grown',
    unit: 'dry matter',
    goal: 400,
    from: 'live growth and what has fallen of it on the day it is ended',
    amount: grownMass,
  },
  {
    id: 'hold',
    name: 'Hold nitrate',
    measure: 'soil nitrogen taken up',
    unit: 'nitrogen',
    goal: 5,
    from: 'nitrogen in the growth less what was fixed',
    amount: (counting) => {
      const at = indexOf(counting)
      return Math.max(0, counting.run.nitrogenG[at] - counting.run.fixedG[at])
    },
  },
  {
    id: 'smother',
    name: 'Smother weeds',
    measure: 'of the weeds’ season covered',
    unit: '%',
    goal: 55,
    from: 'mean green cover over the days on which these weeds come up; for creeping weeds the share of days in deep shade',
    amount: weedCover,
  },
  {
    id: 'quick',
    name: 'Cover a short gap',
    measure: 'to half cover',
    unit: 'days',
    goal: 32,
    from: 'days from sowing until half the ground is green',
    amount: (counting) => daysToCover(counting, 0.5),
  },
  {
    id: 'insects',
    name: 'Feed insects',
    measure: 'in flower, by worth',
    unit: 'days',
    goal: 12,
    from: 'days in flower before the end, times the worth of its flowers to bees and hoverflies',
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
    from: 'live growth and what has fallen of it on the day it is ended',
    amount: grownMass,
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
    from: 'largest growth, counted full where the species sets them back and a quarter where it is a poor host',
    amount: (counting) =>
      weightedPeak(counting, (component) => NEMATODE_WORTH[counting.run.sown[component].plant.rootKnot]),
  },
  {
    id: 'slope',
    name: 'Hold soil on a slope',
    measure: 'of hard rain sheltered',
    unit: '%',
    goal: 70,
    from: 'share of the rain of days with 8 mm or more that falls on green or residue',
    amount: shelteredRain,
  },
  {
    id: 'forage',
    name: 'Forage for birds',
    measure: 'soft growth to eat',
    unit: 'dry matter',
    goal: 120,
    from: 'largest growth before flowering, six tenths of it eaten; nothing from what harms poultry',
    amount: (counting) =>
      weightedPeak(
        counting,
        (component) =>
          counting.run.sown[component].plant.harms.some((harm) => harm.who === 'poultry') ? 0 : BIRDS_EAT,
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
