import { mixSeed, randomStream } from '../foundations/random'

/** Spread of a member's own parameters about the species' (judgement; log standard deviations and °C). */
const MEMBER_SD = { development: 0.07, growth: 0.18, emergence: 0.2, hardinessC: 1.2 } as const

/** What makes one member's plants differ: multipliers about 1, and °C added to LT50. */
export type MemberParameters = {
  development: Float64Array
  growth: Float64Array
  emergence: Float64Array
  hardinessC: Float64Array
  /** Plants that come up by component and member, against what is expected; from counts. Absent where none was made. */
  plants?: readonly Float64Array[]
}

/** Parameters of each member, the same for the same seed however many members are drawn. `spread` widens or narrows them all. */
export function drawMemberParameters(members: number, seed: number, spread = 1): MemberParameters {
  const memberParameters: MemberParameters = {
    development: new Float64Array(members),
    growth: new Float64Array(members),
    emergence: new Float64Array(members),
    hardinessC: new Float64Array(members),
  }
  for (let member = 0; member < members; member++) {
    const random = randomStream(mixSeed(mixSeed(seed, 0x7a17), member))
    memberParameters.development[member] = Math.exp(spread * MEMBER_SD.development * random.normal())
    memberParameters.growth[member] = Math.exp(spread * MEMBER_SD.growth * random.normal())
    memberParameters.emergence[member] = Math.exp(spread * MEMBER_SD.emergence * random.normal())
    memberParameters.hardinessC[member] = spread * MEMBER_SD.hardinessC * random.normal()
  }
  return memberParameters
}
