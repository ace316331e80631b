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

/** Seedlings of covers and of the weeds and volunteers that are taken for them. */
export const SEEDLING_FORMS: readonly SeedlingForm[] = [
  { id: 'cereal', name: 'Cereal', seedLeaves: 'blade', firstLeaf: 'blade', size: 1.1, hairy: false, tell: 'One broad, upright blade, often twisted; pull gently: the grain still hangs on.' },
  { id: 'ryegrass', name: 'Ryegrass', seedLeaves: 'blade', firstLeaf: 'fine blade', size: 0.8, hairy: false, tell: 'Thin blades, shiny beneath, base reddish; grain too small to find.' },
  { id: 'sorghum', name: 'Sorghum or millet', seedLeaves: 'blade', firstLeaf: 'blade', size: 1.2, hairy: false, tell: 'Broad soft blade with a wavy edge, round at the tip; base often purple.' },
  { id: 'meadow grass', name: 'Annual meadow-grass (weed)', seedLeaves: 'blade', firstLeaf: 'fine blade', size: 0.6, hairy: false, tell: 'Leaf tip like the bow of a boat; soft, pale, in tufts where no seed was thrown.' },
  { id: 'clover', name: 'Clover', seedLeaves: 'oval', firstLeaf: 'single then three', size: 0.7, hairy: false, tell: 'Small oval seed leaves, then one round leaf on its own, then leaves in threes.' },
  { id: 'alfalfa', name: 'Alfalfa or sweetclover', seedLeaves: 'oval', firstLeaf: 'single then three', size: 0.75, hairy: false, tell: 'As clover, but the middle leaflet of three sits on a stalk of its own.' },
  { id: 'medick', name: 'Black medick (weed)', seedLeaves: 'oval', firstLeaf: 'three', size: 0.6, hairy: true, tell: 'As clover, but each leaflet ends in a small point and hairs cover it.' },
  { id: 'chickweed', name: 'Chickweed (weed)', seedLeaves: 'narrow', firstLeaf: 'smooth', size: 0.6, hairy: false, tell: 'Narrow pointed seed leaves, leaves in pairs; one line of hairs along the stem.' },
  { id: 'vetch', name: 'Vetch', seedLeaves: 'none', firstLeaf: 'pairs and tendril', size: 0.9, hairy: false, tell: 'No seed leaves above ground; thin stem, narrow leaflets in pairs, a point or tendril at the end.' },
  { id: 'pea', name: 'Pea', seedLeaves: 'none', firstLeaf: 'pairs and tendril', size: 1.2, hairy: false, tell: 'No seed leaves above ground; thick waxy stem clasped by a pair of round leaves.' },
  { id: 'faba', name: 'Faba bean or lupin', seedLeaves: 'none', firstLeaf: 'fingers', size: 1.4, hairy: false, tell: 'Thick square stem or a hand of leaflets; large seed found below.' },
  { id: 'bean', name: 'Cowpea, soybean or bean', seedLeaves: 'oval', firstLeaf: 'three', size: 1.2, hairy: false, tell: 'Thick seed leaves lifted high, two simple leaves, then threes.' },
  { id: 'brassica', name: 'Mustard or rape', seedLeaves: 'heart', firstLeaf: 'lobed', size: 0.9, hairy: true, tell: 'Seed leaves broad hearts with a notch; first true leaf bristly in mustard and turnip, smooth and bluish in rape.' },
  { id: 'radish', name: 'Radish', seedLeaves: 'heart', firstLeaf: 'lobed', size: 1.1, hairy: true, tell: 'Large deep-notched hearts on a reddish stalk; first leaf rough with lobes at its base.' },
  { id: 'charlock', name: 'Charlock (weed)', seedLeaves: 'kidney', firstLeaf: 'lobed', size: 0.8, hairy: true, tell: 'Like mustard but smaller, dark, and outside the thrown pattern; stem bristles point down.' },
  { id: 'buckwheat', name: 'Buckwheat', seedLeaves: 'kidney', firstLeaf: 'arrow', size: 1, hairy: false, tell: 'Wide kidney-shaped seed leaves on a red stalk, then an arrowhead.' },
  { id: 'bindweed', name: 'Black bindweed (weed)', seedLeaves: 'narrow', firstLeaf: 'arrow', size: 0.8, hairy: false, tell: 'Arrowhead leaf like buckwheat’s, but narrow seed leaves, and it twines.' },
  { id: 'phacelia', name: 'Phacelia', seedLeaves: 'narrow', firstLeaf: 'ferny', size: 0.8, hairy: true, tell: 'Long narrow seed leaves, then hairy, fern-like leaves.' },
  { id: 'mayweed', name: 'Mayweed (weed)', seedLeaves: 'round', firstLeaf: 'ferny', size: 0.5, hairy: false, tell: 'Tiny round seed leaves, leaf in fine threads without hairs; smells when crushed.' },
  { id: 'sunflower', name: 'Sunflower', seedLeaves: 'oval', firstLeaf: 'smooth', size: 1.3, hairy: true, tell: 'Thick oval seed leaves lifting the husk, then rough pointed leaves.' },
  { id: 'flax', name: 'Flax', seedLeaves: 'oval', firstLeaf: 'smooth', size: 0.8, hairy: false, tell: 'Small oval seed leaves, then narrow smooth leaves close up the stem.' },
  { id: 'leaf', name: 'Spinach or corn salad', seedLeaves: 'narrow', firstLeaf: 'smooth', size: 0.8, hairy: false, tell: 'Smooth seed leaves (long in spinach, round in corn salad), then a flat rosette.' },
  { id: 'goosefoot', name: 'Fat hen (weed)', seedLeaves: 'narrow', firstLeaf: 'mealy', size: 0.7, hairy: false, tell: 'Narrow seed leaves, purple beneath; first leaves dusted with white meal.' },
]
