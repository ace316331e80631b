import type { AnimalPlan } from '../garden/ending'
import { daysOnStop, scratches } from './stops'
import type { LivestockKind } from '../garden/rules'
import type { EndingClass } from '../plants/parameters'
import { chopSurvival, isTough } from './survival'

/** What one animal of a kind does and needs in a day. Judgement from husbandry guides, ± a third. */
type Husbandry = {
  /** All the feed it eats, kg dry matter, and the share of it that green growth can be. */
  feedKg: number
  forageShare: number
  /** Growth trodden down and fouled for each part eaten. */
  trodden: number
  /** How strongly an animal-day per m² scratches out or roots up soft plants; tough plants bear three times as much. */
  uproots: number
  /** Nitrogen in its droppings, g. */
  droppingsG: number
  /** Least ground in the pen for each, m². */
  leastM2: number
}

export const HUSBANDRY: Record<LivestockKind, Husbandry> = {
  hens: { feedKg: 0.115, forageShare: 0.25, trodden: 1.5, uproots: 0.35, droppingsG: 1.5, leastM2: 0.5 },
  ducks: { feedKg: 0.16, forageShare: 0.3, trodden: 1.5, uproots: 0.15, droppingsG: 1.8, leastM2: 0.8 },
  rabbits: { feedKg: 0.12, forageShare: 0.8, trodden: 0.3, uproots: 0.03, droppingsG: 1.2, leastM2: 0.6 },
  sheep: { feedKg: 1.4, forageShare: 1, trodden: 0.5, uproots: 0.3, droppingsG: 16, leastM2: 6 },
  goats: { feedKg: 1.5, forageShare: 1, trodden: 0.5, uproots: 0.3, droppingsG: 16, leastM2: 6 },
  pigs: { feedKg: 2.2, forageShare: 0.3, trodden: 4, uproots: 30, droppingsG: 30, leastM2: 15 },
}

/** Grain scattered on the last stops keeps hens scratching: their effect rises by this factor. */
const SCRATCH_FEED_FACTOR = 1.6
/** Grain scattered for each hen and day of it, kg (extension, 0.01–0.03); it is part of what they are fed. */
const SCRATCH_GRAIN_KG = 0.02
/** Share of the nitrogen in droppings that does not go off into the air, and its share of their dry matter (judgement). */
const DROPPINGS_KEPT = 0.7
const DROPPINGS_NITROGEN = 0.04
/** Tough plants bear this much more before they are uprooted. */
const TOUGH_FACTOR = 3
/** Nitrogen a bed should not be given in a year by animals, g m⁻² (a common limit is 170 kg ha⁻¹). */
export const MOST_NITROGEN_G = 17

/** Ground a pen stands on, m²: the plot where it has no size of its own. */
export const penM2 = (plan: AnimalPlan, plotM2: number) =>
  plan.penLengthM && plan.penWidthM ? plan.penLengthM * plan.penWidthM : plotM2

/** Animal-days per m² that one stop of a round brings. */
export const pressure = (plan: AnimalPlan, plotM2: number, round = 0) =>
  (plan.head * daysOnStop(plan, round)) / penM2(plan, plotM2)

/** Animal-days per m² over all rounds. */
export function animalDays(plan: AnimalPlan, plotM2: number): number {
  let sum = 0
  for (let round = 0; round < plan.rounds; round++) sum += pressure(plan, plotM2, round)
  return sum
}

/** Share of the standing growth eaten and trodden on a stop, 0–1, with `massG` standing per m². */
export function takenShare(plan: AnimalPlan, plotM2: number, massG: number, round = 0): number {
  const { feedKg, forageShare, trodden } = HUSBANDRY[plan.kind]
  const wantedG = pressure(plan, plotM2, round) * feedKg * 1000 * forageShare * (1 + trodden)
  return massG > 0 ? 1 - Math.exp(-wantedG / massG) : 0
}

/** Share of what is taken that is eaten; the rest is trodden down. */
export const eatenShare = ({ kind }: AnimalPlan) => 1 / (1 + HUSBANDRY[kind].trodden)

/** What is eaten on a stop, g m⁻², with `massG` standing. */
export const eatenG = (plan: AnimalPlan, plotM2: number, massG: number, round = 0) =>
  takenShare(plan, plotM2, massG, round) * massG * eatenShare(plan)

/** Dry matter and nitrogen of the droppings that a round leaves, g m⁻², from green growth and brought feed alike. */
export function droppings(
  plan: AnimalPlan,
  plotM2: number,
  round: number,
): { massG: number; nitrogenG: number } {
  const nitrogenG = pressure(plan, plotM2, round) * HUSBANDRY[plan.kind].droppingsG * DROPPINGS_KEPT
  return { massG: nitrogenG / DROPPINGS_NITROGEN, nitrogenG }
}

/**
 * Survival of a class after one stop: what the animals uproot dies; grazers nip the tops, and that kills as a cut
 * does. More animals or days never leave more.
 */
export function stopSurvival(
  plan: AnimalPlan,
  plotM2: number,
  kind: EndingClass,
  bbch: number,
  massG: number,
  round: number,
): number {
  const { uproots } = HUSBANDRY[plan.kind]
  const strength =
    uproots * (scratches(plan, round) ? SCRATCH_FEED_FACTOR : 1) * (isTough(kind) ? 1 / TOUGH_FACTOR : 1)
  const uprooted = Math.exp(-strength * pressure(plan, plotM2, round))
  const nipped = takenShare(plan, plotM2, massG, round)
  // Tops bitten above the ground leave more buds than a cut at it.
  const bitten = 1 - 0.4 * nipped * (1 - chopSurvival(kind, bbch))
  return uprooted * bitten
}

/** Feed brought from outside over the whole plan, kg dry matter, when `eatenKg` was found on the bed. */
export const broughtFeedKg = (plan: AnimalPlan, days: number, eatenKg: number) =>
  Math.max(0, plan.head * days * HUSBANDRY[plan.kind].feedKg - eatenKg)

/** Grain to scatter over the last round, kg, for hens on a number of stops. */
export const scratchGrainKg = (plan: AnimalPlan, stops: number) =>
  plan.kind === 'hens' ? plan.head * stops * daysOnStop(plan, plan.rounds - 1) * SCRATCH_GRAIN_KG : 0

/** What is doubtful about animals on a plot: room for each in m², nitrogen of their droppings in g m⁻². */
export type StockingDoubt =
  | { code: 'too tight'; eachM2: number; mostHead: number; kind: LivestockKind }
  | { code: 'too much manure'; nitrogenG: number; mostG: number }
  | { code: 'too little growth' }

/** What is doubtful about a plan on a plot of `plotM2` with `massG` g m⁻² standing; empty when nothing is. */
export function stockingDoubts(plan: AnimalPlan, plotM2: number, massG: number): StockingDoubt[] {
  const { kind } = plan
  const { leastM2, droppingsG, feedKg, forageShare } = HUSBANDRY[kind]
  const doubts: StockingDoubt[] = []
  const pen = penM2(plan, plotM2)
  const eachM2 = pen / plan.head
  if (eachM2 < leastM2)
    doubts.push({ code: 'too tight', eachM2, mostHead: Math.max(0, Math.floor(pen / leastM2)), kind })
  const nitrogenG = animalDays(plan, plotM2) * droppingsG
  if (nitrogenG > MOST_NITROGEN_G) doubts.push({ code: 'too much manure', nitrogenG, mostG: MOST_NITROGEN_G })
  const needG = pressure(plan, plotM2) * feedKg * 1000
  if (forageShare >= 0.8 && needG > massG * 0.7) doubts.push({ code: 'too little growth' })
  return doubts
}

/** Animal-days per m² on a stop: enough to graze, not to cake the ground (judgement, ± a half). */
const USUAL_PRESSURE: Record<LivestockKind, number> = {
  hens: 2.6,
  ducks: 2.6,
  rabbits: 2,
  sheep: 0.15,
  goats: 0.15,
  pigs: 0.08,
}

/** A plan to start from for animals with a pen. */
export function usualPlan(
  { kind, head, penLengthM, penWidthM }: Pick<AnimalPlan, 'kind' | 'head' | 'penLengthM' | 'penWidthM'>,
  plotM2: number,
): AnimalPlan {
  const pen = penLengthM && penWidthM ? penLengthM * penWidthM : plotM2
  const days = (USUAL_PRESSURE[kind] * pen) / head
  const daysPerStop = Math.max(1, Math.min(14, Math.round(days)))
  return {
    kind,
    head,
    penLengthM,
    penWidthM,
    daysPerStop,
    // A first round grazes, a last one, twice as slow, scratches out what has grown again.
    ...(kind === 'hens' ? { lastDaysPerStop: 2 * daysPerStop } : {}),
    rounds: kind === 'pigs' ? 1 : 2,
    restDays: kind === 'pigs' ? 0 : 7,
  }
}
