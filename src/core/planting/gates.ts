import {
  deadDay,
  frostDays,
  residueBelow,
  residueHoldDays,
  seedFlyDays,
  soilDays,
  TIE_UP_G,
  tieUpDays,
  type GateInput,
} from './gateDays'
import { dayNumber } from '../foundations/day'
import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import { findWay } from '../ending/ways'
import { DEAD_SHARE, HAND_FINISH_SHARE } from '../ending/outcome'
import type { StandRun } from '../stand/types'
import { spreadOn, valuesOn } from '../stand/summary'
import { weeksHeld } from '../weighing/aftermath'
import { nitrogenWeeks, type NitrogenWeek } from './feeding'

/** One condition for planting: when it is met, over the members, and why it is there. */
export type Gate = {
  id:
    | 'dead'
    | 'wait'
    | 'tie-up'
    | 'seedbed'
    | 'residue-hold'
    | 'soil'
    | 'frost'
    | 'bridge'
    | 'nematodes'
    | 'manure'
    | 'seed-flies'
    | 'creeping'
  /** What it is: the ground's own state, a rule that must be kept, or advice that planting may go against. */
  kind: 'state' | 'rule' | 'advice'
  name: string
  /** Why, with `{amount}` where a number stands that is shown in the garden's units. */
  reason: string
  /** That number: nitrogen or dry matter in g m⁻², a temperature in °C. */
  amount?: { of: 'nitrogen' | 'dryMatter' | 'temperature'; value: number }
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
  /** Nitrogen still in the residue on that day, g m⁻², and whether microbes are still taking more than they free. */
  residueNitrogenG: number
  tiesUp: boolean
  /** Weeks from planting in which the mulch holds half of the weeds. */
  holdsWeeks: number
  /** Need and supply week by week. */
  weeks: NitrogenWeek[]
}

/** Most residue a direct sowing bears without raking, g m⁻² (judgement): small seed, large seed. */
const SEEDBED_RESIDUE_G = { small: 120, large: 350 } as const
/** What ends a cover leaves the roots of these weeds alive. */
export const CREEPING_REASON =
  'Nothing that ends a cover ends it: it comes back from the roots left in the ground, and turning spreads them. Fork out every piece, or starve it for a season or more.'
/** Days without green that break the bridge from cover to seedlings (extension, 14–21). */
const GREEN_BREAK_DAYS = 14

/** All gates between this ended cover and the next crop; a gate's `met` is null when most members never get there. */
export function readiness(input: GateInput): Readiness {
  const { ended, plantingDay, establishment } = input
  const members = ended.members
  const endDay = dayNumber(input.end.date)
  const dead = Float64Array.from({ length: members }, (_, member) => deadDay(input, endDay, member))
  const settleDays = findWay(input.end.method)?.settleDays ?? 0
  const waitDays = Math.max(input.waitDays, settleDays)
  const gates: { gate: Omit<Gate, 'met' | 'chanceByPlanting'>; days: Float64Array }[] = [
    {
      gate: {
        kind: 'state',
        id: 'dead',
        name: 'Dead',
        reason: deadReason(input),
      },
      days: dead,
    },
    {
      gate: {
        kind: 'rule',
        id: 'wait',
        name: 'Wait over',
        reason:
          settleDays > input.waitDays
            ? `${settleDays} days: what was buried to fumigate harms seedlings until it has gone.`
            : `Your own rule: ${input.waitDays} days between dead and ${establishment === 'seed' ? 'sowing' : 'planting'}.`,
      },
      days: dead.map((day) => day + waitDays),
    },
    {
      gate: {
        kind: 'state',
        id: 'tie-up',
        name: 'Nitrogen tie-up over',
        reason:
          'Strawy residue takes nitrogen from the soil while it starts to rot; the day it takes no more than {amount} in a fortnight.',
        amount: { of: 'nitrogen', value: TIE_UP_G },
      },
      days: tieUpDays(input, endDay),
    },
    {
      gate: {
        kind: 'state',
        id: 'soil',
        name: 'Soil warm enough',
        reason: `${input.crop.name} wants {amount} at 5 cm for three days.`,
        amount: { of: 'temperature', value: input.crop.soilMinC },
      },
      days: soilDays(input),
    },
    {
      gate: {
        kind: 'state',
        id: 'frost',
        name: 'Frost past',
        reason: 'Last night at or below {amount} before three weeks past planting.',
        amount: { of: 'temperature', value: input.crop.frostLimitC },
      },
      days: frostDays(input),
    },
  ]
  if (establishment === 'seed') {
    const limit = input.crop.smallSeed ? SEEDBED_RESIDUE_G.small : SEEDBED_RESIDUE_G.large
    gates.push({
      gate: {
        kind: 'state',
        id: 'seedbed',
        name: 'Little enough residue to sow',
        reason: 'Residue below {amount}, or raked aside in the rows.',
        amount: { of: 'dryMatter', value: limit },
      },
      days: residueBelow(ended, endDay, limit),
    })
    if (input.crop.smallSeed && ended.sown.some((sown) => sown.plant.allelopathy > 0))
      gates.push({
        gate: {
          kind: 'state',
          id: 'residue-hold',
          name: 'Residue no longer holds back seed',
          reason:
            'Fresh residue of this kind slows small seeds; its hold halves every 150 °C d as it browns. Transplants and large seeds need not wait for it.',
        },
        days: residueHoldDays(input, endDay, dead),
      })
  }
  if (establishment === 'seed')
    gates.push({
      gate: {
        kind: 'state',
        id: 'bridge',
        name: 'No green for pests to cross',
        reason: `${GREEN_BREAK_DAYS} days without green growth starve most of what would eat the seedlings: slugs, cutworms, seed flies.`,
      },
      days: dead.map((day) => day + GREEN_BREAK_DAYS),
    })
  const flies = seedFlyDays(input, endDay)
  if (flies)
    gates.push({
      gate: {
        kind: 'state',
        id: 'seed-flies',
        name: 'Seed flies past',
        reason:
          'They come to freshly buried green growth, and their maggots hollow out seeds and young stems: three to four weeks. Cutworms and slugs live in it too; look for them at dusk before planting.',
      },
      days: flies,
    })
  if (input.manure) {
    const { lastDay, days, from, touches } = input.manure
    gates.push({
      gate: {
        kind: 'rule',
        id: 'manure',
        name: 'Interval from manure to harvest',
        reason: `${days} days from the last ${from === 'animals' ? 'animals' : 'raw or unknown manure'} to the first harvest, about ${input.crop.daysToHarvest} days after planting${touches ? '; the part eaten touches soil or splash' : ''}. Local rules decide.`,
      },
      days: Float64Array.from({ length: members }, () => lastDay + days - input.crop.daysToHarvest),
    })
  }
  if (input.creeping.length > 0)
    gates.push({
      gate: {
        kind: 'advice',
        id: 'creeping',
        name: `Free of ${input.creeping.join(' and ')}`,
        reason: CREEPING_REASON,
      },
      days: new Float64Array(members).fill(NaN),
    })
  const fed = ended.sown.filter(
    ({ plant }) => plant.rootKnot === 'host' || plant.rootKnot === 'depends on cultivar',
  )
  if (input.nematodes && input.crop.rootKnotHost && fed.length > 0)
    gates.push({
      gate: {
        kind: 'advice',
        id: 'nematodes',
        name: 'No host for nematodes',
        reason: `Root-knot nematodes were noted here, this cover ${fed.some(({ plant }) => plant.rootKnot === 'host') ? 'fed them' : 'may have fed them, by its cultivar'}, and ${input.crop.name.toLowerCase()} is a host too. Plant what is no host, or put one between.`,
      },
      days: new Float64Array(members).fill(NaN),
    })
  const ready = Float64Array.from({ length: members }, (_, member) =>
    Math.max(...gates.filter(({ gate }) => gate.kind !== 'advice').map((gate) => gate.days[member])),
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
    residueNitrogenG: spreadOf(valuesOn(ended, ended.residueNitrogenG, plantingDay))?.mid ?? 0,
    tiesUp: (spreadOf(tieUpDays(input, endDay))?.mid ?? 0) > plantingDay,
    holdsWeeks: weeksHeld(ended, plantingDay),
    weeks: nitrogenWeeks(ended, input.ensemble, input.crop, input.fertility, plantingDay),
  }
}

/** What dead means here, and what was counted. */
function deadReason({ seen, establishment }: GateInput): string {
  const limit = DEAD_SHARE[establishment]
  const rule = `At most ${limit * 100} % of the plants alive, after pulling stragglers by hand.`
  if (!seen) return rule
  const share = `${Math.round(seen.share * 100)} %`
  const counted = seen.finished
    ? `Worked on since it was counted, which is taken to leave ${share}; count again`
    : `Counted: ${share} stand again`
  return seen.share - HAND_FINISH_SHARE > limit
    ? `${counted}, more than is pulled by hand. Cut again, or cover it. ${rule}`
    : `${counted}. ${rule}`
}

/** Spread of days that at least half of the members reach. */
function mostly(days: Float64Array): Spread | null {
  const reached = days.filter((day) => Number.isFinite(day)).length
  return reached * 2 >= days.length ? spreadOf(days) : null
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
