import type { Species } from './parameters'
import { SEEDLING_FORMS, type SeedlingForm } from './seedlingForms'

const byId = new Map(SEEDLING_FORMS.map((entry) => [entry.id, entry]))
const formOf = (id: string): SeedlingForm => byId.get(id)!

/** Seedlings most often taken for one another. */
const LOOKALIKES: Record<string, readonly string[]> = {
  cereal: ['ryegrass', 'meadow grass'],
  ryegrass: ['cereal', 'meadow grass'],
  sorghum: ['cereal', 'meadow grass'],
  clover: ['medick', 'chickweed'],
  alfalfa: ['clover', 'medick'],
  vetch: ['pea', 'medick'],
  pea: ['vetch'],
  faba: ['pea', 'bean'],
  bean: ['faba', 'sunflower'],
  brassica: ['radish', 'charlock'],
  radish: ['brassica', 'charlock'],
  buckwheat: ['bindweed', 'charlock'],
  phacelia: ['mayweed'],
  sunflower: ['bean', 'goosefoot'],
  flax: ['chickweed', 'goosefoot'],
  leaf: ['goosefoot', 'chickweed'],
}

const OF_CLASS: Partial<Record<Species['endingClass'], string>> = {
  'winter cereal': 'cereal',
  'spring cereal': 'cereal',
  ryegrass: 'ryegrass',
  sorghum: 'sorghum',
  millet: 'sorghum',
  vetch: 'vetch',
  pea: 'pea',
  faba: 'faba',
  'warm legume': 'bean',
  brassica: 'brassica',
  radish: 'radish',
  buckwheat: 'buckwheat',
  phacelia: 'phacelia',
  'leaf rosette': 'leaf',
}
const OF_SPECIES: Record<string, string> = {
  alfalfa: 'alfalfa',
  sweetclover: 'alfalfa',
  'white-lupin': 'faba',
  sunflower: 'sunflower',
  flax: 'flax',
}

/** How a species looks when it comes up, and what it is taken for. */
export function seedlingOf(plant: Species): { own: SeedlingForm; lookalikes: SeedlingForm[] } {
  const id =
    OF_SPECIES[plant.id] ?? OF_CLASS[plant.endingClass] ?? (plant.group === 'legume' ? 'clover' : 'leaf')
  return { own: formOf(id), lookalikes: (LOOKALIKES[id] ?? []).map(formOf) }
}
