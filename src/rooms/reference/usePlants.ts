import { useMemo, useState } from 'react'
import { SPECIES } from '../../core/plants/catalogue'
import { rootKnotOf } from '../../core/plants/nematodes'
import type { PlantGroup, Species } from '../../core/plants/parameters'

export type PlantFilter = {
  text: string
  group: PlantGroup | 'any'
  season: Species['season'] | 'any'
  /** A property that must hold. */
  only: keyof typeof PROPERTIES | 'any'
}

/** Things growers look covers up for. */
export const PROPERTIES = {
  fixes: { label: 'fixes nitrogen', holds: (plant: Species) => plant.parameters.fixationShare > 0 },
  hardy: { label: 'lives through hard frost', holds: (plant: Species) => plant.parameters.lt50HardyC <= -12 },
  dies: { label: 'dies in frost', holds: (plant: Species) => plant.parameters.lt50HardyC > -8 },
  flowers: { label: 'feeds insects', holds: (plant: Species) => plant.flowerValue >= 2 },
  eaten: { label: 'can be eaten', holds: (plant: Species) => plant.edible !== null },
  roots: { label: 'opens hard ground', holds: (plant: Species) => plant.rootPower === 3 },
  nematodes: {
    label: 'sets root-knot nematodes back',
    holds: (plant: Species, named: readonly string[]) => rootKnotOf(plant, named) === 'sets back',
  },
  safe: {
    label: 'poisonous to no animal',
    holds: (plant: Species) => plant.harms.every((harm) => harm.level !== 'avoid'),
  },
  low: { label: 'stays knee-high or lower', holds: (plant: Species) => plant.parameters.heightM <= 0.6 },
} as const

export type SortKey = 'name' | 'hardy' | 'height' | 'seed' | 'rate'

const SORTS: Record<SortKey, (a: Species, b: Species) => number> = {
  name: (a, b) => a.name.localeCompare(b.name),
  hardy: (a, b) => a.parameters.lt50HardyC - b.parameters.lt50HardyC,
  height: (a, b) => a.parameters.heightM - b.parameters.heightM,
  seed: (a, b) => a.parameters.thousandSeedG - b.parameters.thousandSeedG,
  rate: (a, b) => a.parameters.drillKgHa - b.parameters.drillKgHa,
}

/** The catalogue as searched, filtered and sorted; `named` are covers of which the seed is named resistant to nematodes. */
export function usePlants(named: readonly string[]) {
  const [filter, setFilter] = useState<PlantFilter>({ text: '', group: 'any', season: 'any', only: 'any' })
  const [sort, setSort] = useState<SortKey>('name')
  const plants = useMemo(() => filterPlants(SPECIES, filter, named).sort(SORTS[sort]), [filter, named, sort])
  return {
    plants,
    filter,
    sort,
    setSort,
    change: (part: Partial<PlantFilter>) => setFilter({ ...filter, ...part }),
  }
}

export function filterPlants(
  species: readonly Species[],
  { text, group, season, only }: PlantFilter,
  named: readonly string[] = [],
): Species[] {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean)
  return species.filter((plant) => {
    const told = `${plant.name} ${plant.scientificName} ${plant.family} ${plant.group}`.toLowerCase()
    return (
      words.every((word) => told.includes(word)) &&
      (group === 'any' || plant.group === group) &&
      (season === 'any' || plant.season === season) &&
      (only === 'any' || PROPERTIES[only].holds(plant, named))
    )
  })
}
