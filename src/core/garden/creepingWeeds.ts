import type { Check } from './check'
import type { Bed, Stand } from './schema'

/** Words in a bed's troubles that speak of root-knot nematodes. */
const NEMATODES = /nematode|root.?knot/i

/** Whether nematodes were noted on a bed. */
export const nematodesNoted = ({ troubles }: Pick<Bed, 'troubles'>): boolean =>
  troubles.some(({ what }) => NEMATODES.test(what))

/** Weeds that come back from roots, rhizomes or tubers in the ground, and how they are called. */
const CREEPING: readonly (readonly [name: string, words: RegExp])[] = [
  ['bindweed', /bind ?weed|convolvulus|calystegia/i],
  ['couch', /couch|quack ?grass|twitch|elymus/i],
  ['nutsedge', /nut ?sedge|nut ?grass|cyperus/i],
  ['ground elder', /ground ?elder|gout ?weed|aegopodium/i],
  ['horsetail', /horse ?tail|mare.?s ?tail|equisetum/i],
  ['creeping thistle', /creeping thistle|canada thistle|cirsium/i],
  ['Bermuda grass', /bermuda|couch grass.*cynodon|cynodon/i],
  ['Johnson grass', /johnson ?grass/i],
]
/** Names of the creeping weeds that are known, as a grower would choose one. */
export const CREEPING_WEEDS: readonly string[] = CREEPING.map(([name]) => name)

/** Black bindweed is an annual that only climbs like the other. */
const ANNUALS = /black bind ?weed|fallopia|polygonum convolvulus/gi

/**
 * Creeping weeds that were named on a bed, in its troubles or in checks of what stood there. What ends a cover does not
 * end them.
 */
export function creepingWeeds(
  bed: Pick<Bed, 'id' | 'troubles'>,
  stands: readonly Pick<Stand, 'id' | 'bedId'>[],
  checks: readonly Pick<Check, 'standId' | 'weeds' | 'note'>[],
): string[] {
  const here = new Set(stands.filter((stand) => stand.bedId === bed.id).map(({ id }) => id))
  const words = [
    ...bed.troubles.map(({ what }) => what),
    ...checks
      .filter(({ standId }) => here.has(standId))
      .flatMap(({ weeds, note }) => [...(weeds?.which ?? []), note]),
  ].map((text) => text.replace(ANNUALS, ''))
  return CREEPING.filter(([, pattern]) => words.some((text) => pattern.test(text))).map(([name]) => name)
}
