import type { Columns } from '../foundations/columns'
import { columns } from '../foundations/columns'
import { mixSeed, randomStream, seedFromText } from '../foundations/random'
import type { Species } from '../plants/parameters'

/**
 * Spread of a member's plants and ground about what the catalogue and the grower's answers say, standard deviations of
 * logarithms, hardiness in °C (judgement; ranges in brackets). Each stands for several parameters that err together:
 * development 0.06–0.12 (thermal times ± 10 %, what daylength and cold add), growth 0.15–0.3 and leaf 0.1–0.25 (light use, and
 * leaf area from what is grown, each ± a third), its nitrogen content 0.08–0.2, plants that come up 0.15–0.3, LT50 1–2 °C;
 * nitrogen from a soil called as fertile 0.2–0.4.
 */
export const MEMBER_SD = {
  development: 0.08,
  growth: 0.28,
  leaf: 0.16,
  nitrogen: 0.18,
  emergence: 0.2,
  hardinessC: 1.2,
  release: 0.4,
} as const

/** Parts of the variance that all plants of a bed share, and those of one kind among them; the rest is a species' own. */
const BED_PART = 0.3
const KIN_PART = 0.35

const OWN = ['development', 'growth', 'leaf', 'nitrogen', 'emergence', 'hardinessC'] as const

/**
 * What makes one species in one member differ from the catalogue: multipliers about 1 of its rate of development, its
 * growth by light, the leaf made of what is grown, the nitrogen it needs and the plants that come up, and °C added to its
 * LT50.
 */
export type OwnPlants = Columns<(typeof OWN)[number]>

/** What makes one member's stand differ. */
export type MemberParameters = {
  /** One for each species sown. */
  species: readonly OwnPlants[]
  /** Multiplies the nitrogen that the soil holds and frees. */
  release: Float64Array
  /** Plants that come up by component and member, against what is expected; from counts. Absent where none was made. */
  plants?: readonly Float64Array[]
  /** Days after the run begins on which each member was sown, 0–120, where the day is not known. */
  sownAfter?: Float64Array
}

/** Standard normals of one make, one member after another, one for each quantity. */
const drawsOf = (seed: number, member: number) => {
  const random = randomStream(mixSeed(seed, member))
  return OWN.map(() => random.normal())
}

function ownPlants(archetype: string, speciesId: string, members: number, seed: number, spread: number) {
  const own: OwnPlants = columns(OWN, members)
  const kinSeed = mixSeed(seed, seedFromText(archetype))
  const speciesSeed = mixSeed(seed, seedFromText(speciesId))
  const [bed, kin, self] = [BED_PART, KIN_PART, 1 - BED_PART - KIN_PART].map(Math.sqrt)
  for (let member = 0; member < members; member++) {
    const shared = drawsOf(mixSeed(seed, 0x7a17), member)
    const ofKin = drawsOf(kinSeed, member)
    const species = drawsOf(speciesSeed, member)
    OWN.forEach((name, i) => {
      const drawn = spread * MEMBER_SD[name] * (bed * shared[i] + kin * ofKin[i] + self * species[i])
      own[name][member] = name === 'hardinessC' ? drawn : Math.exp(drawn)
    })
  }
  return own
}

/** Days on which members may have been sown, one as likely as another, from the first one on and so many after. */
export const drawSowing = (days: number, members: number, seed: number): Float64Array =>
  Float64Array.from({ length: members }, (_, member) =>
    Math.floor(randomStream(mixSeed(mixSeed(seed, 0x50d1), member)).uniform() * (days + 1)),
  )

/**
 * Parameters of each member for what is sown, the same for the same seeds however many members are drawn and whatever
 * grows beside. `spread` widens or narrows them all; the ground of a garden is drawn from one seed, so that a bed's is the
 * same from one stand to the next.
 */
export function drawMemberParameters(
  sown: readonly { plant: Pick<Species, 'id' | 'archetype'> }[],
  members: number,
  seed: number,
  { spread = 1, groundSeed = seed }: { spread?: number; groundSeed?: number } = {},
): MemberParameters {
  return {
    species: sown.map(({ plant }) => ownPlants(plant.archetype, plant.id, members, seed, spread)),
    release: Float64Array.from({ length: members }, (_, member) =>
      Math.exp(
        spread * MEMBER_SD.release * randomStream(mixSeed(mixSeed(groundSeed, 0x50f7), member)).normal(),
      ),
    ),
  }
}
