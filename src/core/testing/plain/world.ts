import type { Species } from '../../plants/parameters'
import { AVAILABLE_MM_PER_M } from '../../site/soilWater'

/**
 * The daily step written a second time, slowly and plainly, for one member on loam: species of a mix, a canopy above, cuts,
 * mulch, endings and grazing, with fresh objects for each day. It shares with the kernel only the catalogue, the weather and
 * the table of stages. Tests hold the kernel against it.
 */
export type Day = {
  tMin: number
  tMax: number
  radiation: number
  et0: number
  rain: number
  water: number
  soil: number
  snow: number
  daylight: number
}
export type PlantOwn = {
  development: number
  growth: number
  leaf: number
  nitrogen: number
  emergence: number
  hardiness: number
}
export type MemberOwn = { species: readonly PlantOwn[]; release: number }
export type Sown = { plant: Species; seeds: number; emergenceShare: number; depth: number }
type Pool = { mass: number; nitrogen: number }
type Layer = { pools: Pool[]; decayed: number; microbes: number; released: number }
export type Stalk = {
  /** 0 in the ground, 1 on the day it comes up, 2 from then on. */
  up: 0 | 1 | 2
  heat: number
  moistSum: number
  moistDays: number
  viable: number
  age: number
  cold: number
  lai: number
  mass: number
  nitrogen: number
  /** Plants that came up on a m², and the share of them that lives. */
  cameUp: number
  alive: number
  lt50: number
  worst: number
  height: number
  /** Whether it grew today, what it wants of nitrogen and of that from the soil, and whether its roots fix some. */
  grew: boolean
  wanted: number
  ofSoil: number
  nodules: boolean
  /** Height and mass that the last cut left, and warmth since it came up. */
  stubble: number
  stubbleMass: number
  warmth: number
  /** The dose that leaves 5 % under the sheet that lies; 0 until it is known. */
  smother: number
}
export type World = {
  seedLayer: number
  rootZone: number
  mineral: number
  wetness: number
  cover: number
  aboveLives: boolean
  surface: Layer
  buried: Layer
  plants: Stalk[]
  grown: number
  fixed: number
  washed: number
  gone: Pool
  brought: Pool
}

export const limit = (value: number, low: number, high: number) =>
  value < low ? low : value > high ? high : value
export const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0)
export const SEED_CAPACITY = AVAILABLE_MM_PER_M.loam * 0.05 * 1.4
export const ROOT_CAPACITY = AVAILABLE_MM_PER_M.loam * 0.7
const empty = (): Layer => ({
  pools: [0, 1, 2].map(() => ({ mass: 0, nitrogen: 0 })),
  decayed: 0,
  microbes: 0,
  released: 0,
})
export const massOf = ({ pools }: Layer) => sum(pools.map(({ mass }) => mass))
export const nitrogenOf = ({ pools }: Layer) => sum(pools.map(({ nitrogen }) => nitrogen))

/** A member on its sowing day, before its soil's water has been followed through the weeks before. */
export const plainWorld = (sown: readonly Sown[], own: MemberOwn): World => ({
  seedLayer: SEED_CAPACITY * 0.75,
  rootZone: ROOT_CAPACITY * 0.75,
  mineral: 4.5 * own.release,
  wetness: 0.5,
  cover: 0,
  aboveLives: true,
  surface: empty(),
  buried: empty(),
  plants: sown.map(({ plant }, c) => ({
    up: 0,
    heat: 0,
    moistSum: 0,
    moistDays: 0,
    viable: 1,
    age: 0,
    cold: 0,
    lai: 0,
    mass: 0,
    nitrogen: 0,
    cameUp: 0,
    alive: 0,
    lt50: plant.parameters.lt50TenderC + 0.3 * own.species[c].hardiness,
    worst: 1,
    height: 0,
    grew: false,
    wanted: 0,
    ofSoil: 0,
    nodules: false,
    stubble: 0,
    stubbleMass: 0,
    warmth: 0,
    smother: 0,
  })),
  grown: 0,
  fixed: 0,
  washed: 0,
  gone: { mass: 0, nitrogen: 0 },
  brought: { mass: 0, nitrogen: 0 },
})

export function moveWater(world: World, rain: number, et0: number, green: number, ground: number): World {
  const filled = Math.min(SEED_CAPACITY, world.seedLayer + rain)
  const over = rain - (filled - world.seedLayer)
  const roots = Math.min(ROOT_CAPACITY, world.rootZone + over)
  const wet = filled / SEED_CAPACITY
  const evaporated = Math.min(filled, et0 * 0.9 * (1 - ground) * Math.min(1, 1.6 * wet))
  const share = roots / ROOT_CAPACITY
  const afterEvaporation = roots - Math.min(roots, 0.2 * evaporated)
  const afterUptake =
    afterEvaporation - Math.min(afterEvaporation, 1.05 * et0 * green * Math.min(1, share / 0.45))
  const risen = Math.min(afterUptake, 0.06 * Math.max(0, share - wet) * SEED_CAPACITY)
  const drained = over - (roots - world.rootZone)
  const washed = drained > 0 ? (0.85 * world.mineral * drained) / (drained + 175) : 0
  return {
    ...world,
    seedLayer: filled - 0.8 * evaporated + risen,
    rootZone: afterUptake - risen,
    mineral: world.mineral - washed,
    washed: world.washed + washed,
  }
}

/** Dead matter laid into a layer. */
export function laid(layer: Layer, mass: number, nitrogen: number): Layer {
  if (mass <= 0) return layer
  const pct = (100 * nitrogen) / mass
  const fast = Math.min(0.5, 0.1 + 0.08 * pct)
  const lignin = limit(0.19 - 0.035 * pct, 0.06, 0.2)
  const shares = [fast, 1 - fast - lignin, lignin]
  const richness = [1.6, 1, 0.5]
  const total = sum(shares.map((share, i) => share * richness[i]))
  const pools = layer.pools.map((pool, i) => ({
    mass: pool.mass + mass * shares[i],
    nitrogen: pool.nitrogen + (nitrogen * shares[i] * richness[i]) / total,
  }))
  return { ...layer, pools }
}

/** A layer after a day's rotting, and the mineral nitrogen then. */
export function rot(layer: Layer, mineral: number, soilC: number, wetness: number, contact: number) {
  const mass = massOf(layer)
  if (mass < 0.01) return { layer, mineral }
  const nitrogen = nitrogenOf(layer)
  const ratio = (0.42 * mass) / Math.max(1e-6, nitrogen)
  const warmth = soilC <= 0 ? 0 : Math.min(1.3, (soilC / 28) * (0.9 + 0.1 * Math.min(1, soilC / 28)))
  const poor = ratio <= 25 ? 1 : Math.exp((-0.693 * (ratio - 25)) / 25)
  const rate = warmth * (0.15 + 0.7 * wetness) * poor * contact
  if (rate <= 0) return { layer, mineral }
  const kept = [0.2, 0.05, 0.0095].map((k) => Math.exp(-k * rate))
  const massLost = sum(layer.pools.map((pool, i) => pool.mass * (1 - kept[i])))
  const nitrogenLost = sum(layer.pools.map((pool, i) => pool.nitrogen * (1 - kept[i])))
  const taken = Math.min((massLost * 0.42 * 0.35) / 9, nitrogenLost + mineral)
  return {
    layer: {
      pools: layer.pools.map((pool, i) => ({ mass: pool.mass * kept[i], nitrogen: pool.nitrogen * kept[i] })),
      decayed: layer.decayed + massLost,
      microbes: layer.microbes + taken,
      released: layer.released + nitrogenLost - taken,
    },
    mineral: mineral + nitrogenLost - taken,
  }
}
