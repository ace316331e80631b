import { columns, copyColumns, pickColumns, type Columns } from '../foundations/columns'
import { waterCapacity, waterDay } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { heldBy, newGround, takenOverGround, type Ground } from '../soil/ground'
import type { MemberParameters } from './memberParameters'
import { newTally, NOT_SOWN, sownPlants, type Plants, type Tally } from './plants'
import type { StandInput } from './types'

/** Days of weather before sowing that the soil's water is followed through where its past is not known. */
const WATER_LEAD_DAYS = 30
/** Ground covered in those days, 0–1. */
const LEAD_COVER = 0.2

/** Stand and ground of many members at the beginning of a day: all that their next day is worked out from. */
export type StandState = Ground & {
  /** One for each species sown. */
  plants: Plants[]
  tally: Tally
  /** What the ground held when the run began. */
  start: Columns<'massG' | 'nitrogenG' | 'waterMm'>
  /** Share of the light that a crop above takes, and ground covered by live green, 0–1. */
  sky: Columns<'aboveLives' | 'cover'>
}

/** The columns of a state, part by part, always in the same order. */
const segmentsAlike = ({
  surface,
  buried,
  water,
  plants,
  tally,
  start,
  sky,
  mineralG,
  wetness,
  contact,
}: StandState) => [surface, buried, water, tally, start, sky, { mineralG, wetness, contact }, ...plants]

/** The state of some members, in their order: a run goes on from it without touching what it was picked from. */
export function pickState(state: StandState, members: readonly number[]): StandState {
  const { mineralG, wetness, contact } = state
  return {
    members: members.length,
    surface: pickColumns(state.surface, members),
    buried: pickColumns(state.buried, members),
    water: pickColumns(state.water, members),
    ...pickColumns({ mineralG, wetness, contact }, members),
    plants: state.plants.map((plants) => pickColumns(plants, members)),
    tally: pickColumns(state.tally, members),
    start: pickColumns(state.start, members),
    sky: pickColumns(state.sky, members),
  }
}

/** Copies the members from `begin` up to `end` of one state into the same places of another. */
export function copyState(to: StandState, from: StandState, begin: number, end: number): void {
  const into = segmentsAlike(to)
  segmentsAlike(from).forEach((part, i) => copyColumns<string>(into[i], part, begin, end))
}

/** The ground on the sowing day: as it came from what stood before, else with its water followed through the weeks before. */
export function sownState(
  input: StandInput,
  ensemble: WeatherEnsemble,
  { species, release, sownAfter }: MemberParameters,
): StandState {
  const members = ensemble.members.length
  const ground = input.ground
    ? takenOverGround(input.ground, [...ensemble.members.keys()])
    : newGround(input, members, release)
  const start = columns(['massG', 'nitrogenG', 'waterMm'], members)
  for (let m = 0; m < members; m++) {
    const held = heldBy(ground, m)
    start.massG[m] = held.massG
    start.nitrogenG[m] = held.nitrogenG
    start.waterMm[m] = held.waterMm
  }
  const sky = columns(['aboveLives', 'cover'], members)
  sky.aboveLives.fill(input.canopyAbove ? 1 : 0)
  if (!input.ground) leadIn(ground, input, ensemble)
  const plants = input.sown.map(({ plant }, c) => sownPlants(plant.parameters, species[c].hardinessC))
  sownAfter?.forEach((days, m) => {
    if (days > 0) for (const { emergence } of plants) emergence[m] = NOT_SOWN
  })
  return {
    ...ground,
    plants,
    tally: newTally(members),
    start,
    sky,
  }
}

/** Follows the soil's water through the weeks before sowing. */
function leadIn({ water }: Ground, { sowDay, soil }: StandInput, ensemble: WeatherEnsemble): void {
  const members = ensemble.members.length
  const until = sowDay - ensemble.startDay
  const capacity = waterCapacity(soil)
  const cover = new Float64Array(members).fill(LEAD_COVER)
  const drained = new Float64Array(members)
  ensemble.members.forEach((weather, m) => {
    for (let i = Math.max(0, until - WATER_LEAD_DAYS); i < until; i++)
      waterDay(water, capacity, weather.waterMm, weather.et0Mm, i - m, 0, cover, cover, drained, m, m + 1)
  })
}
