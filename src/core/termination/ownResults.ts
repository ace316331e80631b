import type { EndMethodId, OwnCount, OwnResults } from '../garden/ending'
import type { EndingClass } from '../plants/parameters'

/** Stages that own counts are pooled over. */
export const STAGE_BANDS = ['before heading', 'heading or buds', 'in flower', 'seed filling'] as const
export type StageBand = (typeof STAGE_BANDS)[number]

/** The band of a BBCH code: below 51, 51–60, 61–70, 71 and more. */
export const stageBand = (bbch: number): StageBand =>
  bbch < 51 ? STAGE_BANDS[0] : bbch < 61 ? STAGE_BANDS[1] : bbch < 71 ? STAGE_BANDS[2] : STAGE_BANDS[3]

/**
 * What the table's value weighs against own counts: as many plants as this, as if seen before. Plants of one ending
 * share its luck, so a whole ending never counts for more than as many (judgement, 10–40).
 */
export const PRIOR_PLANTS = 20
export const MOST_PER_ENDING = 20

/** Where counts of a way, class and band are kept. */
export const keyOf = (method: EndMethodId, kind: EndingClass, band: StageBand) => `${method}|${kind}|${band}`

/** Most gardens have counted nothing yet. */
function isEmpty(own: OwnResults): boolean {
  for (const key in own) return key === undefined
  return true
}

/** Own counts of a way on a class of plants at a stage; null without any. */
export const ownCount = (
  own: OwnResults,
  method: EndMethodId,
  kind: EndingClass,
  bbch: number,
): OwnCount | null => (isEmpty(own) ? null : (own[keyOf(method, kind, stageBand(bbch))] ?? null))

/**
 * Survival after own counts: the table's share p is a Beta prior with 20 p survivors among 20 plants, the counts are
 * binomial, the mean of the posterior is (20 p + standing) / (20 + before). Without counts it is p.
 */
export function withOwn(prior: number, count: OwnCount | null): number {
  if (!count) return prior
  return (PRIOR_PLANTS * prior + count.standing) / (PRIOR_PLANTS + count.before)
}
