import { shareOf } from '../../foundations/statistics'
import type { RandomStream } from '../../foundations/random'
import { isoDate } from '../../foundations/day'
import type { EndDetails } from '../../garden/ending'
import type { CutDetails } from '../../garden/schema'
import { evaluate, type Evaluated } from '../../scenario/evaluate'
import { lastActAfter } from '../../termination/lastAct'
import { findMethod, type MethodId } from '../../termination/methods'
import { valuesOn } from '../../stand/summary'
import type { StandRun } from '../../stand/types'
import { drawStand, endBy, mean, mowing, oneOf, pct, planned, WAYS, whole, type Drawn } from './draw'
import { excepted, HOLDS, holdsIf, NO_CASE, violated, type Relation, type Verdict } from './relation'

/** Ways that do something. */
export const WORK = WAYS.filter((id) => findMethod(id)!.waits === null)
/** Ways by a blade or a roller, whose effect hangs on the stage; all others end plants at any stage. */
export const STAGED: readonly MethodId[] = ['chop', 'crimp', 'crimp-flame', 'strips', 'flame']

/** A day in the life of a stand on which most of it is up and alive, some weeks from its sowing on. */
export function dayToEnd(random: RandomStream, { sowDay, season }: Drawn, lastAfter = 280): number | null {
  const day = sowDay + whole(random, 45, lastAfter)
  const { run } = season
  const up = run.species.every((species) => mean(valuesOn(run, species.bbch, day)) >= 12)
  return up && mean(valuesOn(run, run.massG, day)) > 30 ? day : null
}

/** The plan with some acts, told and run. */
export function plan(
  drawn: Drawn,
  end: EndDetails,
  cuts: CutDetails[] = [],
  plantOn: number | null = null,
): Evaluated {
  return evaluate(planned(drawn, { cuts, end, plantOn }), drawn.ensemble)!
}

export const toldAlive = ({ termination }: Evaluated) =>
  mean(termination!.endings.map(({ survival }) => survival))

/** Plants alive in a run on a day, of those that came up, over the species by the plants of each. */
export function aliveIn(run: StandRun, day: number): number {
  const shares = run.species.map((species) => mean(valuesOn(run, species.alive, day)))
  return Math.max(...shares)
}

export const lastDay = ({ termination }: Evaluated) => {
  const { method, setup, day, end } = termination!
  return end.liftedOn ? day : day + (method ? lastActAfter(method, setup) : 0)
}

/** Share of seasons dead by a day. */
export const deadBy = ({ termination }: Evaluated, day: number) =>
  shareOf(termination!.dead.length, (m) => termination!.dead[m] <= day)

/** Share of seasons in which the stand left alone is dead by a day: no species has more than a tenth alive. */
const deadAlone = ({ season: { run } }: Drawn, day: number, limit = 0.1) => {
  const alive = run.species.map((species) => valuesOn(run, species.alive, day))
  const bbch = run.species.map((species) => valuesOn(run, species.bbch, day))
  return shareOf(run.members, (m) => alive.every((of, c) => bbch[c][m] >= 9 && of[m] <= limit))
}

export const at = (drawn: Drawn, method: MethodId, day: number) => `${drawn.says}, ${method} ${isoDate(day)}`

/** Whether growing points are up in all of a stand: what is cut then has little left to grow again from. */
export const growingPointsUp = ({ season: { run } }: Drawn, day: number) =>
  run.species.every((species) => mean(valuesOn(run, species.bbch, day)) >= 61)

export const lastsOn = ({ plants }: Drawn) =>
  plants.some(
    ({ endingClass, perennial }) => perennial || endingClass === 'ryegrass' || endingClass === 'sorghum',
  )

/** Whether a grass has not headed yet in some season: cut then it tillers anew, and ripens later. */
const tillersAnew = ({ plants, season: { run } }: Drawn, day: number) =>
  plants.some(
    ({ group }, c) => group === 'grass' && Math.min(...valuesOn(run, run.species[c].bbch, day)) < 51,
  )

/** A violation by plants that put up new shoots and outlive the ripe stand is none; it is counted. */
function unlessTheyLastOn(drawn: Drawn, day: number, verdict: Verdict): Verdict {
  if (verdict.is !== 'violated') return verdict
  if (lastsOn(drawn)) return excepted('plants that put up new shoots and outlive the ripe stand')
  return tillersAnew(drawn, day) ? excepted('a grass that tillers anew before it heads') : verdict
}

type Case = { random: RandomStream; drawn: Drawn; day: number; method: MethodId }

/** A relation of a stand that is ended by one of some ways on a day on which it stands. */
export const ending = (
  id: string,
  says: string,
  of: (one: Case) => Verdict,
  { ways = WORK, mixes }: { ways?: readonly MethodId[]; mixes?: number } = {},
): Relation => ({
  id,
  says,
  of: (random) => {
    const drawn = drawStand(random, { mixes })
    const day = dayToEnd(random, drawn)
    return day === null ? NO_CASE : of({ random, drawn, day, method: oneOf(random, ways) })
  },
})

const mownBefore =
  (alive: (plan: Evaluated) => number) =>
  ({ random, drawn, day, method }: Case): Verdict => {
    const mownDay = day - whole(random, 3, 14)
    if (mownDay < drawn.sowDay + 30) return NO_CASE
    const alone = alive(plan(drawn, endBy(method, day)))
    const after = alive(plan(drawn, endBy(method, day), [mowing(mownDay)]))
    if (after <= alone + 0.05) return HOLDS
    if (STAGED.includes(method) && !growingPointsUp(drawn, mownDay))
      return excepted('a blade or roller on what grows again from below')
    if (lastsOn(drawn)) return excepted('plants that creep or tiller on for years')
    return violated(`${at(drawn, method, day)}: ${pct(alone)}, mown ${isoDate(mownDay)} before ${pct(after)}`)
  }

const e1 = ending(
  'E1',
  'A mowing 3 to 14 days before an end leaves no more alive, as told',
  mownBefore(toldAlive),
)
const e2 = ending(
  'E2',
  'A mowing 3 to 14 days before an end leaves no more alive, in the run',
  mownBefore((of) => aliveIn(of.ended!, lastDay(of) + 30)),
)

const e3 = ending(
  'E3',
  'Survivors told are the plants alive in the run after the last act',
  ({ drawn, day, method }) => {
    const of = plan(drawn, endBy(method, day))
    const told = toldAlive(of)
    const on = of.termination!.method?.sheet ? day + 34 : lastDay(of) + 1
    const run = mean(valuesOn(of.ended!, of.ended!.species[0].alive, on))
    return holdsIf(
      Math.abs(told - run) <= 0.03,
      () => `${at(drawn, method, day)}: told ${pct(told)}, in the run ${pct(run)}`,
    )
  },
  { mixes: 0 },
)

const e4 = ending(
  'E4',
  'An ending never leaves more alive on any later day than no ending',
  ({ drawn, day, method }) => {
    const { ended } = plan(drawn, endBy(method, day))
    const { run } = drawn.season
    for (const after of [5, 20, 50, 100, 139]) {
      const [alone, worked] = [aliveIn(run, day + after), aliveIn(ended!, day + after)]
      if (worked > alone + 0.01)
        return unlessTheyLastOn(
          drawn,
          day,
          violated(`${at(drawn, method, day)}: ${pct(worked)} against ${pct(alone)} after ${after} days`),
        )
    }
    return HOLDS
  },
)

const e8 = ending(
  'E8',
  'Work is dead no later than cold or heat alone would have it',
  ({ random, drawn, day, method }) => {
    const by = day + whole(random, 20, 120)
    const alone = deadAlone(drawn, by)
    if (alone < 0.1) return NO_CASE
    const worked = deadBy(plan(drawn, endBy(method, day), [], by + 10), by + 3)
    return unlessTheyLastOn(
      drawn,
      day,
      holdsIf(
        worked >= alone - 0.05,
        () => `${at(drawn, method, day)}: by ${isoDate(by)} dead in ${pct(worked)}, alone in ${pct(alone)}`,
      ),
    )
  },
)

const e13: Relation = {
  id: 'E13',
  says: 'Where cold has killed the stand before the work, the plan is dead at least as often',
  of: (random) => {
    const drawn = drawStand(random)
    const day = drawn.sowDay + whole(random, 60, 280)
    const method = oneOf(random, WORK)
    const alone = deadAlone(drawn, day - 1)
    if (alone < 0.3) return NO_CASE
    const worked = deadBy(plan(drawn, endBy(method, day), [], day + 20), day + 20)
    return holdsIf(
      worked >= alone - 0.02,
      () => `${at(drawn, method, day)}: dead in ${pct(worked)}, before the work in ${pct(alone)}`,
    )
  },
}

const e14 = ending(
  'E14',
  'Of two ways on one day, the one that leaves fewer alive is not "never dead" where the other is "dead"',
  ({ random, drawn, day, method }) => {
    const other = oneOf(random, WORK)
    const plans = [method, other].map((way) => plan(drawn, endBy(way, day), [], day + 120))
    const [low, high] = toldAlive(plans[0]) <= toldAlive(plans[1]) ? plans : [plans[1], plans[0]]
    if (toldAlive(high) - toldAlive(low) < 0.02) return NO_CASE
    return holdsIf(
      !(deadBy(low, Infinity) < 0.1 && deadBy(high, Infinity) > 0.9),
      () =>
        `${at(drawn, method, day)} and ${other}: ${pct(toldAlive(low))} never dead, ${pct(toldAlive(high))} dead`,
    )
  },
  { mixes: 0 },
)

const e15 = ending(
  'E15',
  'Doing something is never worse than leaving alone on the criterion "dead"',
  ({ random, drawn, day, method }) => {
    const by = day + whole(random, 10, 90)
    const alone = deadBy(plan(drawn, endBy('winter-kill', day), [], by), by)
    if (alone < 0.05) return NO_CASE
    const worked = deadBy(plan(drawn, endBy(method, day), [], by), by)
    return unlessTheyLastOn(
      drawn,
      day,
      holdsIf(
        worked >= alone - 0.05,
        () =>
          `${at(drawn, method, day)}: dead by ${isoDate(by)} in ${pct(worked)}, left alone in ${pct(alone)}`,
      ),
    )
  },
)

const e5 = ending(
  'E5',
  'An earlier sheet leaves no fewer seasons dead',
  ({ random, drawn, day, method }) => {
    const by = day + whole(random, 20, 80)
    const earlier = day - whole(random, 2, 15)
    if (earlier < drawn.sowDay + 45) return NO_CASE
    const [late, early] = [day, earlier].map((on) => deadBy(plan(drawn, endBy(method, on), [], by), by))
    return holdsIf(
      early >= late - 0.01,
      () => `${at(drawn, method, day)}: ${pct(late)}, from ${isoDate(earlier)} on ${pct(early)}`,
    )
  },
  { ways: WORK.filter((id) => findMethod(id)!.sheet === 'black' && findMethod(id)!.acts.length === 0) },
)

const e12 = ending(
  'E12',
  'A later planting never lowers "dead in time"; whole ≤ dead ≤ established',
  ({ random, drawn, day, method }) => {
    const by = day + whole(random, 10, 60)
    const later = by + whole(random, 1, 30)
    const [a, b] = [by, later].map((on) => plan(drawn, endBy(method, day), [], on))
    const { chance } = a.outcome
    if (chance.whole > chance.dead! + 1e-9 || chance.dead! > chance.established + 1e-9)
      return violated(`${at(drawn, method, day)}: ${JSON.stringify(chance)}`)
    return holdsIf(
      deadBy(b, later) >= deadBy(a, by) - 1e-9,
      () =>
        `${at(drawn, method, day)}: by ${isoDate(by)} ${pct(deadBy(a, by))}, by ${isoDate(later)} ${pct(deadBy(b, later))}`,
    )
  },
  { ways: WAYS },
)

export const ENDS: readonly Relation[] = [e1, e2, e3, e4, e5, e8, e12, e13, e14, e15]
