import { atOnce, type Steps } from '../foundations/steps'
import { SPECIES } from '../plants/catalogue'
import type { WeatherEnsemble } from '../site/weather'
import { differences } from './compareAnswers'
import { plantsOf } from './composition'
import { judgeInSteps, type Judged } from './judge'
import { MIX_SIZES, neighbours, proposeMixes } from './mixes'
import { bySeason } from './season'
import { weatherWanted } from '../scenario/plan'
import { byWorth, IN_EARNEST, SCREEN, SCREEN_MEMBERS, shorten, sowingDays } from './screening'
import {
  untilDay,
  type Candidate,
  type ChooseAnswer,
  type ChooseQuestion,
  type MixComponent,
  type Rejection,
} from './types'

/** A mix must score this much better than its best single species, and than any mix of fewer, to be worth the trouble. */
const MIX_GAIN = 0.02
/** Mixes shown at most. */
const MIXES_SHOWN = 6
/** Worth that the rank takes off per species beyond the first: more bags, more things to go wrong. */
const PER_SPECIES = 0.008

/** Told what is known so far: the share done, 0–1, and the answer as it stands. */
export type Told = (share: number, soFar: ChooseAnswer) => void

/**
 * Judges all species for a window, then mixes of those that fit. Every species is screened with forty members over
 * the sowing days; those that pass are judged again with all members. Windows that are too short give only rejections.
 */
export const rankCovers = atOnce(rankInSteps)

/** The same with pauses. */
export function* rankInSteps(
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
  told?: Told,
): Steps<ChooseAnswer> {
  const horizon = weatherWanted(untilDay(question))
  const quick = shorten(ensemble, SCREEN_MEMBERS, horizon)
  const full = shorten(ensemble, ensemble.members.length, horizon)
  const candidates = new Map<string, Candidate>()
  const rejections = new Map<string, Rejection>()
  const answer = (): ChooseAnswer => ({
    candidates: ordered([...candidates.values()]),
    rejections: [...rejections.values()],
  })

  const passed: Screened[] = []
  for (const [index, { id }] of SPECIES.entries()) {
    const components = [{ speciesId: id, share: 1 }]
    const byDay = yield* screenInSteps(components, question, quick)
    const { judged } = byDay[0]
    take(judged, candidates, rejections)
    told?.((0.35 * (index + 1)) / SPECIES.length, answer())
    if (judged.verdict === 'candidate') passed.push({ components, byDay, score: judged.candidate.score })
  }
  // What may stand at the top is known for good first; the rest is filled in behind.
  passed.sort((a, b) => b.score - a.score)
  for (const [index, { components, byDay }] of passed.entries()) {
    const open = byDay.filter(({ judged }) => judged.verdict === 'candidate')
    let last: Judged | null = null
    for (const { day } of open) {
      last = yield* judgeInSteps(components, day, question, full, IN_EARNEST)
      if (last.verdict === 'candidate') break
    }
    if (last) take(last, candidates, rejections)
    told?.(0.35 + (0.3 * (index + 1)) / passed.length, answer())
  }

  const straight = ordered([...candidates.values()])
  yield* rankMixes(question, straight, quick, full, (share, mixes) => {
    for (const mix of mixes) candidates.set(mix.key, mix)
    told?.(0.65 + 0.35 * share, answer())
  })
  return answer()
}

/** A species over its sowing days, the most promising first, with the score of that one. */
type Screened = { components: MixComponent[]; byDay: { day: number; judged: Judged }[]; score: number }

/** Judges a composition roughly on every sowing day; the most promising day first. */
export function* screenInSteps(
  components: MixComponent[],
  question: ChooseQuestion,
  quick: WeatherEnsemble,
): Steps<{ day: number; judged: Judged }[]> {
  const byDay: { day: number; judged: Judged }[] = []
  for (const day of sowingDays(question, plantsOf(components)))
    byDay.push({ day, judged: yield* judgeInSteps(components, day, question, quick, SCREEN) })
  return byDay.sort(byWorth)
}

function take(judged: Judged, candidates: Map<string, Candidate>, rejections: Map<string, Rejection>) {
  const key = judged.verdict === 'candidate' ? judged.candidate.key : judged.rejection.key
  candidates.delete(key)
  rejections.delete(key)
  if (judged.verdict === 'candidate') candidates.set(key, judged.candidate)
  else rejections.set(key, judged.rejection)
}

/** Best first, those in their season before others, each with what the next one has over it and it over the next. */
function ordered(candidates: Candidate[]): Candidate[] {
  const list = candidates.sort(bySeason)
  return list.map((candidate, i) => {
    const next = list[i + 1]
    return { ...candidate, againstNext: next ? { key: next.key, ...differences(candidate, next) } : null }
  })
}

/** Whether no mix of fewer species does as well, or nearly. */
const worthItsSpecies = (mix: Candidate, kept: readonly Candidate[]): boolean =>
  kept.every(
    ({ components, score }) => components.length >= mix.components.length || mix.score >= score + MIX_GAIN,
  )

/** Tries mixes of the straight species that fit, moves the shares of the best, and keeps those better than their parts. */
function* rankMixes(
  question: ChooseQuestion,
  straight: readonly Candidate[],
  quick: WeatherEnsemble,
  full: WeatherEnsemble,
  told: (share: number, mixes: Candidate[]) => void,
): Steps<void> {
  const byId = new Map(straight.map((candidate) => [candidate.components[0].speciesId, candidate]))
  const singleOf = (components: readonly MixComponent[]) =>
    components
      .map((component) => byId.get(component.speciesId)!)
      .reduce((a, b) => (b.score > a.score ? b : a))
  const dayOf = (components: readonly MixComponent[]) => singleOf(components).sowDay
  const net = (judged: Judged, components: readonly MixComponent[]) =>
    judged.verdict === 'candidate' ? judged.candidate.score - PER_SPECIES * (components.length - 1) : -1

  const tried: { components: MixComponent[]; value: number }[] = []
  const bestOf = (size: number) =>
    Math.max(-1, ...tried.filter(({ components }) => components.length === size).map(({ value }) => value))
  for (const proposals of proposeMixes(straight)) {
    const size = proposals.at(0)?.length ?? 0
    // More kinds than three are tried only where one kind more has just done better than one fewer.
    if (size > 3 && bestOf(size - 1) <= bestOf(size - 2)) break
    for (const [i, components] of proposals.entries()) {
      const judged = yield* judgeInSteps(components, dayOf(components), question, quick, SCREEN)
      told((0.4 * (size - 2 + (i + 1) / proposals.length)) / MIX_SIZES.length, [])
      tried.push({ components, value: net(judged, components) })
    }
  }
  tried.sort((a, b) => b.value - a.value)
  // The best of each number of species has its shares searched, so that many kinds are held against few at their best.
  const firsts = MIX_SIZES.flatMap((size) => tried.find(({ components }) => components.length === size) ?? [])
  const searched: typeof tried = []
  for (const [i, entry] of firsts.entries()) {
    let best = entry
    for (const components of neighbours(entry.components)) {
      const judged = yield* judgeInSteps(components, dayOf(components), question, quick, SCREEN)
      const value = net(judged, components)
      if (value > best.value + 1e-6) best = { components, value }
    }
    told(0.4 + (0.3 * (i + 1)) / firsts.length, [])
    searched.push(best)
  }
  const others = tried.filter((entry) => !firsts.includes(entry))
  const finalists = [...searched, ...others.slice(0, MIXES_SHOWN - firsts.length)].filter(
    ({ value }) => value > 0,
  )
  const kept: Candidate[] = []
  for (const [i, { components }] of finalists.entries()) {
    const judged = yield* judgeInSteps(components, dayOf(components), question, full, IN_EARNEST)
    told(0.7 + (0.3 * (i + 1)) / finalists.length, [])
    if (judged.verdict !== 'candidate') continue
    const single = singleOf(components)
    const score = judged.candidate.score - PER_SPECIES * (components.length - 1)
    const over = differences(judged.candidate, single)
    // A mix stands above its parts only for a reason that can be shown.
    if (score < single.score + MIX_GAIN || over.better.length === 0) continue
    const overSingle = { speciesId: single.components[0].speciesId, ...over }
    kept.push({ ...judged.candidate, score, overSingle })
  }
  told(
    1,
    kept.filter((mix) => worthItsSpecies(mix, kept)),
  )
}
