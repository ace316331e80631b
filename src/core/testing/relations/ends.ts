import { quantilesOf, shareOf } from '../../foundations/statistics'
import type { RandomStream } from '../../foundations/random'
import { isoDate } from '../../foundations/day'
import type { EndDetails } from '../../garden/ending'
import type { CutDetails } from '../../garden/schema'
import { evaluate, type Evaluated } from '../../scenario/evaluate'
import { lastActAfter } from '../../termination/lastAct'
import { findMethod, type MethodId } from '../../termination/methods'
import { valuesOn } from '../../stand/summary'
import type { StandRun } from '../../stand/types'
import { drawStand, endBy, mowing, oneOf, planned, WAYS, whole, type Drawn } from './draw'
import { excepted, HOLDS, holdsIf, NO_CASE, violated, type Relation, type Verdict } from './relation'

const mean = (values: ArrayLike<number>) => Array.from(values).reduce((a, b) => a + b, 0) / values.length
const pct = (share: number) => `${(100 * share).toFixed(0)} %`

/** Ways that do something. */
const WORK = WAYS.filter((id) => findMethod(id)!.waits === null)
/** Ways by a blade or a roller, whose effect hangs on the stage; all others end plants at any stage. */
const STAGED: readonly MethodId[] = ['chop', 'crimp', 'crimp-flame', 'strips', 'flame']

/** A day in the life of a stand on which most of it is up and alive, some weeks from its sowing on. */
function dayToEnd(random: RandomStream, { sowDay, season }: Drawn, lastAfter = 280): number | null {
  const day = sowDay + whole(random, 45, lastAfter)
  const { run } = season
  const up = run.species.every((species) => mean(valuesOn(run, species.bbch, day)) >= 12)
  return up && mean(valuesOn(run, run.massG, day)) > 30 ? day : null
}

/** The plan with some acts, told and run. */
function plan(
  drawn: Drawn,
  end: EndDetails,
  cuts: CutDetails[] = [],
  plantOn: number | null = null,
): Evaluated {
  return evaluate(planned(drawn, { cuts, end, plantOn }), drawn.ensemble)!
}

const toldAlive = ({ termination }: Evaluated) => mean(termination!.endings.map(({ survival }) => survival))

/** Plants alive in a run on a day, of those that came up, over the species by the plants of each. */
export function aliveIn(run: StandRun, day: number): number {
  const shares = run.species.map((species) => mean(valuesOn(run, species.alive, day)))
  return Math.max(...shares)
}

const lastDay = ({ termination }: Evaluated) => {
  const { method, setup, day, end } = termination!
  return end.liftedOn ? day : day + (method ? lastActAfter(method, setup) : 0)
}

/** Share of seasons dead by a day. */
const deadBy = ({ termination }: Evaluated, day: number) =>
  shareOf(termination!.dead.length, (m) => termination!.dead[m] <= day)

/** Share of seasons in which the stand left alone is dead by a day: no species has more than a tenth alive. */
const deadAlone = ({ season: { run } }: Drawn, day: number, limit = 0.1) => {
  const alive = run.species.map((species) => valuesOn(run, species.alive, day))
  const bbch = run.species.map((species) => valuesOn(run, species.bbch, day))
  return shareOf(run.members, (m) => alive.every((of, c) => bbch[c][m] >= 9 && of[m] <= limit))
}

const describe = (drawn: Drawn, method: MethodId, day: number) => `${drawn.says}, ${method} ${isoDate(day)}`

/** Whether growing points are up in all of a stand: what is cut then has little left to grow again from. */
const growingPointsUp = ({ season: { run } }: Drawn, day: number) =>
  run.species.every((species) => mean(valuesOn(run, species.bbch, day)) >= 61)

const lastsOn = ({ plants }: Drawn) =>
  plants.some(
    ({ endingClass, perennial }) => perennial || endingClass === 'ryegrass' || endingClass === 'sorghum',
  )

function mownBefore(random: RandomStream, alive: (plan: Evaluated) => number): Verdict {
  const drawn = drawStand(random)
  const day = dayToEnd(random, drawn)
  if (day === null) return NO_CASE
  const mownDay = day - whole(random, 3, 14)
  const method = oneOf(random, WORK)
  if (mownDay < drawn.sowDay + 30) return NO_CASE
  if (STAGED.includes(method) && !growingPointsUp(drawn, mownDay))
    return excepted('a blade or roller on what grows again from below')
  if (lastsOn(drawn)) return excepted('plants that creep or tiller on for years')
  const alone = alive(plan(drawn, endBy(method, day)))
  const after = alive(plan(drawn, endBy(method, day), [mowing(mownDay)]))
  return holdsIf(
    after <= alone + 0.05,
    () => `${describe(drawn, method, day)}: ${pct(alone)}, mown ${isoDate(mownDay)} before ${pct(after)}`,
  )
}

const e1: Relation = {
  id: 'E1',
  says: 'A mowing 3 to 14 days before an end leaves no more alive, as told',
  of: (random) => mownBefore(random, toldAlive),
}
const e2: Relation = {
  id: 'E2',
  says: 'A mowing 3 to 14 days before an end leaves no more alive, in the run',
  of: (random) => mownBefore(random, (of) => aliveIn(of.ended!, lastDay(of) + 30)),
}

const e3: Relation = {
  id: 'E3',
  says: 'Survivors told are the plants alive in the run after the last act',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0 })
    const day = dayToEnd(random, drawn)
    const method = oneOf(random, WORK)
    if (day === null) return NO_CASE
    const of = plan(drawn, endBy(method, day))
    const { method: way } = of.termination!
    const told = toldAlive(of)
    const run = mean(valuesOn(of.ended!, of.ended!.species[0].alive, way?.sheet ? day + 34 : lastDay(of) + 1))
    return holdsIf(
      Math.abs(told - run) <= 0.03,
      () => `${describe(drawn, method, day)}: told ${pct(told)}, in the run ${pct(run)}`,
    )
  },
}

const e4: Relation = {
  id: 'E4',
  says: 'An ending never leaves more alive on any later day than no ending',
  of: (random) => {
    const drawn = drawStand(random)
    const day = dayToEnd(random, drawn)
    if (day === null) return NO_CASE
    if (lastsOn(drawn)) return excepted('plants that put up new shoots and outlive the ripe stand')
    const method = oneOf(random, WORK)
    const { ended } = plan(drawn, endBy(method, day))
    const { run } = drawn.season
    for (const after of [5, 20, 50, 100, 139]) {
      const [alone, worked] = [aliveIn(run, day + after), aliveIn(ended!, day + after)]
      if (Number.isNaN(alone) || Number.isNaN(worked)) continue
      if (worked > alone + 0.01)
        return violated(
          `${describe(drawn, method, day)}: ${pct(worked)} against ${pct(alone)} after ${after} days`,
        )
    }
    return HOLDS
  },
}

const e8: Relation = {
  id: 'E8',
  says: 'Work is dead no later than cold or heat alone would have it',
  of: (random) => {
    const drawn = drawStand(random)
    const day = dayToEnd(random, drawn)
    if (day === null) return NO_CASE
    if (lastsOn(drawn)) return excepted('plants that put up new shoots and outlive the ripe stand')
    const method = oneOf(random, WORK)
    const by = day + whole(random, 20, 120)
    const alone = deadAlone(drawn, by)
    const of = plan(drawn, endBy(method, day), [], by + 10)
    if (alone < 0.1) return NO_CASE
    const worked = deadBy(of, by + 3)
    return holdsIf(
      worked >= alone - 0.05,
      () =>
        `${describe(drawn, method, day)}: by ${isoDate(by)} dead in ${pct(worked)}, alone in ${pct(alone)}`,
    )
  },
}

const e13: Relation = {
  id: 'E13',
  says: 'Where cold has killed the stand before the work, the plan is dead at least as often',
  of: (random) => {
    const drawn = drawStand(random)
    const day = drawn.sowDay + whole(random, 60, 280)
    const method = oneOf(random, WORK)
    const alone = deadAlone(drawn, day - 1)
    if (alone < 0.3) return NO_CASE
    const of = plan(drawn, endBy(method, day), [], day + 20)
    const worked = deadBy(of, day + 20)
    return holdsIf(
      worked >= alone - 0.02,
      () => `${describe(drawn, method, day)}: dead in ${pct(worked)}, before the work in ${pct(alone)}`,
    )
  },
}

const e14: Relation = {
  id: 'E14',
  says: 'Of two ways on one day, the one that leaves fewer alive is not "never dead" where the other is "dead"',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0 })
    const day = dayToEnd(random, drawn)
    if (day === null) return NO_CASE
    const [a, b] = [oneOf(random, WORK), oneOf(random, WORK)]
    if (a === b) return NO_CASE
    const plans = [a, b].map((method) => plan(drawn, endBy(method, day), [], day + 120))
    const [low, high] = toldAlive(plans[0]) <= toldAlive(plans[1]) ? plans : [plans[1], plans[0]]
    if (toldAlive(high) - toldAlive(low) < 0.02) return NO_CASE
    const never = shareOf(low.termination!.dead.length, (m) => Number.isNaN(low.termination!.dead[m]))
    const dead = quantilesOf(high.termination!.dead.filter((on) => !Number.isNaN(on)))
    return holdsIf(
      !(never > 0.9 && dead !== null && deadBy(high, 1e9) > 0.9),
      () =>
        `${describe(drawn, a, day)} and ${b}: ${pct(toldAlive(low))} never dead, ${pct(toldAlive(high))} dead`,
    )
  },
}

const e15: Relation = {
  id: 'E15',
  says: 'Doing something is never worse than leaving alone on the criterion "dead"',
  of: (random) => {
    const drawn = drawStand(random)
    const day = dayToEnd(random, drawn)
    if (day === null) return NO_CASE
    if (lastsOn(drawn)) return excepted('plants that put up new shoots and outlive the ripe stand')
    const method = oneOf(random, WORK)
    const by = day + whole(random, 10, 90)
    const alone = Math.max(
      ...(['winter-kill', 'summer-kill'] as const).map((waits) =>
        deadBy(plan(drawn, endBy(waits, day), [], by), by),
      ),
    )
    if (alone < 0.05) return NO_CASE
    const worked = deadBy(plan(drawn, endBy(method, day), [], by), by)
    return holdsIf(
      worked >= alone - 0.05,
      () =>
        `${describe(drawn, method, day)}: dead by ${isoDate(by)} in ${pct(worked)}, left alone in ${pct(alone)}`,
    )
  },
}

const e5: Relation = {
  id: 'E5',
  says: 'An earlier sheet leaves no fewer seasons dead',
  of: (random) => {
    const drawn = drawStand(random)
    const day = dayToEnd(random, drawn)
    if (day === null) return NO_CASE
    const method = oneOf(
      random,
      WORK.filter((id) => findMethod(id)!.sheet === 'black' && findMethod(id)!.acts.length === 0),
    )
    const by = day + whole(random, 20, 80)
    const earlier = day - whole(random, 2, 15)
    if (earlier < drawn.sowDay + 45) return NO_CASE
    const [late, early] = [day, earlier].map((on) => deadBy(plan(drawn, endBy(method, on), [], by), by))
    return holdsIf(
      early >= late - 0.01,
      () => `${describe(drawn, method, day)}: ${pct(late)}, from ${isoDate(earlier)} on ${pct(early)}`,
    )
  },
}

const e12: Relation = {
  id: 'E12',
  says: 'A later planting never lowers "dead in time"; whole ≤ dead ≤ established',
  of: (random) => {
    const drawn = drawStand(random)
    const day = dayToEnd(random, drawn)
    if (day === null) return NO_CASE
    const method = oneOf(random, WAYS)
    const by = day + whole(random, 10, 60)
    const later = by + whole(random, 1, 30)
    const [a, b] = [by, later].map((on) => plan(drawn, endBy(method, day), [], on))
    const { chance } = a.outcome
    if (chance.whole > chance.dead! + 1e-9 || chance.dead! > chance.established + 1e-9)
      return violated(`${describe(drawn, method, day)}: ${JSON.stringify(chance)}`)
    return holdsIf(
      deadBy(b, later) >= deadBy(a, by) - 1e-9,
      () =>
        `${describe(drawn, method, day)}: by ${isoDate(by)} ${pct(deadBy(a, by))}, by ${isoDate(later)} ${pct(deadBy(b, later))}`,
    )
  },
}

export const ENDS: readonly Relation[] = [e1, e2, e3, e4, e5, e8, e12, e13, e14, e15]
