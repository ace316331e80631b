import { addResidue, moveResidue } from '../residue/pools'
import { bbchOf, die, IN_GROUND } from './plants'
import type { StandState } from './state'
import { shareAbove, takeTop } from './taking'
import type { SownSpecies, StandEvent } from './types'

/** An ending that leaves fewer than this also clears seed that has not come up. */
const CLEARED_SHARE = 0.005

type Matter = { massG: number; nitrogenG: number }

/** Lays mulch or droppings, g m⁻², into a layer of a member. */
function bring({ massG, nitrogenG }: Matter, layer: 'surface' | 'buried', state: StandState, m: number) {
  addResidue(state[layer], m, massG, nitrogenG)
  state.tally.broughtG[m] += massG
  state.tally.broughtNitrogenG[m] += nitrogenG
}

/** Does to a member's stand what an event does; `member` is its number in the ensemble. */
export function applyEvent(
  event: StandEvent,
  sown: readonly SownSpecies[],
  state: StandState,
  m: number,
  member: number,
): void {
  if (event.kind === 'mulch') {
    bring(event, 'surface', state, m)
    return
  }
  let massG = 0
  for (const plants of state.plants) massG += plants.massG[m]
  state.plants.forEach((_, c) => {
    if (event.kind !== 'cut' || event.only === undefined || event.only === c)
      applyToSpecies(event, sown[c], state, c, m, member, massG)
  })
  applyToGround(event, state, m)
}

/** What a cut, an ending or grazing does to one species of a member's stand, which weighs `massG` in all. */
function applyToSpecies(
  event: Exclude<StandEvent, { kind: 'mulch' }>,
  { plant }: SownSpecies,
  { plants: all, surface, tally }: StandState,
  c: number,
  m: number,
  member: number,
  massG: number,
): void {
  const plants = all[c]
  const p = plant.parameters
  const survival = event.survival(member, c, bbchOf(plants, m, p), plant, plants.alive[m], massG)
  if (plants.emergence[m] === IN_GROUND) {
    // Seed in the ground is not touched by a blade; clearing the bed or a long sheet is the end of it.
    if (event.kind === 'end' && survival < CLEARED_SHARE) plants.germination[m] = -Infinity
  } else if (event.kind === 'end') {
    die(plants, m, 1 - survival, surface)
    takeTop(plants, m, p, 1 - event.topLeft, 0, surface, tally)
  } else if (event.kind === 'graze') {
    takeTop(plants, m, p, event.taken(massG), event.eaten, surface, tally)
    die(plants, m, 1 - survival, surface)
  } else {
    const share = event.groundShare * shareAbove(event.heightM, plants.heightM[m])
    takeTop(plants, m, p, share, event.left ? 0 : 1, surface, tally)
    die(plants, m, share > 0 ? event.groundShare * (1 - survival) : 0, surface)
  }
}

/** What an ending or grazing does to the ground of a member's stand. */
function applyToGround(event: Exclude<StandEvent, { kind: 'mulch' }>, state: StandState, m: number): void {
  if (event.kind === 'cut') return
  const { surface, buried, tally } = state
  if (event.kind === 'graze') bring(event.droppings, 'buried', state, m)
  else if (event.removed) {
    const gone = moveResidue(surface, m, event.removed, null)
    tally.exportedG[m] += gone.massG
    tally.exportedNitrogenG[m] += gone.nitrogenG
  }
  if (event.buried) moveResidue(surface, m, event.buried, buried)
}
