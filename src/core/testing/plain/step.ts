import type { CanopyAbove, StandEvent } from '../../stand/types'
import { happen, smothered, type Befalling } from './happenings'
import { feed, lightOf, live } from './plants'
import { weathered } from './weathered'
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
    'sheet' in one && one.sheet && one.day <= number && number < one.sheet.offDay ? [one.sheet] : [],
  )[0]
  const kind = sheet?.kind
  const tight = kind === 'black' || kind === 'clear'
  const sheetedC = kind === 'black' ? 2 : kind === 'clear' ? 5 : 0
  const ground = day.soil + sheetedC
  const lets = kind === undefined ? 1 : kind === 'clear' ? 0.85 : 0
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
  const shared = {
    light: lit.light,
    canopyMass,
    canopyLeaf,
    waterLimit,
    soilC,
    sheetedC,
    days: number - sowDay,
  }
  let world = sown.reduce((before, one, c) => live(before, c, day, one, own.species[c], shared), lit.world)
  world = feed(world, sown)
  world = sown.reduce((before, one, c) => weathered(before, c, day, one, own.species[c], shared), world)
  for (const event of events.filter((one) => one.day === number)) world = happen(world, event, around)
  if (sheet) world = smothered(world, sheet, day, around)
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
