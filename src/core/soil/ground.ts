import type { Bed } from '../garden/schema'
import { emptyPools, poolMass, poolNitrogen, type ResiduePools } from '../residue/pools'
import { soilWater, type SoilWater } from '../site/soilWater'
import { startingNitrogen } from './nitrogen'

/** The ground under a stand at the beginning of a day, in one member: what goes on from one stand or crop to the next. */
export type Ground = {
  /** Residue on the surface, and worked in. */
  pools: ResiduePools
  buried: ResiduePools
  water: SoilWater
  /** Mineral nitrogen in the root zone, g m⁻². */
  mineral: number
  /** Wetness of the residue on the surface, 0–1. */
  wetness: number
}

/** Soil as far as its own answers tell: what it is, how rich, and what stood on it before records begin. */
export type SoilAnswers = Pick<Bed, 'soil' | 'fertility'> & Partial<Pick<Bed, 'stoodBefore'>>

/** The ground where nothing is known but the answers. */
export const newGround = ({ soil, fertility, stoodBefore }: SoilAnswers): Ground => ({
  pools: emptyPools(),
  buried: emptyPools(),
  water: soilWater(soil),
  mineral: startingNitrogen(fertility, stoodBefore),
  wetness: 0.5,
})

const newAccount = (pools: ResiduePools): ResiduePools => ({
  ...emptyPools(),
  mass: [...pools.mass],
  nitrogen: [...pools.nitrogen],
})

/** The same ground with its accounts begun anew: what has come and gone so far is the past. */
export const takenOverGround = ({ pools, buried, water, mineral, wetness }: Ground): Ground => ({
  pools: newAccount(pools),
  buried: newAccount(buried),
  water: { ...water, gainedMm: 0, evaporatedMm: 0, transpiredMm: 0, drainedMm: 0 },
  mineral,
  wetness,
})

/** What the ground holds: residue and its nitrogen with the mineral, g m⁻², and water, mm. */
export const heldBy = ({ pools, buried, water, mineral }: Ground) => ({
  massG: poolMass(pools) + poolMass(buried),
  nitrogenG: mineral + poolNitrogen(pools) + poolNitrogen(buried),
  waterMm: water.seedLayerMm + water.rootZoneMm,
})
