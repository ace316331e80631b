/**
 * What is asked of the seed of each cover (extension guides; depths ± a third): how deep it should lie, cm, and the share of
 * it that is pure and germinates in the seed that published rates are for, 0–1. A rate is corrected by how own seed differs
 * from that, never by all that it lacks. Small clovers are sold with hard seed, old kinds with more that fails.
 */
export type SeedFacts = { depthCm: { low: number; high: number }; usualQuality: number }

const facts = (low: number, high: number, usualQuality = 0.85): SeedFacts => ({
  depthCm: { low, high },
  usualQuality,
})

export const SEED_FACTS: Readonly<Record<string, SeedFacts>> = {
  'cereal-rye': facts(2, 5),
  triticale: facts(2, 5),
  'winter-wheat': facts(2, 5),
  'winter-barley': facts(2, 5),
  oats: facts(1.5, 4),
  'black-oat': facts(1.5, 4),
  'spring-barley': facts(2, 5),
  'annual-ryegrass': facts(0.5, 1.5),
  'sorghum-sudangrass': facts(1.5, 4),
  sudangrass: facts(1.5, 3),
  'pearl-millet': facts(1, 2.5, 0.8),
  'foxtail-millet': facts(1, 2.5, 0.8),
  'hairy-vetch': facts(1.5, 4),
  'common-vetch': facts(2, 5),
  'winter-pea': facts(3, 7),
  'field-pea': facts(3, 7),
  'faba-bean': facts(4, 8),
  'white-lupin': facts(2, 4),
  'crimson-clover': facts(0.5, 1.5),
  'red-clover': facts(0.5, 1.2, 0.8),
  'white-clover': facts(0.3, 1, 0.8),
  'berseem-clover': facts(0.5, 1.2),
  'subterranean-clover': facts(0.5, 1.5, 0.8),
  alfalfa: facts(0.5, 1.5, 0.8),
  sweetclover: facts(0.5, 1.5, 0.8),
  cowpea: facts(2.5, 5),
  soybean: facts(2.5, 5),
  'sunn-hemp': facts(1.5, 3),
  lablab: facts(2.5, 6),
  'oilseed-radish': facts(1, 2.5),
  'tillage-radish': facts(1, 2.5),
  'white-mustard': facts(0.5, 2),
  'brown-mustard': facts(0.5, 1.5),
  'winter-rape': facts(1, 2.5),
  turnip: facts(0.5, 1.5),
  buckwheat: facts(1.5, 4),
  phacelia: facts(0.5, 1.5, 0.8),
  sunflower: facts(2.5, 6),
  flax: facts(1, 2.5),
  'winter-spinach': facts(1, 2.5, 0.8),
  'corn-salad': facts(0.5, 1.5, 0.75),
}
