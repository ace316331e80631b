import type { Species } from '../plants/parameters'
import { addResidue, type ResiduePools } from '../residue/pools'
import { shootsAnew, shootsBeginCd } from './perennial'
import { GROWING, type Plants, type Tally } from './plants'

/** Share of a stand's growth above a height, 0–1: more of it sits high than low (judgement, exponent 0.5–1). */
export function shareAbove(heightM: number, standHeightM: number): number {
  return standHeightM <= heightM ? 0 : 1 - Math.pow(heightM / standHeightM, 0.7)
}

/** A cut this deep takes the growing points of stems that have begun to lengthen. */
const DEEP_CUT = 0.5

/**
 * Takes a share of the growth off a member's living plants, 0–1. Of what is taken the share `gone` leaves the bed, carried off or
 * eaten; the rest lies on the ground. What is left stands `leftM` high, m. Plants that put up new shoots after a deep cut begin
 * anew with them; all others go on in their course: what has flowered ripens.
 */
export function takeTop(
  plants: Plants,
  m: number,
  plant: Pick<Species, 'parameters' | 'perennial' | 'endingClass' | 'group'>,
  share: number,
  gone: number,
  leftM: number,
  residue: ResiduePools,
  tally: Tally,
): void {
  if (share <= 0) return
  const massG = plants.massG[m] * share
  const nitrogenG = plants.nitrogenG[m] * share
  addResidue(residue, m, massG * (1 - gone), nitrogenG * (1 - gone))
  tally.exportedG[m] += massG * gone
  tally.exportedNitrogenG[m] += nitrogenG * gone
  plants.massG[m] -= massG
  plants.nitrogenG[m] -= nitrogenG
  plants.lai[m] *= 1 - share
  if (leftM < plants.heightM[m]) {
    plants.heightM[m] = plants.stubbleM[m] = leftM
    plants.stubbleG[m] = plants.massG[m]
  }
  if (share > DEEP_CUT) {
    const age = plants.ageCd[m]
    if (shootsAnew(plant, age)) plants.ageCd[m] = Math.min(age, shootsBeginCd(plant.parameters))
    plants.emergence[m] = GROWING
  }
}
