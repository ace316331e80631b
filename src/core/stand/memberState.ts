import type { ResiduePools } from '../residue/pools'
import { waterDay } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { heldBy, newGround, takenOverGround, type Ground } from '../soil/ground'
import { newState, newTally, resetState, type SpeciesState, type Tally } from './plantState'
import type { MemberParameters } from './memberParameters'
import type { StandInput } from './types'

/** Days of weather before sowing that the soil's water is followed through where its past is not known. */
const WATER_LEAD_DAYS = 30

/** One member's stand and ground at the beginning of a day: all that its next day is worked out from. */
export type MemberState = Ground & {
  states: SpeciesState[]
  tally: Tally
  /** What the ground held when the run began. */
  start: ReturnType<typeof heldBy>
  shadeAbove: number
  cover: number
}

const copyPools = (pools: ResiduePools): ResiduePools => ({
  ...pools,
  mass: [...pools.mass],
  nitrogen: [...pools.nitrogen],
})

/** A state that the run goes on without touching. */
export const copyState = (state: MemberState): MemberState => ({
  ...state,
  states: state.states.map((species) => ({ ...species })),
  pools: copyPools(state.pools),
  buried: copyPools(state.buried),
  water: { ...state.water },
  tally: { ...state.tally },
})

/** The ground on the sowing day: as it came from what stood before, else with its water followed through the weeks before. */
export function beginMember(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  member: number,
): MemberState {
  const weather = ensemble.members[member]
  const offset = input.sowDay - ensemble.startDay
  const known = input.ground && input.ground[member % input.ground.length]
  const ground = known ? takenOverGround(known) : newGround(input)
  const start = heldBy(ground)
  if (!known)
    for (let i = Math.max(0, offset - WATER_LEAD_DAYS); i < offset; i++)
      waterDay(ground.water, weather.waterMm[i], weather.et0Mm[i], 0.2, 0.2)
  const states = input.sown.map(({ plant }) => {
    const state = newState()
    resetState(state, plant, memberParameters.hardinessC[member])
    return state
  })
  return {
    ...ground,
    states,
    tally: newTally(),
    start,
    shadeAbove: input.canopyAbove?.share ?? 0,
    cover: 0,
  }
}
