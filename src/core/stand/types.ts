import type { Bed } from '../garden/schema'
import type { Species } from '../plants/parameters'
import type { Fate, Fates, Passing, Sheeted } from './fate'
import type { Ground } from '../soil/ground'

/**
 * One species as sown: viable seeds per m², the share expected to come up in a moist seedbed, and how deep they lie, cm
 * (0–5).
 */
export type SownSpecies = { plant: Species; seedsPerM2: number; emergenceShare: number; depthCm: number }

/** Something done to a stand on a day, as data: `StandInput.fates` tells what of the plants outlives it. */
export type StandEvent = { day: number } & (
  | {
      kind: 'cut'
      fate: Fate
      /** Height left standing, m, and the share of the ground that is cut, 0–1. */
      heightM: number
      groundShare: number
      /** Whether the cuttings stay; if not, their mass and nitrogen leave the bed. */
      left: boolean
      /** The one species that is cut; all when left out. */
      only?: number
    }
  /** Mulch laid on, per m²; where members differ, each of them takes its own in turn. */
  | {
      kind: 'mulch'
      massG: number
      nitrogenG: number
      byMember?: { massG: Float64Array; nitrogenG: Float64Array }
    }
  /** What was seen of it corrects what has grown: leaf, mass and nitrogen of all that lives, by a factor above 0. */
  | { kind: 'corrected'; factor: number }
  /** A sheet laid on ground that bears nothing. */
  | { kind: 'sheet'; sheet: Sheeted }
  /**
   * An ending: `topLeft` is the share of the survivors' growth that still stands, 0–1. Of what then lies on the
   * ground the share `removed` leaves the bed, and the share `buried` of the rest is put under the soil; a sheet may lie
   * on it afterwards.
   */
  | { kind: 'end'; fate: Fate; topLeft: number; removed?: number; buried?: number; sheet?: Sheeted }
  | Grazing
)

/**
 * Animals pass over the stand. Of the growth that they eat and tread down the share `eaten` leaves, the rest lies where it stood. Droppings stay, no mulch but worked into
 * the ground, with nitrogen from all that the animals are fed, per m². The share `buried` of what then lies on the ground is rooted under.
 */
export type Grazing = {
  kind: 'graze'
  passing: Passing
  eaten: number
  droppings: { massG: number; nitrogenG: number }
  buried?: number
}

/** What is done to the plants of a stand. */
export type PlantAction = Extract<StandEvent, { kind: 'cut' | 'end' | 'graze' }>

/** A crop, or a cover that another is sown under, as far as the ground feels it. */
export type GroundCrop = {
  plantedDay: number
  /** Day from which it is gone. */
  goneDay: number
  /** Nitrogen it has wanted by each day after planting, g m⁻². */
  wantedG: Float64Array
  /** Share of the ground it covers by each day after planting, 0–1; the last is kept. */
  cover: Float64Array
  /** Mineral nitrogen it is taken not to use, g m⁻²: what fed vegetables leave behind. */
  leavesG: number
  /** Whether it is watered when it is dry, as vegetables are. */
  watered: boolean
}

/** What takes light from above: its share of it by day from `fromDay`, none after the last, until a night at `frostC` kills it. */
export type CanopyAbove = { fromDay: number; shares: Float64Array; frostC: number }

export type StandInput = {
  sown: readonly SownSpecies[]
  sowDay: number
  soil: Bed['soil']
  fertility: Bed['fertility']
  /** What stood here before the records begin; matters only where `ground` is not known. */
  stoodBefore?: Bed['stoodBefore']
  /** The ground as what stood before left it, member after member, over and over where there are fewer; else by the answers. */
  ground?: Ground
  /** A crop that takes nitrogen and water from the same ground. */
  crop?: GroundCrop
  /** Share of light taken by surroundings, 0–0.8. */
  shade: number
  /** The crop or cover it was sown under. */
  canopyAbove: CanopyAbove | null
  /** Watering by hand: days after sowing that the seed layer is kept moist, and mm given by day of the run. */
  watering?: { keptMoistDays: number; mm: ReadonlyMap<number, number> }
  events: readonly StandEvent[]
  fates: Fates
}

/** Daily series of all members, `[member · days + day]`, from `startDay` (the sowing day). Masses g m⁻². */
export type StandRun = {
  startDay: number
  days: number
  members: number
  sown: readonly SownSpecies[]
  soil: Bed['soil']
  /** Per species: BBCH, live shoot mass, share of emerged plants alive, height of those, m; and per member the plants per m² that came up. */
  species: {
    bbch: Float32Array
    massG: Float32Array
    alive: Float32Array
    heightM: Float32Array
    plantsPerM2: Float64Array
  }[]
  /** Ground covered by live green, 0–1. */
  cover: Float32Array
  heightM: Float32Array
  massG: Float32Array
  nitrogenG: Float32Array
  fixedG: Float32Array
  /** Mulch that was laid onto it, which it did not grow, g m⁻². */
  brought: readonly { day: number; massG: number; nitrogenG: number }[]
  /** Residue on the surface, the mulch; what was buried is not in it. */
  residueG: Float32Array
  /** Nitrogen still in the residue, on the surface and buried. */
  residueNitrogenG: Float32Array
  /** Water in reach of the roots, mm. */
  soilWaterMm: Float32Array
  /** Wetness of the seed layer, share of its capacity. */
  seedLayer: Float32Array
  /** Net mineral nitrogen released by residue since sowing; negative while it ties up. */
  releasedG: Float32Array
  /** Mineral nitrogen in the root zone. */
  mineralG: Float32Array
  /** Mass and nitrogen carried off the bed since sowing, per member at the end of the run. */
  carriedOff: { massG: Float64Array; nitrogenG: Float64Array }
  /** Where mass and nitrogen went, per member at the end of the run; both sides of each account are equal. */
  accounts: {
    massIn: Float64Array
    massOut: Float64Array
    nitrogenIn: Float64Array
    nitrogenOut: Float64Array
    waterIn: Float64Array
    waterOut: Float64Array
  }
}
