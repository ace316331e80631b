import { SPECIES } from '../plants/catalogue'
import type { WeatherEnsemble } from '../site/weather'
import { differences } from './compareAnswers'
import { judge, type Judged } from './judge'
import { neighbours, proposeMixes } from './mixes'
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

/** A mix must score this much better than its best single species to be worth the trouble. */
const MIX_GAIN = 0.015
/** Mixes whose shares are searched, and mixes shown. */
const MIXES_SEARCHED = 4
const MIXES_SHOWN = 6
/** Worth that the rank takes off per species beyond the first: more bags, more things to go wrong. */
const PER_SPECIES = 0.004

/** Told what is known so far: the share done, 0–1, and the answer as it stands. */
export type Told = (share: number, soFar: ChooseAnswer) => void

/**
 * Judges all species for a window, then mixes of those that fit. Every species is screened with forty members over
 * the sowing days; those that pass are judged again with all members. Windows that are too short give only rejections.
 */
export function rankCovers(question: ChooseQuestion, ensemble: WeatherEnsemble, told?: Told): ChooseAnswer {
  const horizon = weatherWanted(untilDay(question))
  const quick = shorten(ensemble, SCREEN_MEMBERS, horizon)
  const full = shorten(ensemble, ensemble.members.length, horizon)
  const days = sowingDays(question)
  const candidates = new Map<string, Candidate>()
  const rejections = new Map<string, Rejection>()
  const answer = (): ChooseAnswer => ({
    candidates: ordered([...candidates.values()]),
    rejections: [...rejections.values()],
  })

  const screened = SPECIES.map((plant, index) => {
    const components = [{ speciesId: plant.id, share: 1 }]
    const byDay = days
      .map((day) => ({ day, judged: judge(components, day, question, quick, SCREEN) }))
      .sort(byWorth)
    take(byDay[0].judged, candidates, rejections)
    told?.((0.35 * (index + 1)) / SPECIES.length, answer())
    return { components, byDay }
  })
  const passed = screened.filter(({ byDay }) => byDay[0].judged.verdict === 'candidate')
  passed.forEach(({ components, byDay }, index) => {
    const open = byDay.filter(({ judged }) => judged.verdict === 'candidate')
    let last: Judged | null = null
    for (const { day } of open) {
      last = judge(components, day, question, full, IN_EARNEST)
      if (last.verdict === 'candidate') break
    }
    if (last) take(last, candidates, rejections)
    told?.(0.35 + (0.3 * (index + 1)) / passed.length, answer())
  })

  const straight = ordered([...candidates.values()])
  rankMixes(question, straight, quick, full, (share, mixes) => {
    for (const mix of mixes) candidates.set(mix.key, mix)
    told?.(0.65 + 0.35 * share, answer())
  })
  return answer()
}

function take(judged: Judged, candidates: Map<string, Candidate>, rejections: Map<string, Rejection>) {
  const key = judged.verdict === 'candidate' ? judged.candidate.key : judged.rejection.key
  candidates.delete(key)
  rejections.delete(key)
  if (judged.verdict === 'candidate') candidates.set(key, judged.candidate)
  else rejections.set(key, judged.rejection)
}

/** Best first, each with what the next one has over it and it over the next. */
function ordered(candidates: Candidate[]): Candidate[] {
  const list = candidates.sort((a, b) => b.score - a.score)
  return list.map((candidate, i) => {
    const next = list[i + 1]
    return { ...candidate, againstNext: next ? { key: next.key, ...differences(candidate, next) } : null }
  })
}

/** Tries mixes of the straight species that fit, moves the shares of the best, and keeps those better than their parts. */
function rankMixes(
  question: ChooseQuestion,
  straight: readonly Candidate[],
  quick: WeatherEnsemble,
  full: WeatherEnsemble,
  told: (share: number, mixes: Candidate[]) => void,
): void {
  const byId = new Map(straight.map((candidate) => [candidate.components[0].speciesId, candidate]))
  const singleOf = (components: readonly MixComponent[]) =>
    components
      .map((component) => byId.get(component.speciesId)!)
      .reduce((a, b) => (b.score > a.score ? b : a))
  const dayOf = (components: readonly MixComponent[]) => singleOf(components).sowDay
  const net = (judged: Judged, components: readonly MixComponent[]) =>
    judged.verdict === 'candidate' ? judged.candidate.score - PER_SPECIES * (components.length - 1) : -1

  const proposals = proposeMixes(straight)
  const tried = proposals.map((components, i) => {
    const judged = judge(components, dayOf(components), question, quick, SCREEN)
    told((0.4 * (i + 1)) / proposals.length, [])
    return { components, value: net(judged, components) }
  })
  tried.sort((a, b) => b.value - a.value)
  const searched = tried.slice(0, MIXES_SEARCHED).map((entry, i) => {
    let best = entry
    for (const components of neighbours(entry.components)) {
      const value = net(judge(components, dayOf(components), question, quick, SCREEN), components)
      if (value > best.value + 1e-6) best = { components, value }
    }
    told(0.4 + (0.3 * (i + 1)) / MIXES_SEARCHED, [])
    return best
  })
  const finalists = [...searched, ...tried.slice(MIXES_SEARCHED, MIXES_SHOWN)].filter(
    ({ value }) => value > 0,
  )
  const kept = finalists.flatMap(({ components }, i): Candidate[] => {
    const judged = judge(components, dayOf(components), question, full, IN_EARNEST)
    told(0.7 + (0.3 * (i + 1)) / finalists.length, [])
    if (judged.verdict !== 'candidate') return []
    const single = singleOf(components)
    const score = judged.candidate.score - PER_SPECIES * (components.length - 1)
    const over = differences(judged.candidate, single)
    // A mix stands above its parts only for a reason that can be shown.
    if (score < single.score + MIX_GAIN || over.better.length === 0) return []
    return [
      { ...judged.candidate, score, overSingle: { speciesId: single.components[0].speciesId, ...over } },
    ]
  })
  told(1, kept)
}
