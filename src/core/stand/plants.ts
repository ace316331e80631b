import { columns, type Columns } from '../foundations/columns'
import type { SpeciesParameters } from '../plants/parameters'
import { addResidue, type ResiduePools } from '../residue/pools'
import { bbchBy } from './stage'

const PLANT_COLUMNS = [
  'emergence',
  'germination',
  'seedAlive',
  'moistureSum',
  'moistureDays',
  'perM2',
  'ageCd',
  'vernal',
  'lai',
  'massG',
  'nitrogenG',
  'alive',
  'lt50C',
  'worstNight',
  'heightM',
  'stubbleM',
  'stubbleG',
  'leafCd',
  'smotherDose',
] as const

/** Whether plants have come up: not sown yet, in the ground, come up on this very day, or growing since. */
export const NOT_SOWN = -1
export const IN_GROUND = 0
export const JUST_UP = 1
export const GROWING = 2

/**
 * The plants of one species, member by member. `emergence` is one of the four above; `germination` the °C d gathered
 * towards it, `seedAlive` the share of seed that still lives; `perM2` plants that came up and `alive` the share of them
 * that lives; `ageCd` thermal age, °C d; `vernal` cold days; `lai` m² m⁻²; shoot mass and nitrogen g m⁻²; `worstNight`
 * the survival of the worst night so far; `stubbleM` and `stubbleG` the height and mass that the last cut left, from which it grows
 * on; `leafCd` warmth since it came up, °C d, by which leaves and tillers come; `smotherDose` the dose that leaves 5 % alive under the sheet that lies, in the
 * unit of that sheet's days, 0 where it is not known yet.
 */
export type Plants = Columns<(typeof PLANT_COLUMNS)[number]>

/** Seed as it is sown. `ownHardinessC` is what each member's LT50 is moved by. */
export function sownPlants(p: SpeciesParameters, ownHardinessC: Float64Array): Plants {
  const plants = columns(PLANT_COLUMNS, ownHardinessC.length)
  plants.seedAlive.fill(1)
  plants.worstNight.fill(1)
  ownHardinessC.forEach((own, m) => (plants.lt50C[m] = p.lt50TenderC + own * 0.3))
  return plants
}

/** BBCH of a member's plants; 0 until the day after they came up. */
export const bbchOf = (plants: Plants, m: number, p: SpeciesParameters): number =>
  plants.emergence[m] === GROWING ? bbchBy(plants.ageCd[m], plants.leafCd[m], p) : 0

const TALLY_COLUMNS = [
  'grownG',
  'fixedG',
  'seedNitrogenG',
  'exportedG',
  'exportedNitrogenG',
  'broughtG',
  'broughtNitrogenG',
  'soilNitrogenG',
  'leachedG',
  'cropNitrogenG',
] as const

/**
 * What has come into and gone out of each member's stand since sowing, g m⁻²; closes mass and nitrogen. `leachedG` was
 * washed out of the root zone, `cropNitrogenG` taken by a crop on the same ground.
 */
export type Tally = Columns<(typeof TALLY_COLUMNS)[number]>

export const newTally = (members: number): Tally => columns(TALLY_COLUMNS, members)

/** Moves a share of a member's live stand to the residue. */
export function die(plants: Plants, m: number, share: number, residue: ResiduePools): void {
  if (share <= 0) return
  addResidue(residue, m, plants.massG[m] * share, plants.nitrogenG[m] * share)
  const kept = 1 - share
  plants.massG[m] *= kept
  plants.nitrogenG[m] *= kept
  plants.lai[m] *= kept
  plants.alive[m] *= kept
}
