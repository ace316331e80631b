import { heightOf, type SpeciesState } from './plantState'
import type { StandInput } from './types'

/** What the canopy of a day comes to over its species. */
export type Canopy = { massG: number; intercepted: number; weightedLeaf: number; tallestM: number }

const LOWEST_PLANT_M = 0.03
/** Share of the tallest plants' height that climbers reach on them (judgement, 0.7–1). */
const CARRIED_HEIGHT = 0.95

/** Leaf area of a species weighted by its height in the canopy: what its share of the light follows. */
export function leafWeight(state: SpeciesState, extinction: number, tallestM: number): number {
  return extinction * state.lai * (0.4 + (0.6 * state.height) / Math.max(LOWEST_PLANT_M, tallestM))
}

/** Sets the heights and works out how much light the canopy takes, MJ m⁻² d⁻¹ of PAR. */
export function lightInto(
  canopy: Canopy,
  states: readonly SpeciesState[],
  input: StandInput,
  par: number,
): void {
  canopy.massG = canopy.tallestM = canopy.weightedLeaf = 0
  let leaf = 0
  for (let c = 0; c < states.length; c++) {
    const state = states[c]
    if (!state.emerged || state.lai <= 0) continue
    const { plant } = input.sown[c]
    canopy.massG += state.mass
    state.height = Math.max(LOWEST_PLANT_M, heightOf(state, plant))
    canopy.tallestM = Math.max(canopy.tallestM, state.height)
    leaf += plant.parameters.extinction * state.lai
  }
  for (let c = 0; c < states.length; c++)
    if (states[c].lai > 0 && states.length > 1 && input.sown[c].plant.habit === 'climbing')
      states[c].height = Math.max(states[c].height, CARRIED_HEIGHT * canopy.tallestM)
  for (let c = 0; c < states.length; c++)
    if (states[c].lai > 0)
      canopy.weightedLeaf += leafWeight(states[c], input.sown[c].plant.parameters.extinction, canopy.tallestM)
  canopy.intercepted = par * (1 - Math.exp(-leaf))
}
