import type { AnimalPlan, EndMethodId, OwnResults } from '../garden/ending'
import type { Bed } from '../garden/schema'
import type { Species } from '../plants/parameters'
import type { WeatherEnsemble } from '../site/weather'

/** Animals that pass over a plot in one of their rounds. */
export type Passing = { plan: AnimalPlan; plotM2: number; round: number }

/** What an ending is finished under. */
export type SheetKind = 'black' | 'clear' | 'cardboard'

/**
 * A sheet that is laid until the first day it is off: how it lies, and with an ending the way it belongs to and the garden's own
 * counts, which stretch or shorten the dose.
 */
export type Sheeted = {
  kind: SheetKind
  offDay: number
  lies?: SheetBed
  by?: Pick<Acting, 'method' | 'own'>
}

/** How a sheet lies: on flattened or standing growth, on cuttings that lie over the plants, or on soil thrown over them. */
export type SheetBed = 'flat' | 'standing' | 'shielded' | 'soil'

/**
 * A blade: the hardest stems that it cuts, 0–1, and how close what falls from it lies on the soil, against whole stems.
 */
export type Blade = { hardest: number; contact: number }

/** How the acts of an ending are done, as far as it decides what outlives them. */
export type Acting = {
  method: EndMethodId
  passes: number
  /** Stubble that a cut leaves, m; cut at the height that ends the plant where left out. */
  stubbleM?: number
  /** Weight on each metre of a crimp board’s edge, kg; a heavy roller where left out. */
  edgeKgPerM?: number
  bedKind?: Bed['kind']
  own?: OwnResults
  /** The blades it is cut with, what is soonest done first; nothing is known of them where left out. */
  blades?: readonly Blade[]
}

/**
 * What of the plants outlives something done to them, as data: a share of what lives; so many of those that came up, as
 * they were seen, of one species of the mix or all; what a cut at a height leaves; what an ending leaves; what animals
 * leave; or what was counted of some species, in their order, the rest by another fate.
 */
export type Fate =
  | { by: 'share'; share: number }
  | { by: 'seen'; share: number; only?: number }
  | { by: 'cut'; heightM: number; blades?: readonly Blade[] }
  | ({ by: 'acts' } & Acting)
  | ({ by: 'animals' } & Passing)
  | { by: 'counted'; shares: readonly (number | null)[]; else: Fate }

/** Whom a fate befalls: one species in one member of an ensemble. */
export type Befallen = {
  plant: Species
  /** Its place in the mix. */
  component: number
  /** BBCH on that day, 0 while it is in the ground. */
  bbch: number
  /** Share of the plants that came up alive before. */
  alive: number
  /** All that stands, g m⁻². */
  massG: number
  member: number
  ensemble: WeatherEnsemble
}

/**
 * How fates are told: the share of the living plants that outlives one, 0–1, the share of `massG` that animals take, the dose
 * that leaves 5 % of a plant alive under a sheet laid on soil of a wetness, 0–1, and how hard the stems of a plant are at a
 * stage and height, 0–1.
 */
export type Fates = {
  outlives: (fate: Fate, of: Befallen) => number
  taken: (passing: Passing, massG: number) => number
  smothers: (sheet: Sheeted, of: Pick<Befallen, 'plant' | 'bbch' | 'member'>, seedLayer: number) => number
  hardness: (plant: Species, bbch: number, heightM: number) => number
}
