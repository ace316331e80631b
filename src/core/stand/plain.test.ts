import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { dayNumber } from '../foundations/day'
import { SPECIES } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import { AVAILABLE_MM_PER_M } from '../site/soilWater'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { drawMemberParameters } from './memberParameters'
import { bbchAt } from './stage'

/**
 * The daily step written a second time, slowly and plainly, one plant stand of one species in one member, with a
 * fresh object for each day. It shares with the kernel only the catalogue, the weather and the table of stages.
 */
type Day = {
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
type MemberOwn = { development: number; growth: number; emergence: number; hardiness: number }
type Pool = { mass: number; nitrogen: number }
type World = {
  seedLayer: number
  rootZone: number
  mineral: number
  wetness: number
  cover: number
  pools: Pool[]
  decayed: number
  microbes: number
  up: boolean
  heat: number
  moistSum: number
  moistDays: number
  viable: number
  age: number
  cold: number
  lai: number
  mass: number
  nitrogen: number
  alive: number
  lt50: number
  worst: number
  grown: number
  fixed: number
  washed: number
}

const limit = (value: number, low: number, high: number) => (value < low ? low : value > high ? high : value)
const SEED_CAPACITY = AVAILABLE_MM_PER_M.loam * 0.05 * 1.4
const ROOT_CAPACITY = AVAILABLE_MM_PER_M.loam * 0.7

function trapezoid(t: number, base: number, low: number, high: number, max: number) {
  if (t <= base || t >= max) return 0
  return t < low ? t - base : t <= high ? low - base : ((low - base) * (max - t)) / (max - high)
}

function moveWater(world: World, rain: number, et0: number, green: number, ground: number): World {
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

function toGround(pools: Pool[], mass: number, nitrogen: number): Pool[] {
  if (mass <= 0) return pools
  const pct = (100 * nitrogen) / mass
  const fast = Math.min(0.5, 0.1 + 0.08 * pct)
  const lignin = limit(0.19 - 0.035 * pct, 0.06, 0.2)
  const shares = [fast, 1 - fast - lignin, lignin]
  const richness = [1.6, 1, 0.5]
  const total = shares.reduce((sum, share, i) => sum + share * richness[i], 0)
  return pools.map((pool, i) => ({
    mass: pool.mass + mass * shares[i],
    nitrogen: pool.nitrogen + (nitrogen * shares[i] * richness[i]) / total,
  }))
}

function lose(world: World, massShare: number, nitrogenShare: number): World {
  return {
    ...world,
    pools: toGround(world.pools, world.mass * massShare, world.nitrogen * nitrogenShare),
    mass: world.mass * (1 - massShare),
    nitrogen: world.nitrogen * (1 - nitrogenShare),
  }
}

const lethal = (world: World, share: number): World =>
  share <= 0
    ? world
    : { ...lose(world, share, share), lai: world.lai * (1 - share), alive: world.alive * (1 - share) }

const coldDay = (mean: number) =>
  mean <= -4 || mean >= 15 ? 0 : mean < 1 ? (mean + 4) / 5 : mean <= 8 ? 1 : (15 - mean) / 7

function live(
  start: World,
  day: Day,
  plant: Species,
  memberParameters: MemberOwn,
  seeds: number,
  emergenceShare: number,
  par: number,
  waterLimit: number,
  soilC: number,
): World {
  const p = plant.parameters
  let world = start
  const mean = (day.tMin + day.tMax) / 2
  if (!world.up) {
    const moist = limit((world.seedLayer / SEED_CAPACITY - 0.1) / 0.35, 0, 1)
    world = {
      ...world,
      moistSum: world.moistSum + moist,
      moistDays: world.moistDays + 1,
      heat: world.heat + Math.max(0, soilC - p.emergenceBaseC) * moist,
      cold: world.cold + coldDay(mean),
    }
    if (soilC < p.emergenceBaseC)
      world = { ...world, viable: world.viable * (1 - 0.004 * (p.emergenceBaseC + 1)) }
    if (world.heat < p.emergenceCd) return world
    const plants =
      seeds *
      world.viable *
      Math.min(
        0.95,
        emergenceShare * (0.35 + (0.65 * world.moistSum) / world.moistDays) * memberParameters.emergence,
      )
    const lai = (plants * p.leafCm2) / 10_000
    const mass = lai / p.specificLeafM2G / 0.7
    return {
      ...world,
      up: true,
      alive: 1,
      lai,
      mass,
      nitrogen: (mass * p.nitrogenPlateau) / 100,
      grown: world.grown + mass,
    }
  }
  if (world.alive <= 0.001) return world
  const light = world.lai > 0 ? par * (1 - Math.exp(-p.extinction * world.lai)) : 0
  const swing = 0.35 * (day.tMax - day.tMin)
  const warm = (t: number) => trapezoid(t, p.developBaseC, p.developOptLowC, p.developOptHighC, p.developMaxC)
  const thermal = (warm(mean - swing) + warm(mean + swing)) / 2
  const cold = world.age < p.t31Cd ? world.cold + coldDay(mean) : world.cold
  const vernal =
    p.vernalDays === 0 ? 1 : p.vernalFloor + (1 - p.vernalFloor) * Math.min(1, cold / p.vernalDays)
  const photo =
    p.photoFloor >= 1
      ? 1
      : p.photoFloor +
        (1 - p.photoFloor) * limit((day.daylight - p.photoLowH) / (p.photoFullH - p.photoLowH), 0, 1)
  const pace =
    world.age < p.t31Cd
      ? vernal * photo
      : world.age < p.t51Cd
        ? photo
        : world.age < p.t61Cd
          ? 0.5 + 0.5 * photo
          : 1
  const age = world.age + memberParameters.development * thermal * pace
  const tonnes = world.mass / 100
  const critical =
    tonnes <= 0.5 ? p.nitrogenPlateau : Math.min(p.nitrogenPlateau, p.nitrogenA * tonnes ** -p.nitrogenB)
  const fed =
    world.mass <= 0 ? 1 : limit((1.35 * (100 * world.nitrogen)) / world.mass / critical - 0.2, 0.15, 1)
  const response =
    trapezoid(
      day.tMax - 0.25 * (day.tMax - day.tMin),
      p.growBaseC,
      p.growOptLowC,
      p.growOptHighC,
      p.growMaxC,
    ) /
    (p.growOptLowC - p.growBaseC)
  const gain = p.lightUseGMj * light * response * waterLimit * fed * memberParameters.growth
  const leafShare =
    age < p.t31Cd
      ? 0.68 - (0.13 * age) / p.t31Cd
      : age < p.t61Cd
        ? 0.55 - (0.4 * (age - p.t31Cd)) / (p.t61Cd - p.t31Cd)
        : Math.max(plant.perennial ? 0.2 : 0, 0.15 - (0.15 * (age - p.t61Cd)) / p.t69Cd)
  const young = world.lai < 0.8 && age < p.t61Cd
  const exponential =
    world.lai * (Math.exp(p.leafGrowthPerCd * thermal * waterLimit * Math.sqrt(memberParameters.growth)) - 1)
  const grown = young
    ? Math.max(gain, (exponential / p.specificLeafM2G) * 1.2 * Math.min(1, 2 * response))
    : gain
  const before = world.lai
  world = {
    ...world,
    age,
    cold,
    lai: before + (young ? exponential : gain * leafShare * p.specificLeafM2G),
    mass: world.mass + grown,
    grown: world.grown + grown,
  }

  const crowded = before > 4.5 ? before * Math.min(0.05, 0.012 * (before - 4.5)) : 0
  const old = age > p.t61Cd + (plant.perennial ? p.t75Cd : 0) ? before * Math.min(0.1, 0.0028 * thermal) : 0
  if (crowded + old > 0) {
    const area = Math.min(world.lai, crowded + old)
    const share = Math.min(0.5, (0.6 * area) / p.specificLeafM2G / Math.max(1e-9, world.mass))
    world = { ...lose(world, share, share * 0.6), lai: world.lai - area }
  }

  const demand = Math.max(0, (critical / 100) * world.mass * 1.05 - world.nitrogen)
  const nodules = p.fixationShare > 0 && age > 120
  const uptake = Math.min(0.08 * world.mineral, nodules ? 0.4 * demand : demand)
  const fixed = nodules ? (demand - uptake) * p.fixationShare : 0
  world = {
    ...world,
    nitrogen: world.nitrogen + uptake + fixed,
    mineral: world.mineral - uptake,
    fixed: world.fixed + fixed,
  }

  const shelter = p.crownSoilShare + (0.95 - p.crownSoilShare) * Math.min(1, day.snow / 35) * 0.75
  const crown = shelter * soilC + (1 - shelter) * day.tMin
  const lost = limit((age - p.t31Cd) / Math.max(1, p.t61Cd - p.t31Cd), 0, 1)
  const hardest = p.lt50HardyC + (p.lt50TenderC - p.lt50HardyC) * lost
  const lt50 =
    crown < 10
      ? world.lt50 +
        Math.min(0.12, 0.009 * (10 - crown)) * (hardest - world.lt50) * (world.lt50 > hardest ? 1 : 0.5)
      : world.lt50 + Math.min(0.25, 0.018 * (crown - 10)) * (p.lt50TenderC - world.lt50)
  world = { ...world, lt50 }
  const own = lt50 + memberParameters.hardiness
  const night = 1 / (1 + Math.exp((own - crown) / 0.7))
  if (crown < own + 5 && night < world.worst)
    world = { ...lethal(world, 1 - night / world.worst), worst: night }
  const margin = day.tMin - (own - 3)
  if (margin < 6 && day.tMin < -3) {
    const burnt = Math.min(0.08, 0.015 * (6 - margin))
    world = { ...lose(world, burnt / 2, burnt / 2), lai: world.lai * (1 - burnt) }
  }
  if (day.tMax > p.heatC) world = lethal(world, Math.min(0.5, 0.03 * (day.tMax - p.heatC)))
  if (!plant.perennial && bbchAt(age, p) >= 89) world = lethal(world, 0.06)
  return world
}

function rot(world: World, soilC: number): World {
  const mass = world.pools.reduce((sum, pool) => sum + pool.mass, 0)
  if (mass < 0.01) return world
  const nitrogen = world.pools.reduce((sum, pool) => sum + pool.nitrogen, 0)
  const ratio = (0.42 * mass) / Math.max(1e-6, nitrogen)
  const warmth = soilC <= 0 ? 0 : Math.min(1.3, (soilC / 28) * (0.9 + 0.1 * Math.min(1, soilC / 28)))
  const rate =
    warmth * (0.15 + 0.7 * world.wetness) * (ratio <= 25 ? 1 : Math.exp((-0.693 * (ratio - 25)) / 25)) * 0.8
  if (rate <= 0) return world
  const kept = [0.2, 0.05, 0.0095].map((k) => Math.exp(-k * rate))
  const massLost = world.pools.reduce((sum, pool, i) => sum + pool.mass * (1 - kept[i]), 0)
  const nitrogenLost = world.pools.reduce((sum, pool, i) => sum + pool.nitrogen * (1 - kept[i]), 0)
  const taken = Math.min((massLost * 0.42 * 0.35) / 9, nitrogenLost + world.mineral)
  return {
    ...world,
    pools: world.pools.map((pool, i) => ({ mass: pool.mass * kept[i], nitrogen: pool.nitrogen * kept[i] })),
    decayed: world.decayed + massLost,
    microbes: world.microbes + taken,
    mineral: world.mineral + nitrogenLost - taken,
  }
}

function step(
  start: World,
  day: Day,
  plant: Species,
  memberParameters: MemberOwn,
  seeds: number,
  emergenceShare: number,
): World {
  const residue = start.pools.reduce((sum, pool) => sum + pool.mass, 0)
  const soilC = day.soil - 0.12 * start.cover * Math.max(0, day.soil - 8)
  const waterLimit = Math.min(1, start.rootZone / ROOT_CAPACITY / 0.45)
  const released = soilC <= 0 ? 0 : 0.055 * 2 ** ((soilC - 20) / 10)
  const fed = { ...start, mineral: start.mineral + released }
  const grown = live(
    fed,
    day,
    plant,
    memberParameters,
    seeds,
    emergenceShare,
    day.radiation * 0.5,
    waterLimit,
    soilC,
  )
  const wetness = Math.min(1, grown.wetness * 0.82 + Math.min(1, day.rain / 5) * 0.6)
  const rotted = rot({ ...grown, wetness }, soilC)
  const cover = 1 - Math.exp(-1.1 * plant.parameters.extinction * rotted.lai)
  return moveWater(
    { ...rotted, cover },
    day.water,
    day.et0,
    cover,
    Math.min(1, cover + (1 - Math.exp(-0.0045 * residue))),
  )
}

describe('the kernel against a plain version', () => {
  test('agrees to 1e-9 in its accounts and to single precision in its series', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPECIES),
        fc.constantFrom(...Object.values(TEST_SITES)),
        fc.integer({ min: 0, max: 364 }),
        fc.integer({ min: 1, max: 1000 }),
        (plant, site, offset, seed) => {
          const iso = new Date(Date.UTC(2025, 0, 1 + offset)).toISOString().slice(0, 10)
          const { run, ensemble } = growStand(site, plant.id, iso, { members: 2, days: 260, seed })
          const memberParameters = drawMemberParameters(2, seed + 2)
          for (let m = 0; m < 2; m++) {
            const weather = ensemble.members[m]
            const own: MemberOwn = {
              development: memberParameters.development[m],
              growth: memberParameters.growth[m],
              emergence: memberParameters.emergence[m],
              hardiness: memberParameters.hardinessC[m],
            }
            let world: World = {
              seedLayer: SEED_CAPACITY * 0.75,
              rootZone: ROOT_CAPACITY * 0.75,
              mineral: 4.5,
              wetness: 0.5,
              cover: 0,
              pools: [0, 1, 2].map(() => ({ mass: 0, nitrogen: 0 })),
              decayed: 0,
              microbes: 0,
              up: false,
              heat: 0,
              moistSum: 0,
              moistDays: 0,
              viable: 1,
              age: 0,
              cold: 0,
              lai: 0,
              mass: 0,
              nitrogen: 0,
              alive: 0,
              lt50: plant.parameters.lt50TenderC + 0.3 * own.hardiness,
              worst: 1,
              grown: 0,
              fixed: 0,
              washed: 0,
            }
            const from = dayNumber(iso) - ensemble.startDay
            for (let i = from - 30; i < from; i++)
              world = {
                ...moveWater(world, weather.waterMm[i], weather.et0Mm[i], 0.2, 0.2),
                mineral: 4.5,
                washed: 0,
              }
            for (let d = 0; d < run.days; d++) {
              const i = from + d
              const day: Day = {
                tMin: weather.tMinC[i],
                tMax: weather.tMaxC[i],
                radiation: weather.radiationMjM2[i],
                et0: weather.et0Mm[i],
                rain: weather.rainMm[i],
                water: weather.waterMm[i],
                soil: weather.soilTempC[i],
                snow: weather.snowMm[i],
                daylight: ensemble.daylightHours[i],
              }
              world = step(world, day, plant, own, run.sown[0].seedsPerM2, run.sown[0].emergenceShare)
            }
            const close = (a: number, b: number, relative: number) =>
              expect(Math.abs(a - b)).toBeLessThanOrEqual(relative * Math.max(1, Math.abs(b)))
            const last = m * run.days + run.days - 1
            close(run.accounts.massIn[m], world.grown, 1e-9)
            close(
              run.accounts.massOut[m],
              world.mass + world.decayed + world.pools.reduce((sum, pool) => sum + pool.mass, 0),
              1e-9,
            )
            close(
              run.accounts.nitrogenOut[m],
              world.mineral +
                world.nitrogen +
                world.microbes +
                world.washed +
                world.pools.reduce((sum, pool) => sum + pool.nitrogen, 0),
              1e-9,
            )
            close(run.massG[last], world.mass, 1e-6)
            close(run.cover[last], world.cover, 1e-6)
            close(run.fixedG[last], world.fixed, 1e-6)
            close(run.species[0].alive[last], world.up ? world.alive : 0, 1e-6)
          }
        },
      ),
      { numRuns: 40 },
    )
  })
})
