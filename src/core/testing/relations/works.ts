import { isoDate } from '../../foundations/day'
import { bestTermination } from '../../scenario/best'
import { seedFitDays } from '../../scenario/seedFit'
import { SEEDS_BORNE } from '../../scenario/starts'
import { shareOf } from '../../foundations/statistics'
import { valuesOn } from '../../stand/summary'
import { findMethod } from '../../termination/methods'
import { drawStand, endBy, mean, mowing, pct, planned, WAYS, whole } from './draw'
import { aliveIn, at, deadBy, ending, plan, toldAlive, WORK } from './ends'
import { HOLDS, holdsIf, NO_CASE, type Relation } from './relation'

const SHEETS = WORK.filter((id) => findMethod(id)!.sheet !== null)

const e6 = ending(
  'E6',
  'A sheet that lies longer leaves no more alive',
  ({ random, drawn, day, method }) => {
    const by = day + whole(random, 10, 60)
    const longer = by + whole(random, 3, 25)
    const [a, b] = [by, longer].map((on) => toldAlive(plan(drawn, endBy(method, day), [], on)))
    return holdsIf(
      b <= a + 0.005,
      () => `${at(drawn, method, day)}: until ${isoDate(by)} ${pct(a)}, until ${isoDate(longer)} ${pct(b)}`,
    )
  },
  { ways: SHEETS },
)

const e7 = ending(
  'E7',
  'A second pass leaves no more alive',
  ({ drawn, day, method }) => {
    const [once, twice] = [1, 2].map((passes) => toldAlive(plan(drawn, endBy(method, day, { passes }))))
    return holdsIf(
      twice <= once + 0.005,
      () => `${at(drawn, method, day)}: one pass ${pct(once)}, two ${pct(twice)}`,
    )
  },
  { ways: ['chop', 'crimp', 'turn'] },
)

const e9 = ending(
  'E9',
  'A lower chop leaves no more alive',
  ({ random, drawn, day, method }) => {
    const low = whole(random, 2, 8)
    const high = low + whole(random, 2, 20)
    const [a, b] = [low, high].map((stubbleCm) => toldAlive(plan(drawn, endBy(method, day, { stubbleCm }))))
    return holdsIf(
      a <= b + 0.005,
      () => `${at(drawn, method, day)}: at ${low} cm ${pct(a)}, at ${high} cm ${pct(b)}`,
    )
  },
  { ways: ['chop'] },
)

const e11 = ending(
  'E11',
  'A chop lays down what it cut',
  ({ drawn, day, method }) => {
    const { run } = drawn.season
    const stood = mean(valuesOn(run, run.massG, day - 1))
    const lay = mean(valuesOn(run, run.residueG, day - 1))
    if (stood < 60) return NO_CASE
    const { ended } = plan(drawn, endBy(method, day))
    const lies = mean(valuesOn(ended!, ended!.residueG, day + 1))
    const stands = mean(valuesOn(ended!, ended!.massG, day + 1))
    return holdsIf(
      lies + stands >= 0.9 * (stood + lay),
      () =>
        `${at(drawn, method, day)}: stood ${stood.toFixed(0)}, lay ${lay.toFixed(0)}; lies ${lies.toFixed(0)}, stands ${stands.toFixed(0)} g/m²`,
    )
  },
  { ways: ['chop', 'crimp'] },
)

const e16 = ending(
  'E16',
  'What a cut leaves is alive once: turned after it, no more lives than by the better of the two',
  ({ random, drawn, day, method }) => {
    const on = day + whole(random, 4, 20)
    const first = plan(drawn, endBy(method, day)).ended!
    const left = aliveIn(first, on)
    const cut = mowing(day, 5)
    if (left < 0.02) return NO_CASE
    const both = toldAlive(plan(drawn, endBy('turn', on), [cut]))
    const turned = toldAlive(plan(drawn, endBy('turn', on)))
    return holdsIf(
      both <= Math.max(left, turned) + 0.05,
      () =>
        `${at(drawn, method, day)}: ${pct(left)}, turned ${isoDate(on)} ${pct(turned)}, both ${pct(both)}`,
    )
  },
  { ways: ['chop'] },
)

const k5: Relation = {
  id: 'K5',
  says: 'No work is planned where leaving the stand alone is dead as surely and sooner, and sheds no seed that matters',
  slow: true,
  of: (random) => {
    const drawn = drawStand(random)
    const by = drawn.sowDay + whole(random, 70, 300)
    const today = drawn.sowDay + whole(random, 20, 60)
    if (by < today + 15) return NO_CASE
    const scenario = { ...planned(drawn, { plantOn: by }), today }
    const alone = WAYS.filter((id) => findMethod(id)!.waits).map((id) =>
      plan(drawn, endBy(id, today), [], by),
    )[0]
    const left = deadBy(alone, by - 7)
    if (left < 0.6) return NO_CASE
    const best = bestTermination(scenario, drawn.season)
    if (!best || findMethod(best.method)!.waits) return HOLDS
    const worked = plan(drawn, best.end, [], by)
    const sooner = mean(alone.termination!.dead) < mean(worked.termination!.dead)
    const fit = seedFitDays(drawn.season.run)
    const seeds = shareOf(fit.length, (m) => fit[m] <= alone.termination!.dead[m])
    if (seeds > SEEDS_BORNE) return NO_CASE
    return holdsIf(
      deadBy(worked, by) > left + 0.05 || !sooner,
      () =>
        `${drawn.says}, for ${isoDate(by)}: ${best.method} ${best.end.date} dead in ${pct(deadBy(worked, by))}, left alone in ${pct(left)}`,
    )
  },
}

export const WORKS: readonly Relation[] = [e6, e7, e9, e11, e16, k5]
