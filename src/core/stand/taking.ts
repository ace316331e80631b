import type { Species } from '../plants/parameters'
import { addResidue, type ResiduePools } from '../residue/pools'
import type { SpeciesState, Tally } from './plantState'
import { bbchAt } from './stage'

/** Share of a stand's growth above a height, 0–1: more of it sits high than low (judgement, exponent 0.5–1). */
export function shareAbove(heightM: number, standHeightM: number): number {
  return standHeightM <= heightM ? 0 : 1 - Math.pow(heightM / standHeightM, 0.7)
}

/** A cut this deep takes the growing points of stems that have begun to lengthen. */
const DEEP_CUT = 0.5
/** New shoots after a deep cut begin at this share of the way to stem elongation (judgement, 0.3–0.8). */
const SHOOTS_BEGIN = 0.6

/**
 * Takes a share of the growth off the living plants, 0–1. Of what is taken the share `gone` leaves the bed, carried off
 * or eaten; the rest lies on the ground. A deep cut sets the stage back.
 */
export function takeTop(
  state: SpeciesState,
  plant: Species,
  share: number,
  gone: number,
  pools: ResiduePools,
  tally: Tally,
): void {
  if (share <= 0) return
  const massG = state.mass * share
  const nitrogenG = state.nitrogen * share
  addResidue(pools, massG * (1 - gone), nitrogenG * (1 - gone))
  tally.exportedMass += massG * gone
  tally.exportedNitrogen += nitrogenG * gone
  state.mass -= massG
  state.nitrogen -= nitrogenG
  state.lai *= 1 - share
  if (share > DEEP_CUT) {
    state.ageCd = Math.min(state.ageCd, SHOOTS_BEGIN * plant.parameters.t31Cd)
    state.bbch = bbchAt(state.ageCd, plant.parameters)
  }
}
