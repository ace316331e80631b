import { emptyPools, type ResiduePools } from '../residue/pools'
import { soilWater, waterDay, type SoilWater } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { STARTING_NITROGEN_G } from './nitrogen'
import { newState, newTally, resetState, type SpeciesState, type Tally } from './plantState'
import type { MemberTraits } from './traits'
import type { StandInput } from './types'

/** Days of weather before sowing that the soil's water is followed through, so that dry weeks are felt by the seed. */
const WATER_LEAD_DAYS = 30
/** One member's stand and ground at the beginning of a day: all that its next day is worked out from. */
export type MemberState = {
  states: SpeciesState[]
  pools: ResiduePools
  buried: ResiduePools
  water: SoilWater
  tally: Tally
  startWaterMm: number
  shadeAbove: number
  mineral: number
  wetness: number
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

/** The ground on the sowing day, its water followed through the weeks before. */
export function beginMember(
  input: StandInput,
  ensemble: WeatherEnsemble,
  traits: MemberTraits,
  member: number,
): MemberState {
  const weather = ensemble.members[member]
  const offset = input.sowDay - ensemble.startDay
  const water = soilWater(input.soil)
  const startWaterMm = water.seedLayerMm + water.rootZoneMm
  for (let i = Math.max(0, offset - WATER_LEAD_DAYS); i < offset; i++)
    waterDay(water, weather.waterMm[i], weather.et0Mm[i], 0.2, 0.2)
  const states = input.sown.map(({ plant }) => {
    const state = newState()
    resetState(state, plant, traits.hardinessC[member])
    return state
  })
  return {
    states,
    pools: emptyPools(),
    buried: emptyPools(),
    water,
    tally: newTally(),
    startWaterMm,
    shadeAbove: input.canopyAbove?.share ?? 0,
    mineral: STARTING_NITROGEN_G[input.fertility],
    wetness: 0.5,
    cover: 0,
  }
}
