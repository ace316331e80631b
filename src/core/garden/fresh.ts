import type { Check } from './check'
import type { Bed, Garden, Stand } from './schema'
import type { Home, SiteClimate } from './site'
import { USUAL_RULES } from './usualRules'

/** What a garden says before its grower has said more. */
export const FRESH_GARDEN = {
  begunOn: null,
  animals: [],
  seedAtHand: [],
  resistantSeed: [],
  jobMarks: [],
  away: [],
  outlook: [],
  sowers: [],
  packs: [],
  livestock: [],
  nitrogenSources: [],
  mulch: [],
  mulchLaid: [],
  rules: USUAL_RULES,
} satisfies Partial<Garden>

/** A bed of which no trouble, feed or fixture is known. */
export const FRESH_BED = { troubles: [], spreads: [], fixtures: [], stoodBefore: null } satisfies Partial<Bed>

/** A stand of which nothing but its start and end is known. */
export const FRESH_STAND = {
  underStandId: null,
  follows: null,
  cuts: [],
  waterings: [],
  followUps: [],
  finishings: [],
  note: '',
} satisfies Partial<Stand>

/** A look at which nothing was looked at yet. */
export const FRESH_CHECK = {
  stageBbch: null,
  cover: null,
  heightCm: null,
  damage: [],
  pictureIds: [],
  setAside: false,
  note: '',
} satisfies Partial<Check>

/** Normals that say nothing of warming since, or of how far single days lie from them. */
export const USUAL_CLIMATE = {
  warmingCPerDecade: 0,
  spreadC: null,
  daySpread: 1,
} satisfies Partial<SiteClimate>

/** A home of which the table is left to say everything. */
export const FRESH_HOME = {
  town: '',
  country: '',
  longitude: null,
  seaKm: null,
  winterC: 0,
  summerC: 0,
  rain: 1,
  lastFrost: null,
  firstFrost: null,
  coldestC: null,
  hottestHighC: null,
  hottestLowC: null,
} satisfies Home
