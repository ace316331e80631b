import type { Species } from '../../plants/parameters'
import { bbchBy } from '../../stand/stage'
import type { WeatherEnsemble } from '../../site/weather'
import type { Fates, Sheeted } from '../../stand/fate'
import type { StandEvent } from '../../stand/types'
import { lethal, withPlant } from './plants'
import { laid, SEED_CAPACITY, sum, type Day, type Sown, type World } from './world'

/** Takes growth off a species; after a deep cut plants that put up new shoots begin anew with them. */
function take(
  start: World,
  c: number,
  plant: Species,
  share: number,
  goneShare: number,
  left: number,
): World {
  if (share <= 0) return start
  const { mass, nitrogen, lai, age, up, height } = start.plants[c]
  const again =
    plant.perennial ||
    plant.endingClass === 'ryegrass' ||
    plant.endingClass === 'sorghum' ||
    (plant.group === 'grass' && age < plant.parameters.t51Cd)
  const [massOff, nitrogenOff] = [mass * share, nitrogen * share]
  const world = {
    ...start,
    surface: laid(start.surface, massOff * (1 - goneShare), nitrogenOff * (1 - goneShare)),
    gone: {
      mass: start.gone.mass + massOff * goneShare,
      nitrogen: start.gone.nitrogen + nitrogenOff * goneShare,
    },
  }
  return withPlant(world, c, {
    mass: mass - massOff,
    nitrogen: nitrogen - nitrogenOff,
    lai: lai * (1 - share),
    ...(left < height && { height: left, stubble: left, stubbleMass: mass - massOff }),
    ...(share > 0.5 && { age: again ? Math.min(age, 0.6 * plant.parameters.t31Cd) : age, up: 2 }),
    ...(share <= 0.5 && { up }),
  })
}

function bring(
  world: World,
  to: 'surface' | 'buried',
  { massG, nitrogenG }: { massG: number; nitrogenG: number },
) {
  const brought = { mass: world.brought.mass + massG, nitrogen: world.brought.nitrogen + nitrogenG }
  return { ...world, [to]: laid(world[to], massG, nitrogenG), brought }
}

/** What decides how an event befalls a member's stand. */
export type Befalling = { sown: readonly Sown[]; fates: Fates; member: number; ensemble: WeatherEnsemble }

export function happen(start: World, event: StandEvent, { sown, fates, member, ensemble }: Befalling): World {
  if (event.kind === 'mulch') return bring(start, 'surface', event)
  if (event.kind === 'corrected') {
    const { factor } = event
    return start.plants.reduce((world, { up, mass, nitrogen, lai }, c) => {
      if (up === 0) return world
      const set = withPlant(world, c, {
        mass: mass * factor,
        nitrogen: nitrogen * factor,
        lai: lai * factor,
      })
      return { ...set, grown: set.grown + mass * (factor - 1) }
    }, start)
  }
  let world = start
  if ('sheet' in event && event.sheet)
    world = { ...world, plants: world.plants.map((plant) => ({ ...plant, smother: 0 })) }
  if (event.kind === 'sheet') return world
  const standing = sum(start.plants.map(({ mass }) => mass))
  sown.forEach(({ plant }, c) => {
    if (event.kind === 'cut' && event.only !== undefined && event.only !== c) return
    const p = plant.parameters
    const { up, age, alive, height } = world.plants[c]
    const bbch = up === 2 ? bbchBy(age, world.plants[c].warmth, p) : 0
    const lives = fates.outlives(event.kind === 'graze' ? { by: 'animals', ...event.passing } : event.fate, {
      plant,
      component: c,
      bbch,
      alive,
      massG: standing,
      member,
      ensemble,
    })
    if (up === 0) {
      if (event.kind === 'end' && lives < 0.005) world = withPlant(world, c, { heat: -Infinity })
    } else if (event.kind === 'end')
      world = take(lethal(world, c, 1 - lives), c, plant, 1 - event.topLeft, 0, height * event.topLeft)
    else if (event.kind === 'graze')
      world = lethal(
        take(
          world,
          c,
          plant,
          fates.taken(event.passing, standing),
          event.eaten,
          height * (1 - fates.taken(event.passing, standing)),
        ),
        c,
        1 - lives,
      )
    else {
      const above = height <= event.heightM ? 0 : 1 - (event.heightM / height) ** 0.7
      const share = event.groundShare * above
      world = lethal(
        take(world, c, plant, share, event.left ? 0 : 1, event.groundShare > 0.5 ? event.heightM : height),
        c,
        share > 0 ? event.groundShare * (1 - lives) : 0,
      )
    }
  })
  if (event.kind === 'cut') return world
  if (event.kind === 'graze') world = bring(world, 'buried', event.droppings)
  const carry = (share: number, kept: boolean) => {
    const moved = world.surface.pools.map((pool) => ({
      mass: pool.mass * share,
      nitrogen: pool.nitrogen * share,
    }))
    const { gone, buried, surface } = world
    const left = surface.pools.map(({ mass, nitrogen }, i) => ({
      mass: mass - moved[i].mass,
      nitrogen: nitrogen - moved[i].nitrogen,
    }))
    const under = buried.pools.map(({ mass, nitrogen }, i) => ({
      mass: mass + moved[i].mass,
      nitrogen: nitrogen + moved[i].nitrogen,
    }))
    world = {
      ...world,
      surface: { ...surface, pools: left },
      ...(kept
        ? { buried: { ...buried, pools: under } }
        : {
            gone: {
              mass: gone.mass + sum(moved.map(({ mass }) => mass)),
              nitrogen: gone.nitrogen + sum(moved.map(({ nitrogen }) => nitrogen)),
            },
          }),
    }
  }
  if (event.kind === 'end' && event.removed) carry(event.removed, false)
  if (event.buried) carry(event.buried, true)
  return world
}

/** A day under a sheet: of what lives the dose leaves 0.05 to the power of its share of the dose needed. */
export function smothered(
  start: World,
  sheet: Sheeted,
  { tMin, tMax, radiation }: Day,
  { sown, fates, member }: Befalling,
): World {
  const dose =
    sheet.kind === 'clear' ? Math.max(0, tMax + 0.85 * radiation - 40) : Math.max(0, (tMin + tMax) / 2 + 4.5)
  return sown.reduce((world, { plant }, c) => {
    const { alive, smother, up, age, warmth } = world.plants[c]
    if (alive <= 0) return world
    const bbch = up === 2 ? bbchBy(age, warmth, plant.parameters) : 0
    const needed = smother || fates.smothers(sheet, { plant, bbch, member }, world.seedLayer / SEED_CAPACITY)
    return lethal(withPlant(world, c, { smother: needed }), c, dose > 0 ? 1 - 0.05 ** (dose / needed) : 0)
  }, start)
}
