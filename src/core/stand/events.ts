import { addResidue, moveResidue, type ResiduePools } from '../residue/pools'
import { die, type SpeciesState, type Tally } from './plantState'
import { shareAbove, takeTop } from './taking'
import type { StandInput } from './types'

/** An ending that leaves fewer than this also clears seed that has not come up. */
const CLEARED_SHARE = 0.005

/** Lays mulch or droppings, g m⁻², on the ground. */
function bring(
  { massG, nitrogenG }: { massG: number; nitrogenG: number },
  pools: ResiduePools,
  tally: Tally,
) {
  addResidue(pools, massG, nitrogenG)
  tally.broughtMass += massG
  tally.broughtNitrogen += nitrogenG
}

/** Does what was done to the stand on a day, in one member. */
export function applyEvents(
  input: StandInput,
  day: number,
  member: number,
  states: SpeciesState[],
  pools: ResiduePools,
  buried: ResiduePools,
  tally: Tally,
): void {
  for (const event of input.events) {
    if (event.day !== day) continue
    if (event.kind === 'mulch') {
      bring(event, pools, tally)
      continue
    }
    let massG = 0
    for (const state of states) massG += state.mass
    for (let c = 0; c < states.length; c++) {
      if (event.kind === 'cut' && event.only !== undefined && event.only !== c) continue
      const state = states[c]
      const { plant } = input.sown[c]
      const survival = event.survival(member, c, state.bbch, plant, state.alive, massG)
      if (!state.emerged) {
        // Seed in the ground is not touched by a blade; clearing the bed or a long sheet is the end of it.
        if (event.kind === 'end' && survival < CLEARED_SHARE) state.germination = -Infinity
      } else if (event.kind === 'end') {
        die(state, 1 - survival, pools)
        takeTop(state, plant, 1 - event.topLeft, 0, pools, tally)
      } else if (event.kind === 'graze') {
        takeTop(state, plant, event.taken(massG), event.eaten, pools, tally)
        die(state, 1 - survival, pools)
      } else {
        const share = event.groundShare * shareAbove(event.heightM, state.height)
        takeTop(state, plant, share, event.left ? 0 : 1, pools, tally)
        die(state, share > 0 ? event.groundShare * (1 - survival) : 0, pools)
      }
    }
    if (event.kind === 'cut') continue
    if (event.kind === 'graze') bring(event.droppings, buried, tally)
    else if (event.removed) {
      const gone = moveResidue(pools, event.removed, null)
      tally.exportedMass += gone.massG
      tally.exportedNitrogen += gone.nitrogenG
    }
    if (event.buried) moveResidue(pools, event.buried, buried)
  }
}
