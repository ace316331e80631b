import { mixSeed, randomStream } from '../foundations/random'

/** Spread of a member's own parameters about the species' (judgement; log standard deviations and °C). */
const TRAIT_SPREAD = { development: 0.07, growth: 0.18, emergence: 0.2, hardinessC: 0.7 } as const

/** What makes one member's plants differ: multipliers about 1, and °C added to LT50. */
export type MemberTraits = {
  development: Float64Array
  growth: Float64Array
  emergence: Float64Array
  hardinessC: Float64Array
  /** Plants that come up by component and member, against what is expected; from counts. Absent where none was made. */
  plants?: readonly Float64Array[]
}

/** Traits of each member, the same for the same seed. `spread` widens or narrows them all. */
export function drawTraits(members: number, seed: number, spread = 1): MemberTraits {
  const random = randomStream(mixSeed(seed, 0x7a17))
  const lognormal = (sd: number) =>
    Float64Array.from({ length: members }, () => Math.exp(spread * sd * random.normal()))
  return {
    development: lognormal(TRAIT_SPREAD.development),
    growth: lognormal(TRAIT_SPREAD.growth),
    emergence: lognormal(TRAIT_SPREAD.emergence),
    hardinessC: Float64Array.from(
      { length: members },
      () => spread * TRAIT_SPREAD.hardinessC * random.normal(),
    ),
  }
}
