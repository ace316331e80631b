import type { Bed } from '../garden/schema'
import { pickColumns } from '../foundations/columns'
import {
  emptyPools,
  poolMass,
  poolNitrogen,
  SURFACE_CONTACT,
  takenOverPools,
  type ResiduePools,
} from '../residue/pools'
import { soilWater, WATER_ACCOUNTS, type SoilWater } from '../site/soilWater'
import { startingNitrogen } from './nitrogen'

/** The ground under a stand at the beginning of a day, member by member: what goes on from one stand or crop to the next. */
export type Ground = {
  members: number
  /** Residue on the surface, the mulch, and what was worked in. */
  surface: ResiduePools
  buried: ResiduePools
  water: SoilWater
  /** Mineral nitrogen in the root zone, g m⁻². */
  mineralG: Float64Array
  /** Wetness of the residue on the surface, 0–1, and its contact with the soil against what is mixed in: the finer, the closer. */
  wetness: Float64Array
  contact: Float64Array
}

/** Soil as far as its own answers tell: what it is, how rich, and what stood on it before records begin. */
export type SoilAnswers = Pick<Bed, 'soil' | 'fertility'> & Partial<Pick<Bed, 'stoodBefore'>>

/** The ground where nothing is known but the answers. `release` multiplies what each member's soil holds. */
export const newGround = (
  { soil, fertility, stoodBefore }: SoilAnswers,
  members: number,
  release: Float64Array,
): Ground => ({
  members,
  surface: emptyPools(members),
  buried: emptyPools(members),
  water: soilWater(soil, members),
  mineralG: release.map((share) => share * startingNitrogen(fertility, stoodBefore)),
  wetness: new Float64Array(members).fill(0.5),
  contact: new Float64Array(members).fill(SURFACE_CONTACT),
})

/**
 * The ground of some members with its accounts begun anew: what has come and gone so far is the past. Members past the
 * last begin with the first again.
 */
export function takenOverGround(ground: Ground, members: readonly number[]): Ground {
  const from = members.map((member) => member % ground.members)
  const water = pickColumns(ground.water, from)
  for (const account of WATER_ACCOUNTS) water[account].fill(0)
  return {
    members: members.length,
    surface: takenOverPools(ground.surface, from),
    buried: takenOverPools(ground.buried, from),
    water,
    mineralG: Float64Array.from(from, (member) => ground.mineralG[member]),
    wetness: Float64Array.from(from, (member) => ground.wetness[member]),
    contact: Float64Array.from(from, (member) => ground.contact[member]),
  }
}

/** What a member's ground holds: residue and its nitrogen with the mineral, g m⁻², and water, mm. */
export const heldBy = ({ surface, buried, water, mineralG }: Ground, m: number) => ({
  massG: poolMass(surface, m) + poolMass(buried, m),
  nitrogenG: mineralG[m] + poolNitrogen(surface, m) + poolNitrogen(buried, m),
  waterMm: water.seedLayerMm[m] + water.rootZoneMm[m],
})
