import { columns, type Columns } from '../foundations/columns'
import { exponential } from '../foundations/exponential'
import type { Species } from '../plants/parameters'
import type { Plants } from './plants'
import type { Today } from './today'
import type { SownSpecies } from './types'

const CANOPY_COLUMNS = ['massG', 'leaf', 'tallestM', 'weightedLeaf', 'lightMj'] as const

/**
 * What the canopy of a day comes to, member by member: mass of all species, g m⁻²; their leaf area times extinction; the
 * tallest; leaf weighted by height; light taken, MJ m⁻² of PAR. `shares` is what each species takes of that light, 0–1.
 */
export type Canopy = Columns<(typeof CANOPY_COLUMNS)[number]> & { shares: readonly Float64Array[] }

export const newCanopy = (members: number, species: number): Canopy => ({
  ...columns(CANOPY_COLUMNS, members),
  shares: Array.from({ length: species }, () => new Float64Array(members).fill(1)),
})

const LOWEST_PLANT_M = 0.03
/** Plants not far from the ground yet are this share of their full height (judgement). */
const LOWEST_STAGE = 0.08
/** Share of the tallest plants' height that climbers reach on them (judgement, 0.7–1). */
const CARRIED_HEIGHT = 0.95
/** Most growth that stands in a m³ of a sward, g: of upright plants, and of those that creep or lie (judgement, 1000–2500, 2500–5000). */
const DENSEST_G_M3 = { upright: 1500, low: 3500 }
/** Mass by which a stand's height is scaled, g m⁻² (judgement, 80–200). */
const TALL_AT_G = 120
const TALLNESS = -1 / TALL_AT_G
/** Weight of a leaf on the ground against one at the top. */
const LOW_LEAF = 0.4

/** Sets the heights of one species by its thermal age and mass and adds it to the canopy. */
function addSpecies(
  { massG, leaf, tallestM }: Canopy,
  plants: Plants,
  { parameters, habit }: Species,
  begin: number,
  end: number,
) {
  const { lai, ageCd, heightM, stubbleM, stubbleG } = plants
  const roomM3 = 1 / (habit === 'upright' ? DENSEST_G_M3.upright : DENSEST_G_M3.low)
  const { extinction, t61Cd, heightM: fullHeightM } = parameters
  for (let m = begin; m < end; m++) {
    if (!(lai[m] > 0)) continue
    const mass = plants.massG[m]
    let stage = ageCd[m] / t61Cd
    if (stage < LOWEST_STAGE) stage = LOWEST_STAGE
    if (stage > 1) stage = 1
    // After a cut what has grown since stands on the stubble.
    if (stubbleG[m] > mass) stubbleG[m] = mass
    const since = mass - stubbleG[m]
    let height = fullHeightM * stage * Math.sqrt(Math.sqrt(stage)) * (1 - exponential(since * TALLNESS))
    if (height < since * roomM3) height = since * roomM3
    height += stubbleM[m]
    if (height < LOWEST_PLANT_M) height = LOWEST_PLANT_M
    heightM[m] = height
    massG[m] += mass
    leaf[m] += extinction * lai[m]
    if (height > tallestM[m]) tallestM[m] = height
  }
}

/** Climbers are carried up by the tallest; then each species' leaf is weighted by its height. */
function weighSpecies(
  { tallestM, weightedLeaf }: Canopy,
  weight: Float64Array,
  { heightM, lai }: Plants,
  { parameters: { extinction }, habit }: Species,
  begin: number,
  end: number,
) {
  for (let m = begin; m < end; m++) {
    weight[m] = 0
    if (!(lai[m] > 0)) continue
    const top = tallestM[m]
    if (habit === 'climbing' && heightM[m] < CARRIED_HEIGHT * top) heightM[m] = CARRIED_HEIGHT * top
    weight[m] = extinction * lai[m] * (LOW_LEAF + ((1 - LOW_LEAF) * heightM[m]) / top)
    weightedLeaf[m] += weight[m]
  }
}

/** Shares the light of a mix by leaf area weighted by height (Spitters and Aerts 1983). */
function shareLight(
  canopy: Canopy,
  plants: readonly Plants[],
  sown: readonly SownSpecies[],
  begin: number,
  end: number,
) {
  const { weightedLeaf, shares } = canopy
  for (let m = begin; m < end; m++) weightedLeaf[m] = 0
  for (let c = 0; c < plants.length; c++)
    weighSpecies(canopy, shares[c], plants[c], sown[c].plant, begin, end)
  for (const share of shares)
    for (let m = begin; m < end; m++) if (weightedLeaf[m] > 0) share[m] /= weightedLeaf[m]
}

/** The canopy of the members from `begin` up to `end` under the day's light. */
export function canopyDay(
  canopy: Canopy,
  plants: readonly Plants[],
  sown: readonly SownSpecies[],
  { parMj }: Today,
  begin: number,
  end: number,
): void {
  const { massG, leaf, tallestM, lightMj } = canopy
  for (let m = begin; m < end; m++) massG[m] = leaf[m] = tallestM[m] = 0
  for (let c = 0; c < plants.length; c++) addSpecies(canopy, plants[c], sown[c].plant, begin, end)
  if (plants.length > 1) shareLight(canopy, plants, sown, begin, end)
  for (let m = begin; m < end; m++) lightMj[m] = parMj[m] * (1 - exponential(-leaf[m]))
}
