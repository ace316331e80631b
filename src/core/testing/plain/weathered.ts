import { physics } from '../../stand/physics'
import { bbchAt } from '../../stand/stage'
import { lethal, lose, withPlant, type Shared } from './plants'
import { limit, type Day, type PlantOwn, type Sown, type Stalk, type World } from './world'

/** What cold, heat and age do to a species in a day. */
export function weathered(
  start: World,
  c: number,
  day: Day,
  { plant }: Sown,
  memberParameters: PlantOwn,
  { soilC, sheetedC, days }: Shared,
): World {
  const p = plant.parameters
  let world = start
  const now = () => world.plants[c]
  const set = (change: Partial<Stalk>) => (world = withPlant(world, c, change))
  if (!now().grew) return world
  const mean = (day.tMin + day.tMax) / 2
  const { age } = now()
  const livesOn = plant.perennial && p.vernalFloor > 0

  const covered = 1 - Math.exp((-0.4 * day.snow) / physics.shelteringCm)
  const reach = p.crownSoilShare / (p.crownSoilShare + 0.2)
  const shelter = p.crownSoilShare + Math.max(0, 0.95 - p.crownSoilShare) * reach * covered
  const crown = shelter * (soilC - sheetedC) + (1 - shelter) * day.tMin
  const lost = limit((age - p.t31Cd) / Math.max(1, p.t61Cd - p.t31Cd), 0, 1)
  const hardest = p.lt50HardyC + (p.lt50TenderC - p.lt50HardyC) * lost
  const lt50 =
    crown < 10
      ? now().lt50 +
        Math.min(0.12, physics.hardeningPerC * (10 - crown)) *
          (hardest - now().lt50) *
          (now().lt50 > hardest ? 1 : 0.5)
      : now().lt50 + Math.min(0.25, physics.softeningPerC * (crown - 10)) * (p.lt50TenderC - now().lt50)
  set({ lt50 })
  const own = lt50 + memberParameters.hardiness
  const night = 1 / (1 + Math.exp(own - crown))
  if (crown < own + 5 && night < now().worst)
    world = withPlant(lethal(world, c, 1 - night / now().worst), c, { worst: night })
  const crowned = livesOn && age >= 0.6 * p.t31Cd
  if (!crowned && plant.group === 'legume' && day.tMin < -2 && day.tMax > 2 && day.snow < 5)
    world = lethal(world, c, physics.heavedShare * Math.exp(-world.plants[c].mass / 20))
  const margin = day.tMin - (own - 3)
  if (margin < 6 && day.tMin < -3) {
    const burnt = Math.min(0.08, 0.015 * (6 - margin))
    const { lai } = now()
    world = withPlant(lose(world, c, burnt / 2, burnt / 2), c, { lai: lai * (1 - burnt) })
  }
  if (day.tMax > p.heatC) world = lethal(world, c, Math.min(0.5, 0.03 * (day.tMax - p.heatC)))
  if (mean > p.growOptHighC)
    world = lethal(world, c, (plant.perennial ? 0.2 : 1) * physics.hotDayLossPerC * (mean - p.growOptHighC))
  if (livesOn && day.daylight < 11 && age === 0.6 * p.t31Cd && mean < 5) {
    const { lai } = now()
    world = withPlant(lose(world, c, 0.015, 0.015 * 0.35), c, { lai: lai * (1 - 0.015) })
  }
  if (plant.yearlyLoss > 0) world = lethal(world, c, 1 - (1 - plant.yearlyLoss) ** (1 / 365))
  if (!plant.perennial && days >= 365) world = lethal(world, c, 1 - 0.2 ** (1 / 365))
  if (!livesOn && bbchAt(age, p) >= 89) world = lethal(world, c, 0.06)
  return world
}
