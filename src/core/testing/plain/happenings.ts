import type { SpeciesParameters } from '../../plants/parameters'
import { bbchAt } from '../../stand/stage'
import type { WeatherEnsemble } from '../../site/weather'
import type { Fates } from '../../stand/fate'
import type { StandEvent } from '../../stand/types'
import { lethal, withPlant } from './plants'
import { laid, sum, type Sown, type World } from './world'

/** Takes growth off a species; a deep cut sets its stage back. */
function take(start: World, c: number, p: SpeciesParameters, share: number, goneShare: number): World {
  if (share <= 0) return start
  const { mass, nitrogen, lai, age, up } = start.plants[c]
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
    ...(share > 0.5 && { age: Math.min(age, 0.6 * p.t31Cd), up: 2 }),
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
  if (event.kind === 'sheet') return start
  let world = start
  const standing = sum(start.plants.map(({ mass }) => mass))
  sown.forEach(({ plant }, c) => {
    if (event.kind === 'cut' && event.only !== undefined && event.only !== c) return
    const p = plant.parameters
    const { up, age, alive, height } = world.plants[c]
    const bbch = up === 2 ? bbchAt(age, p) : 0
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
    } else if (event.kind === 'end') world = take(lethal(world, c, 1 - lives), c, p, 1 - event.topLeft, 0)
    else if (event.kind === 'graze')
      world = lethal(take(world, c, p, fates.taken(event.passing, standing), event.eaten), c, 1 - lives)
    else {
      const above = height <= event.heightM ? 0 : 1 - (event.heightM / height) ** 0.7
      const share = event.groundShare * above
      world = lethal(
        take(world, c, p, share, event.left ? 0 : 1),
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
