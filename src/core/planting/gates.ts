import { dayNumber } from '../foundations/day'
import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import type { EndDetails } from '../garden/schema'
import { DEAD_SHARE, endingOf } from '../ending/outcome'
import type { Crop } from '../plants/crops'
import { agedIndex, freshIndex, HARMLESS_INDEX } from '../residue/allelopathy'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
import { spreadOn } from '../stand/summary'

/** One condition for planting: when it is met, over the members, and why it is there. */
export type Gate = {
  id: 'dead' | 'wait' | 'tie-up' | 'seedbed' | 'residue-hold' | 'soil' | 'frost'
  name: string
  reason: string
  met: Spread | null
  chanceByPlanting: number
}

export type Readiness = {
  gates: Gate[]
  ready: Spread | null
  chanceByPlanting: number
  /** Net mineral nitrogen from residue in the first 4 and 10 weeks after planting, g m⁻². */
  nitrogen4Weeks: Spread | null
  nitrogen10Weeks: Spread | null
  /** Mulch on the planting day, g m⁻². */
  mulchG: Spread | null
}

/** Most residue a direct sowing bears without raking, g m⁻² (judgement): small seed, large seed. */
const SEEDBED_RESIDUE_G = { small: 120, large: 350 } as const
/** Mineral nitrogen lost to residue in a fortnight that counts as tie-up, g m⁻² (judgement, 0.2–0.6). */
const TIE_UP_G = 0.3
const FORTNIGHT = 14
/** Tie-up is looked for this long after the end; later it no longer matters to the crop planted. */
const TIE_UP_LOOK_DAYS = 90

export type GateInput = {
  /** The stand run without its ending, and with it. */
  standing: StandRun
  ended: StandRun
  ensemble: WeatherEnsemble
  end: EndDetails
  flattened: boolean
  crop: Pick<Crop, 'name' | 'smallSeed' | 'soilMinC' | 'frostLimitC'>
  establishment: 'transplant' | 'seed'
  waitDays: number
  plantingDay: number
  today: number
}

/** All gates between this ended cover and the next crop; a gate's `met` is null when most members never get there. */
export function readiness(input: GateInput): Readiness {
  const { ended, plantingDay, establishment } = input
  const members = ended.members
  const endDay = dayNumber(input.end.date)
  const dead = Float64Array.from({ length: members }, (_, member) => deadDay(input, endDay, member))
  const gates: { gate: Omit<Gate, 'met' | 'chanceByPlanting'>; days: Float64Array }[] = [
    {
      gate: {
        id: 'dead',
        name: 'Dead',
        reason: `At most ${DEAD_SHARE[establishment] * 100} % of the plants alive, after pulling stragglers by hand.`,
      },
      days: dead,
    },
    {
      gate: {
        id: 'wait',
        name: 'Wait over',
        reason: `Your own rule: ${input.waitDays} days between dead and ${establishment === 'seed' ? 'sowing' : 'planting'}.`,
      },
      days: dead.map((day) => day + input.waitDays),
    },
    {
      gate: {
        id: 'tie-up',
        name: 'Nitrogen tie-up over',
        reason:
          'Strawy residue takes nitrogen from the soil while it starts to rot; the day its net release turns up.',
      },
      days: tieUpDays(input, endDay),
    },
    {
      gate: {
        id: 'soil',
        name: 'Soil warm enough',
        reason: `${input.crop.name} wants ${input.crop.soilMinC} °C at 5 cm for three days.`,
      },
      days: soilDays(input),
    },
    {
      gate: {
        id: 'frost',
        name: 'Frost past',
        reason: `Last night at or below ${input.crop.frostLimitC} °C before three weeks past planting.`,
      },
      days: frostDays(input),
    },
  ]
  if (establishment === 'seed') {
    const limit = input.crop.smallSeed ? SEEDBED_RESIDUE_G.small : SEEDBED_RESIDUE_G.large
    gates.push({
      gate: {
        id: 'seedbed',
        name: 'Seedbed clear',
        reason: `Residue below ${limit / 100} t/ha, or raked aside in the rows.`,
      },
      days: residueBelow(ended, endDay, limit),
    })
    if (input.crop.smallSeed && ended.sown.some((sown) => sown.plant.allelopathy > 0))
      gates.push({
        gate: {
          id: 'residue-hold',
          name: 'Residue no longer holds back seed',
          reason:
            'Fresh residue of this kind slows small seeds; its hold halves every 150 °C d as it browns.',
        },
        days: residueHoldDays(input, endDay, dead),
      })
  }
  const ready = Float64Array.from({ length: members }, (_, member) =>
    Math.max(...gates.map((gate) => gate.days[member])),
  )
  const byPlanting = (days: Float64Array) => shareOf(members, (member) => days[member] <= plantingDay)
  return {
    gates: gates.map(({ gate, days }) => ({
      ...gate,
      met: mostly(days),
      chanceByPlanting: byPlanting(days),
    })),
    ready: mostly(ready),
    chanceByPlanting: byPlanting(ready),
    nitrogen4Weeks: releaseBetween(ended, plantingDay, plantingDay + 28),
    nitrogen10Weeks: releaseBetween(ended, plantingDay, plantingDay + 70),
    mulchG: spreadOn(ended, 'residueG', plantingDay),
  }
}

/** Spread of days that at least half of the members reach. */
function mostly(days: Float64Array): Spread | null {
  const reached = days.filter((day) => Number.isFinite(day)).length
  return reached * 2 >= days.length ? spreadOf(days) : null
}

function deadDay(input: GateInput, endDay: number, member: number): number {
  const { end, standing, ensemble, establishment, flattened } = input
  if (end.method === 'harvest') return endDay
  return endingOf(end.method, standing, ensemble, member, endDay, {
    passes: end.passes,
    flattened,
    target: DEAD_SHARE[establishment],
  }).deadDay
}

/** The day after the last fortnight, within the following months, in which the residue still takes up mineral nitrogen. */
function tieUpDays({ ended }: GateInput, endDay: number): Float64Array {
  const from = Math.max(0, endDay - ended.startDay)
  const last = Math.min(ended.days - FORTNIGHT, from + TIE_UP_LOOK_DAYS)
  return Float64Array.from({ length: ended.members }, (_, member) => {
    const released = (day: number) => ended.releasedG[member * ended.days + day]
    for (let day = last - 1; day >= from; day--)
      if (released(day) - released(day + FORTNIGHT) > TIE_UP_G) return ended.startDay + day + FORTNIGHT
    return ended.startDay + from
  })
}

/** The first day after death on which the residue's hold on small seed is harmless. */
function residueHoldDays(
  { standing, ensemble }: GateInput,
  endDay: number,
  dead: Float64Array,
): Float64Array {
  const on = Math.min(standing.days - 1, Math.max(0, endDay - standing.startDay))
  return Float64Array.from({ length: standing.members }, (_, member) => {
    const strengthMass = standing.sown.reduce(
      (sum, { plant }, c) => sum + plant.allelopathy * standing.species[c].massG[member * standing.days + on],
      0,
    )
    const fresh = freshIndex(strengthMass)
    const { tMinC, tMaxC } = ensemble.members[member]
    let warmth = 0
    for (let i = Math.round(dead[member]) - ensemble.startDay; i >= 0 && i < ensemble.days; i++) {
      if (agedIndex(fresh, warmth) <= HARMLESS_INDEX) return ensemble.startDay + i
      warmth += Math.max(0, (tMinC[i] + tMaxC[i]) / 2)
    }
    return NaN
  })
}

function residueBelow(run: StandRun, fromDay: number, limitG: number): Float64Array {
  return Float64Array.from({ length: run.members }, (_, member) => {
    for (let day = Math.max(0, fromDay - run.startDay); day < run.days; day++)
      if (run.residueG[member * run.days + day] <= limitG) return run.startDay + day
    return NaN
  })
}

function soilDays({ ensemble, today, crop }: GateInput): Float64Array {
  return Float64Array.from(ensemble.members, (weather) => {
    let warm = 0
    for (let i = Math.max(0, today - 3 - ensemble.startDay); i < ensemble.days; i++) {
      warm = weather.soilTempC[i] >= crop.soilMinC ? warm + 1 : 0
      if (warm >= 3) return ensemble.startDay + i
    }
    return NaN
  })
}

function frostDays({ ensemble, today, plantingDay, crop }: GateInput): Float64Array {
  return Float64Array.from(ensemble.members, (weather) => {
    let last = today
    const to = Math.min(ensemble.days - 1, plantingDay + 21 - ensemble.startDay)
    for (let i = Math.max(0, today - ensemble.startDay); i <= to; i++)
      if (weather.tMinC[i] <= crop.frostLimitC) last = ensemble.startDay + i + 1
    return last
  })
}

function releaseBetween(run: StandRun, fromDay: number, toDay: number): Spread | null {
  const a = fromDay - run.startDay
  const b = toDay - run.startDay
  if (a < 0 || b >= run.days) return null
  return spreadOf(
    Float64Array.from(
      { length: run.members },
      (_, m) => run.releasedG[m * run.days + b] - run.releasedG[m * run.days + a],
    ),
  )
}
