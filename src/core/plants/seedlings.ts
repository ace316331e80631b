import type { Species } from './parameters'

/** Shapes of seed leaves and first leaves, by which seedlings are drawn and told apart. */
export type SeedLeaves = 'none' | 'blade' | 'round' | 'oval' | 'heart' | 'kidney' | 'narrow'
export type FirstLeaf =
  | 'blade'
  | 'fine blade'
  | 'single then three'
  | 'three'
  | 'pairs and tendril'
  | 'lobed'
  | 'ferny'
  | 'arrow'
  | 'smooth'
  | 'mealy'
  | 'fingers'

export type SeedlingForm = {
  id: string
  name: string
  seedLeaves: SeedLeaves
  firstLeaf: FirstLeaf
  /** Hairs on stem or leaf. */
  hairy: boolean
  /** Height of the drawing against the others, 0.5–1.5. */
  size: number
  /** What to look for, in a few words. */
  tell: string
}

const form = (
  id: string,
  name: string,
  seedLeaves: SeedLeaves,
  firstLeaf: FirstLeaf,
  size: number,
  hairy: boolean,
  tell: string,
): SeedlingForm => ({ id, name, seedLeaves, firstLeaf, size, hairy, tell })

/** Seedlings of covers and of the weeds and volunteers that are taken for them. */
const FORMS: readonly SeedlingForm[] = [
  form(
    'cereal',
    'Cereal',
    'blade',
    'blade',
    1.1,
    false,
    'One broad, upright blade, often twisted; pull gently: the grain still hangs on.',
  ),
  form(
    'ryegrass',
    'Ryegrass',
    'blade',
    'fine blade',
    0.8,
    false,
    'Thin blades, shiny beneath, base reddish; grain too small to find.',
  ),
  form(
    'sorghum',
    'Sorghum or millet',
    'blade',
    'blade',
    1.2,
    false,
    'Broad soft blade with a wavy edge, round at the tip; base often purple.',
  ),
  form(
    'meadow grass',
    'Annual meadow-grass (weed)',
    'blade',
    'fine blade',
    0.6,
    false,
    'Leaf tip like the bow of a boat; soft, pale, in tufts where no seed was thrown.',
  ),
  form(
    'clover',
    'Clover',
    'oval',
    'single then three',
    0.7,
    false,
    'Small oval seed leaves, then one round leaf on its own, then leaves in threes.',
  ),
  form(
    'alfalfa',
    'Alfalfa or sweetclover',
    'oval',
    'single then three',
    0.75,
    false,
    'As clover, but the middle leaflet of three sits on a stalk of its own.',
  ),
  form(
    'medick',
    'Black medick (weed)',
    'oval',
    'three',
    0.6,
    true,
    'As clover, but each leaflet ends in a small point and hairs cover it.',
  ),
  form(
    'chickweed',
    'Chickweed (weed)',
    'narrow',
    'smooth',
    0.6,
    false,
    'Narrow pointed seed leaves, leaves in pairs; one line of hairs along the stem.',
  ),
  form(
    'vetch',
    'Vetch',
    'none',
    'pairs and tendril',
    0.9,
    false,
    'No seed leaves above ground; thin stem, narrow leaflets in pairs, a point or tendril at the end.',
  ),
  form(
    'pea',
    'Pea',
    'none',
    'pairs and tendril',
    1.2,
    false,
    'No seed leaves above ground; thick waxy stem clasped by a pair of round leaves.',
  ),
  form(
    'faba',
    'Faba bean or lupin',
    'none',
    'fingers',
    1.4,
    false,
    'Thick square stem or a hand of leaflets; large seed found below.',
  ),
  form(
    'bean',
    'Cowpea, soybean or bean',
    'oval',
    'three',
    1.2,
    false,
    'Thick seed leaves lifted high, two simple leaves, then threes.',
  ),
  form(
    'brassica',
    'Mustard or rape',
    'heart',
    'lobed',
    0.9,
    true,
    'Seed leaves broad hearts with a notch; first true leaf bristly in mustard and turnip, smooth and bluish in rape.',
  ),
  form(
    'radish',
    'Radish',
    'heart',
    'lobed',
    1.1,
    true,
    'Large deep-notched hearts on a reddish stalk; first leaf rough with lobes at its base.',
  ),
  form(
    'charlock',
    'Charlock (weed)',
    'kidney',
    'lobed',
    0.8,
    true,
    'Like mustard but smaller, dark, and outside the thrown pattern; stem bristles point down.',
  ),
  form(
    'buckwheat',
    'Buckwheat',
    'kidney',
    'arrow',
    1,
    false,
    'Wide kidney-shaped seed leaves on a red stalk, then an arrowhead.',
  ),
  form(
    'bindweed',
    'Black bindweed (weed)',
    'narrow',
    'arrow',
    0.8,
    false,
    'Arrowhead leaf like buckwheat’s, but narrow seed leaves, and it twines.',
  ),
  form(
    'phacelia',
    'Phacelia',
    'narrow',
    'ferny',
    0.8,
    true,
    'Long narrow seed leaves, then hairy, fern-like leaves.',
  ),
  form(
    'mayweed',
    'Mayweed (weed)',
    'round',
    'ferny',
    0.5,
    false,
    'Tiny round seed leaves, leaf in fine threads without hairs; smells when crushed.',
  ),
  form(
    'sunflower',
    'Sunflower',
    'oval',
    'smooth',
    1.3,
    true,
    'Thick oval seed leaves lifting the husk, then rough pointed leaves.',
  ),
  form(
    'flax',
    'Flax',
    'oval',
    'smooth',
    0.8,
    false,
    'Small oval seed leaves, then narrow smooth leaves close up the stem.',
  ),
  form(
    'leaf',
    'Spinach or corn salad',
    'narrow',
    'smooth',
    0.8,
    false,
    'Smooth seed leaves (long in spinach, round in corn salad), then a flat rosette.',
  ),
  form(
    'goosefoot',
    'Fat hen (weed)',
    'narrow',
    'mealy',
    0.7,
    false,
    'Narrow seed leaves, purple beneath; first leaves dusted with white meal.',
  ),
]

const byId = new Map(FORMS.map((entry) => [entry.id, entry]))
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
