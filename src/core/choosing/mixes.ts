import { findSpecies } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import type { Candidate, MixComponent } from './types'

/** What a species does in a mix. Two of one role only compete. */
export type Role = 'carrier' | 'climber' | 'low legume' | 'upright legume' | 'taproot' | 'quick' | 'flower'

export function roleOf(plant: Species): Role {
  if (plant.group === 'legume')
    return plant.habit === 'climbing'
      ? 'climber'
      : plant.habit === 'spreading'
        ? 'low legume'
        : 'upright legume'
  if (plant.group === 'grass') return 'carrier'
  if (plant.rootPower === 3) return 'taproot'
  return plant.flowerValue === 3 ? 'flower' : 'quick'
}

/** Straight species taken into mixes at most. */
const POOL = 9
/** Mixes of each size tried with their starting shares. */
const TRIED: Readonly<Record<number, number>> = { 2: 14, 3: 8, 4: 4, 5: 2 }
export const MIX_SIZES = Object.keys(TRIED).map(Number)

/** Whether species belong together: one season, no role twice, climbers with something to climb. */
export function goesTogether(plants: readonly Species[]): boolean {
  const roles = plants.map(roleOf)
  if (new Set(roles).size !== roles.length) return false
  if (
    new Set(plants.map((plant) => plant.season)).size > 1 &&
    !plants.some((plant) => plant.id === 'buckwheat')
  )
    return false
  const carried = plants.some((plant) => roleOf(plant) === 'carrier' || plant.parameters.heightM >= 1.1)
  return !roles.includes('climber') || carried
}

/** Starting shares: legumes keep more of their rate than grasses, which otherwise shade them out; sums 1–1.3. */
export function startingShares(plants: readonly Species[]): MixComponent[] {
  const weight = (plant: Species) => (plant.group === 'grass' ? 0.75 : plant.group === 'legume' ? 1.1 : 0.7)
  const total = plants.reduce((sum, plant) => sum + weight(plant), 0)
  const sum = plants.length === 2 ? 1.1 : 1.25
  return plants.map((plant) => ({
    speciesId: plant.id,
    share: Math.round(((weight(plant) / total) * sum) / 0.05) * 0.05,
  }))
}

/**
 * Compositions of two to five worth trying, from the straight species that fit, by their number of species, most promising
 * first.
 */
export function proposeMixes(straight: readonly Candidate[]): MixComponent[][][] {
  const pool = straight.slice(0, POOL)
  // The best of each role comes along even where it does not lead the list.
  for (const candidate of straight.slice(POOL)) {
    const role = roleOf(findSpecies(candidate.components[0].speciesId)!)
    if (!pool.some((other) => roleOf(findSpecies(other.components[0].speciesId)!) === role))
      pool.push(candidate)
  }
  const plants = pool.map((candidate) => findSpecies(candidate.components[0].speciesId)!)
  const scoreOf = new Map(pool.map((candidate) => [candidate.components[0].speciesId, candidate.score]))
  let sets: Species[][] = plants.map((plant) => [plant])
  const proposed: MixComponent[][][] = []
  for (const size of MIX_SIZES) {
    const seen = new Set<string>()
    const grown = sets.flatMap((set) =>
      plants.flatMap((plant) => {
        if (set.includes(plant)) return []
        const next = [...set, plant]
        const key = next
          .map(({ id }) => id)
          .sort()
          .join('+')
        if (seen.has(key) || !goesTogether(next)) return []
        seen.add(key)
        return [next]
      }),
    )
    grown.sort((a, b) => promise(b, scoreOf) - promise(a, scoreOf))
    sets = grown.slice(0, TRIED[size])
    proposed.push(sets.map(startingShares))
  }
  return proposed
}

const promise = (plants: readonly Species[], scoreOf: ReadonlyMap<string, number>) =>
  plants.reduce((sum, plant) => sum + (scoreOf.get(plant.id) ?? 0), 0) / plants.length +
  0.05 * new Set(plants.map((plant) => plant.group)).size

/** Step by which shares are moved in the search, and the range of their sum. */
const STEP = 0.15
const LEAST_SHARE = 0.1
const SUM = { low: 0.9, high: 1.5 }

/** Neighbours of a composition: one share up or down, or moved from one species to another. */
export function neighbours(components: readonly MixComponent[]): MixComponent[][] {
  const changed: MixComponent[][] = []
  const add = (shares: number[]) => {
    const sum = shares.reduce((a, b) => a + b, 0)
    if (
      shares.every((share) => share >= LEAST_SHARE && share <= 1) &&
      sum >= SUM.low - 1e-9 &&
      sum <= SUM.high + 1e-9
    )
      changed.push(
        components.map((component, i) => ({ ...component, share: Math.round(shares[i] * 100) / 100 })),
      )
  }
  const shares = components.map((component) => component.share)
  for (let i = 0; i < shares.length; i++)
    for (let j = 0; j < shares.length; j++)
      if (i !== j) add(shares.map((share, k) => (k === i ? share + STEP : k === j ? share - STEP : share)))
  for (let i = 0; i < shares.length; i++) add(shares.map((share, k) => (k === i ? share - STEP : share)))
  return changed
}
