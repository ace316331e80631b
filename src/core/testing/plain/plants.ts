import type { Species } from '../../plants/parameters'
import { physics } from '../../stand/physics'
import {
  laid,
  limit,
  ROOT_CAPACITY,
  SEED_CAPACITY,
  sum,
  type Day,
  type PlantOwn,
  type Sown,
  type Stalk,
  type World,
} from './world'

function trapezoid(t: number, base: number, low: number, high: number, max: number) {
  if (t <= base || t >= max) return 0
  return t < low ? t - base : t <= high ? low - base : ((low - base) * (max - t)) / (max - high)
}

/** The world with another plant in the place `c`. */
export const withPlant = (world: World, c: number, change: Partial<Stalk>): World => ({
  ...world,
  plants: world.plants.map((plant, i) => (i === c ? { ...plant, ...change } : plant)),
})

export function lose(world: World, c: number, massShare: number, nitrogenShare: number): World {
  const { mass, nitrogen } = world.plants[c]
  const fallen = { ...world, surface: laid(world.surface, mass * massShare, nitrogen * nitrogenShare) }
  return withPlant(fallen, c, { mass: mass * (1 - massShare), nitrogen: nitrogen * (1 - nitrogenShare) })
}

export function lethal(world: World, c: number, share: number): World {
  if (share <= 0) return world
  const { lai, alive } = world.plants[c]
  return withPlant(lose(world, c, share, share), c, { lai: lai * (1 - share), alive: alive * (1 - share) })
}

const coldDay = (mean: number) =>
  mean <= -4 || mean >= 16 ? 0 : mean < 1 ? (mean + 4) / 5 : mean <= 8 ? 1 : (16 - mean) / 8

/** What all plants of the day share: light taken, mass of the canopy, water, warmth of the soil. */
export type Shared = {
  light: readonly number[]
  canopyMass: number
  canopyLeaf: number
  waterLimit: number
  soilC: number
  /** By how much a sheet warms the soil by day. */
  sheetedC: number
  /** Days since the sowing. */
  days: number
}

export function live(
  start: World,
  c: number,
  day: Day,
  { plant, seeds, emergenceShare, depth }: Sown,
  memberParameters: PlantOwn,
  { light: lights, canopyMass, canopyLeaf, waterLimit, soilC }: Shared,
): World {
  const p = plant.parameters
  let world = withPlant(start, c, { grew: false, wanted: 0, ofSoil: 0, nodules: false })
  const now = () => world.plants[c]
  const set = (change: Partial<Stalk>) => (world = withPlant(world, c, change))
  const mean = (day.tMin + day.tMax) / 2
  if (now().up === 0) {
    const top = world.seedLayer / SEED_CAPACITY
    const below = Math.max(top, world.rootZone / ROOT_CAPACITY)
    const moist = limit((top + ((below - top) * depth) / 6 - 0.08) / 0.27, 0, 1)
    set({
      moistSum: now().moistSum + moist,
      moistDays: now().moistDays + 1,
      heat: now().heat + Math.max(0, soilC - p.emergenceBaseC) * moist,
      cold: now().cold + (p.vernalFloor > 0 ? coldDay(mean) : 0),
    })
    const warmSeed = p.emergenceBaseC >= 7
    const colder = warmSeed
      ? Math.min(1, (p.emergenceBaseC + 4 - soilC) / 4)
      : soilC < p.emergenceBaseC
        ? 1
        : 0
    if (colder > 0)
      set({ viable: now().viable * (1 - (warmSeed ? 0.006 : 0.004) * (p.emergenceBaseC + 1) * colder) })
    if (now().heat < p.emergenceCd) return world
    const plants =
      seeds *
      now().viable *
      Math.min(
        0.95,
        emergenceShare * (0.35 + (0.65 * now().moistSum) / now().moistDays) * memberParameters.emergence,
      )
    const lai = (plants * p.leafCm2) / 10_000
    const mass = lai / p.specificLeafM2G / 0.7
    set({ up: 1, cameUp: plants, alive: 1, lai, mass, nitrogen: (mass * p.nitrogenPlateau) / 100 })
    return { ...world, grown: world.grown + mass }
  }
  if (now().alive <= 0.001) return world
  set({ grew: true })
  const light = lights[c]
  const swing = 0.35 * (day.tMax - day.tMin)
  const warm = (t: number) => trapezoid(t, p.developBaseC, p.developOptLowC, p.developOptHighC, p.developMaxC)
  const thermal = (warm(mean - swing) + warm(mean + swing)) / 2
  const feels = now().age < p.t31Cd && (p.vernalFloor > 0 || now().warmth >= 600)
  const cold = now().cold + (feels ? coldDay(mean) : 0)
  const vernal =
    p.vernalDays === 0 ? 1 : p.vernalFloor + (1 - p.vernalFloor) * Math.min(1, cold / p.vernalDays) ** 2
  const photo =
    p.photoFloor >= 1
      ? 1
      : p.photoFloor +
        (1 - p.photoFloor) * limit((day.daylight - p.photoLowH) / (p.photoFullH - p.photoLowH), 0, 1)
  const pace =
    now().age < p.t31Cd
      ? vernal * photo
      : now().age < p.t51Cd
        ? photo
        : now().age < p.t61Cd
          ? 0.5 + 0.5 * photo
          : 1
  const livesOn = plant.perennial && p.vernalFloor > 0
  const older = now().age + memberParameters.development * thermal * pace
  const age = livesOn && day.daylight < 11 ? Math.min(older, 0.6 * p.t31Cd) : older
  const tonnes = canopyMass / 100
  const critical =
    memberParameters.nitrogen *
    (tonnes <= 0.5 ? p.nitrogenPlateau : Math.min(p.nitrogenPlateau, p.nitrogenA * tonnes ** -p.nitrogenB))
  const fed =
    now().mass <= 0
      ? 1
      : limit((physics.hungerSlope * (100 * now().nitrogen)) / now().mass / critical - 0.2, 0.15, 1)
  const awake = plant.perennial
    ? physics.dormantGrowth + (1 - physics.dormantGrowth) * limit((day.daylight - 10) / 3, 0, 1)
    : 1
  const response =
    (awake *
      limit((day.tMin - p.growBaseC - physics.coldNightC) / 10, 0, 1) *
      trapezoid(
        day.tMax - 0.25 * (day.tMax - day.tMin),
        p.growBaseC,
        p.growOptLowC,
        p.growOptHighC,
        p.growMaxC,
      )) /
    (p.growOptLowC - p.growBaseC)
  const leafy = age < p.t31Cd ? 1 : limit((p.t51Cd - age) / (p.t51Cd - p.t31Cd), 0, 1)
  const warmth = now().warmth + memberParameters.development * thermal
  const wanting = !plant.perennial && p.vernalDays > 0
  const tired = wanting ? leafy * limit(warmth / physics.coldWantingCd - 1, 0, 1) * (1 - vernal) : 0
  const ripe = plant.perennial ? 0 : limit((age - p.t61Cd) / p.t85Cd, 0, 1)
  const gain =
    p.lightUseGMj *
    (1 - (1 - physics.ripeLightUse) * ripe) *
    (1 - (1 - physics.tiredLightUse) * tired) *
    light *
    response *
    waterLimit *
    fed *
    memberParameters.growth
  const leastLeaf = plant.perennial ? (plant.habit === 'spreading' ? 0.5 : 0.3) : 0
  const leafShare =
    age < p.t31Cd
      ? 0.68 - (0.13 * age) / p.t31Cd
      : Math.max(
          leastLeaf,
          age < p.t61Cd
            ? 0.55 - (0.4 * (age - p.t31Cd)) / (p.t61Cd - p.t31Cd)
            : 0.15 - (0.15 * (age - p.t61Cd)) / p.t69Cd,
        )
  const young = canopyLeaf < 0.8 * p.extinction && (age < p.t61Cd || livesOn)
  const crown =
    livesOn && warmth >= 600 ? (0.3 * now().cameUp * now().alive) / ((60 * p.drillKgHa) / p.thousandSeedG) : 0
  const exponential =
    Math.max(now().lai, crown) *
    (Math.exp(
      p.leafGrowthPerCd * thermal * waterLimit * Math.sqrt(memberParameters.growth * memberParameters.leaf),
    ) -
      1)
  const grown = young
    ? Math.max(gain, (exponential / p.specificLeafM2G) * 1.2 * Math.min(1, 2 * response))
    : gain
  const before = now().lai
  set({
    up: 2,
    age,
    warmth,
    cold,
    lai: before + (young ? exponential : gain * leafShare * p.specificLeafM2G * memberParameters.leaf),
    mass: now().mass + grown,
  })
  world = { ...world, grown: world.grown + grown }

  const withered = Math.min(
    0.2,
    (leafy * (1 + tired) * thermal) / physics.shootLifeCd +
      physics.heatLossPerC * Math.max(0, mean - p.growOptHighC),
  )
  if (withered > 0) {
    const { lai } = now()
    world = withPlant(lose(world, c, withered, withered * 0.35), c, { lai: lai * (1 - withered) })
  }
  const shading = canopyLeaf / p.extinction
  const crowded =
    shading > physics.selfShadingLai ? before * Math.min(0.05, 0.012 * (shading - physics.selfShadingLai)) : 0
  const old = age > p.t61Cd + (plant.perennial ? p.t75Cd : 0) ? before * Math.min(0.1, 0.0028 * thermal) : 0
  if (crowded + old > 0) {
    const area = Math.min(now().lai, crowded + old)
    const share = Math.min(0.5, (0.6 * area) / p.specificLeafM2G / Math.max(1e-9, now().mass))
    const { lai } = now()
    world = withPlant(lose(world, c, share, share * 0.6), c, { lai: lai - area })
  }

  const wanted = Math.max(0, (critical / 100) * now().mass * 1.05 - now().nitrogen)
  const nodules = p.fixationShare > 0 && age > 120
  set({ wanted, ofSoil: nodules ? 0.4 * wanted : wanted, nodules })
  return world
}

/** The plants of a mix share what the soil has in reach by what they want of it. */
export function feed(start: World, sown: readonly Sown[]): World {
  const reach = physics.uptakeShare * start.mineral
  const asked = sum(start.plants.map(({ ofSoil }) => ofSoil))
  const given = asked > reach ? reach / asked : 1
  let world = start
  start.plants.forEach(({ wanted, ofSoil, nodules, nitrogen }, c) => {
    const uptake = ofSoil * given
    const fixed = nodules ? (wanted - uptake) * sown[c].plant.parameters.fixationShare : 0
    world = withPlant(world, c, { nitrogen: nitrogen + uptake + fixed })
    world = { ...world, mineral: world.mineral - uptake, fixed: world.fixed + fixed }
  })
  return world
}

/** Heights of the day, climbers carried by the tallest; and what light each species takes. */
export function lightOf(start: World, sown: readonly Sown[], par: number): { world: World; light: number[] } {
  const ownHeight = ({ age, mass, stubble, stubbleMass }: Stalk, { parameters: p, habit }: Species) => {
    const stage = limit(age / p.t61Cd, 0.08, 1)
    const since = mass - Math.min(mass, stubbleMass)
    const dense = since / (habit === 'upright' ? 1500 : 3500)
    return Math.max(0.03, stubble + Math.max(dense, p.heightM * stage ** 1.25 * (1 - Math.exp(-since / 120))))
  }
  const own = start.plants.map((plant, c) => (plant.lai > 0 ? ownHeight(plant, sown[c].plant) : plant.height))
  const tallest = Math.max(0, ...own.filter((_, c) => start.plants[c].lai > 0))
  const heights = own.map((height, c) =>
    sown.length > 1 && start.plants[c].lai > 0 && sown[c].plant.habit === 'climbing'
      ? Math.max(height, 0.95 * tallest)
      : height,
  )
  const leaf = start.plants.map(({ lai }, c) => sown[c].plant.parameters.extinction * lai)
  const weight = leaf.map((area, c) =>
    start.plants[c].lai > 0 ? area * (0.4 + (0.6 * heights[c]) / Math.max(0.03, tallest)) : 0,
  )
  const taken = par * (1 - Math.exp(-sum(leaf)))
  return {
    world: {
      ...start,
      plants: start.plants.map((plant, c) => ({
        ...plant,
        height: heights[c],
        stubbleMass: plant.lai > 0 ? Math.min(plant.mass, plant.stubbleMass) : plant.stubbleMass,
      })),
    },
    light: weight.map((one) => (sum(weight) > 0 ? (taken * one) / sum(weight) : 0)),
  }
}
