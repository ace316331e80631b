import { rankCovers } from '../../choosing/rank'
import type { Candidate, ChooseQuestion } from '../../choosing/types'
import type { PurposeId } from '../../garden/schema'
import { isoDate } from '../../foundations/day'
import type { RandomStream } from '../../foundations/random'
import { compareTerminations } from '../../scenario/compare'
import { HOPELESS, refused, type TerminationStart } from '../../scenario/starts'
import type { Rules } from '../../garden/rules'
import { valuesOn } from '../../stand/summary'
import { harmNow } from '../../termination/obstacles'
import { USUAL_RULES } from '../../garden/usualRules'
import { findMethod, type MethodId } from '../../termination/methods'
import { testTool } from '../beds'
import { questionWeather, testMeans, testQuestion } from '../questions'
import { drawSite, drawStand, oneOf, pct, planned, whole, type Drawn } from './draw'
import { middle } from './looks'
import { excepted, HOLDS, holdsIf, NO_CASE, violated, type Relation, type Verdict } from './relation'

const PURPOSES: readonly PurposeId[] = ['mass', 'quick', 'feed', 'smother', 'loosen', 'insects']
/** Members that a choice is tried in: it judges some dozens of covers in each. */
const MEMBERS = 10

type Choice = { question: ChooseQuestion; rank: (question: ChooseQuestion) => Candidate[]; says: string }

/** A bed free for some weeks at a place. */
function drawChoice(random: RandomStream): Choice {
  const site = drawSite(random)
  const from = whole(random, 20454, 20454 + 364)
  const wanted = from + whole(random, 50, 200)
  const purposes = [oneOf(random, PURPOSES)]
  const question = testQuestion(isoDate(from), isoDate(wanted), { purposes, sowDay: from, climate: site })
  const weather = questionWeather(
    { ...question, openUntilDay: wanted + 60, follows: { kind: 'nothing' } },
    site,
    MEMBERS,
  )
  const rank = (of: ChooseQuestion) =>
    rankCovers(of, weather).candidates.filter(({ components }) => components.length === 1)
  const says = `${purposes[0]} from ${isoDate(from)} to ${isoDate(wanted)} at ${site.latitude}°, January ${site.tMinC[0].toFixed(1)} °C`
  return { question, rank, says }
}

const choosing = (
  id: string,
  says: string,
  of: (choice: Choice, random: RandomStream) => Verdict,
): Relation => ({
  id,
  says,
  of: (random) => of(drawChoice(random), random),
  slow: true,
})

const k1 = choosing(
  'K1',
  'The first is not beaten on the asked purpose by a listed cover that is as sure and as much in season',
  ({ question, rank, says }) => {
    const [first, ...rest] = rank(question)
    if (!first) return NO_CASE
    const worthOf = (one: Candidate) => one.purposes.find(({ id }) => id === question.purposes[0])!.worth
    const better = rest.find(
      (one) =>
        one.season?.word === first.season?.word &&
        worthOf(one) > worthOf(first) + 0.1 &&
        one.worth >= first.worth - 1e-9,
    )
    return holdsIf(
      better === undefined,
      () =>
        `${says}: ${first.key} ${worthOf(first).toFixed(2)}, ${better!.key} ${worthOf(better!).toFixed(2)}`,
    )
  },
)

const keys = (candidates: readonly Candidate[]) => new Map(candidates.map((one) => [one.key, one]))

const k2 = choosing('K2', 'A stricter limit adds no cover', ({ question, rank, says }) => {
  const before = keys(rank(question))
  const limits = { ...question.limits, maxHeightM: 0.7, budget: 6 }
  const added = rank({ ...question, limits }).find(({ key }) => !before.has(key))
  return holdsIf(added === undefined, () => `${says}: ${added!.key} comes with a limit`)
})

const lowered = (
  before: ReadonlyMap<string, Candidate>,
  after: ReadonlyMap<string, Candidate>,
  says: (key: string, a: number, b: number) => string,
): Verdict => {
  for (const [key, { worth }] of before) {
    const now = after.get(key)
    if (now && now.worth < worth - 0.1) return violated(says(key, worth, now.worth))
  }
  return HOLDS
}

const k3 = choosing('K3', 'More time for the ending lowers no chance', ({ question, rank, says }, random) => {
  if (question.follows.kind !== 'deadline') return NO_CASE
  const day = question.follows.day + whole(random, 7, 30)
  const later = { ...question, openUntilDay: day, follows: { ...question.follows, day } }
  return lowered(
    keys(rank(question)),
    keys(rank(later)),
    (key, a, b) => `${says}: ${key} ${pct(a)}, until ${isoDate(day)} ${pct(b)}`,
  )
})

const k4 = choosing('K4', 'Fewer tools raise no chance', ({ question, rank, says }) => {
  const few = testMeans({ tools: [testTool('scythe')] })
  return lowered(
    keys(rank({ ...question, means: few })),
    keys(rank(question)),
    (key, a, b) => `${says}: ${key} ${pct(a)} with a scythe alone, ${pct(b)} with more`,
  )
})

const k6: Relation = {
  id: 'K6',
  says: 'Where no day is wanted, a best day is not the last that was looked at',
  slow: true,
  of: (random) => {
    const drawn = drawStand(random)
    const today = drawn.sowDay + whole(random, 15, 200)
    const scenario = { ...planned(drawn, {}), today }
    const options = compareTerminations(scenario, drawn.season).filter(
      ({ method, shown, starts }) => shown && starts.length > 2 && !findMethod(method)?.waits,
    )
    const shown = options.filter((one) => one.shown!.worth > HOPELESS)
    if (shown.length === 0) return NO_CASE
    if (shown.every((one) => one.shown!.day === one.starts[0].day))
      return excepted('seed urges, or it only grows less')
    const edge = shown.find((one) => one.shown!.day === one.starts.at(-1)!.day)
    return holdsIf(
      edge === undefined,
      () =>
        `${drawn.says}, asked ${isoDate(today)}: ${edge!.method} best on the last day looked at, ${isoDate(edge!.shown!.day)}`,
    )
  },
}

const pen = { head: 6, penLengthM: 2, penWidthM: 1 }

/** Whether the rules refuse a way on a day, by the plants as they stand in the middle course. */
function forbidden(drawn: Drawn, { legumeFrom, seedSet }: Rules, id: MethodId, day: number): boolean {
  const method = findMethod(id)!
  const { run } = drawn.season
  const on = Math.min(day, run.startDay + run.days - 1)
  const kind = method.animals && (method.animals === 'hens' ? 'hens' : 'sheep')
  return drawn.plants.some((plant, c) => {
    const bbch = middle(valuesOn(run, run.species[c].bbch, on)).p50
    const heightM = middle(valuesOn(run, run.heightM, on)).p50
    if (method.animals === 'pigs') return false
    if (harmNow(kind, plant, { bbch, heightM, frosted: null })) return true
    if (seedSet === 'never' && bbch >= 86) return true
    return legumeFrom === 'bloom' && plant.group === 'legume' && bbch < 60
  })
}

/** Whether a start fails because nothing stands there yet, whatever is done. */
const neverStands = ({ failures }: TerminationStart) =>
  failures.some(({ id, share }) => (id === 'ground' || id === 'established') && share > 0.5)

const k7: Relation = {
  id: 'K7',
  says: 'No day is suggested that its own rules forbid, where another is open',
  slow: true,
  of: (random) => {
    const drawn = drawStand(random)
    const today = drawn.sowDay + whole(random, 20, 120)
    const plantOn = random.uniform() < 0.5 ? today + whole(random, 20, 120) : null
    const plain = planned(drawn, plantOn === null ? {} : { plantOn })
    const kept = (['hens', 'sheep'] as const).map((kind) => ({ id: kind, kind, ...pen }))
    const rules: Rules = {
      ...USUAL_RULES,
      seedSet: oneOf(random, ['never', 'allowed']),
      legumeFrom: oneOf(random, ['any stage', 'bloom']),
    }
    const options = compareTerminations(
      { ...plain, means: testMeans({ livestock: kept, rules }), today },
      drawn.season,
    ).filter(({ method, shown, obstacle }) => shown && !obstacle && !findMethod(method)!.waits)
    if (options.length === 0) return NO_CASE
    const wrong = options.find(
      ({ method, shown, starts }) =>
        !neverStands(shown!) &&
        forbidden(drawn, rules, method, shown!.day) &&
        starts.some(
          (start) =>
            start.worth >= shown!.worth &&
            refused(start) < 0.5 &&
            !forbidden(drawn, rules, method, start.day),
        ),
    )
    return holdsIf(
      wrong === undefined,
      () =>
        `${drawn.says}, asked ${isoDate(today)}${plantOn === null ? '' : `, wanted ${isoDate(plantOn)}`}: ${wrong!.method} on ${isoDate(wrong!.shown!.day)}, with a chance of ${pct(wrong!.shown!.worth)}, ${wrong!.shown!.failures.map(({ id, share }) => `${id} ${pct(share)}`).join(', ')}`,
    )
  },
}

export const CHOICES: readonly Relation[] = [k1, k2, k3, k4, k6, k7]
