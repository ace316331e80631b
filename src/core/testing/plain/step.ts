import type { CanopyAbove, StandEvent } from '../../stand/types'
import { happen, type Befalling } from './happenings'
import { lightOf, live } from './plants'
import { massOf, moveWater, ROOT_CAPACITY, rot, sum, type Day, type MemberOwn, type World } from './world'

/** What lies about a day of the plain step besides its weather. */
export type Around = Befalling & {
  own: MemberOwn
  events: readonly StandEvent[]
  above: CanopyAbove | null
  sowDay: number
}

/** A day, by its number. */
export function plainStep(start: World, number: number, day: Day, around: Around): World {
  const { sown, own, events, above, sowDay } = around
  const residue = massOf(start.surface)
  const sheet = events.flatMap((one) =>
    'sheet' in one && one.sheet && one.day <= number && number < one.sheet.offDay ? [one.sheet.kind] : [],
  )[0]
  const tight = sheet === 'black' || sheet === 'clear'
  const ground = day.soil + (sheet === 'black' ? 2 : sheet === 'clear' ? 5 : 0)
  const lets = sheet === undefined ? 1 : sheet === 'clear' ? 0.85 : 0
  const soilC = ground - 0.12 * start.cover * Math.max(0, ground - 8)
  const waterLimit = Math.min(1, start.rootZone / ROOT_CAPACITY / 0.45)
  const released = soilC <= 0 ? 0 : own.release * 0.055 * 2 ** ((soilC - 20) / 10)
  const aboveLives = above !== null && start.aboveLives && day.tMin > above.frostC
  const shade = aboveLives ? (above.shares[number - above.fromDay] ?? 0) : 0
  const lit = lightOf(
    { ...start, aboveLives, mineral: start.mineral + released },
    sown,
    day.radiation * 0.5 * lets * (1 - shade),
  )
  const canopyMass = sum(start.plants.filter(({ lai }) => lai > 0).map(({ mass }) => mass))
  const canopyLeaf = sum(
    start.plants.map(({ lai }, c) => (lai > 0 ? sown[c].plant.parameters.extinction * lai : 0)),
  )
  const shared = { light: lit.light, canopyMass, canopyLeaf, waterLimit, soilC, days: number - sowDay }
  let world = sown.reduce((before, one, c) => live(before, c, day, one, own.species[c], shared), lit.world)
  for (const event of events.filter((one) => one.day === number)) world = happen(world, event, around)
  const wetness = tight
    ? world.wetness + 0.15 * (waterLimit - world.wetness)
    : Math.min(1, world.wetness * 0.82 + Math.min(1, day.rain / 5) * 0.6)
  const top = rot(world.surface, world.mineral, soilC, wetness, 0.76)
  const under = rot(world.buried, top.mineral, soilC, 0.75, 1)
  const leaf = sum(world.plants.map(({ lai }, c) => sown[c].plant.parameters.extinction * lai))
  const cover = 1 - Math.exp(-1.1 * leaf)
  world = { ...world, wetness, cover, surface: top.layer, buried: under.layer, mineral: under.mineral }
  const hidden = Math.min(1, cover + (1 - Math.exp(-0.0045 * residue)))
  return tight ? moveWater(world, 0, 0, cover, hidden) : moveWater(world, day.water, day.et0, cover, hidden)
}
