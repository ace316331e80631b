import { pickColumns } from '../foundations/columns'
import { BURIED_CONTACT } from '../residue/pools'
import { waterCapacity, type WaterCapacity } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { newCanopy, type Canopy } from './canopy'
import type { MemberParameters, OwnPlants } from './memberParameters'
import type { StandState } from './state'
import { newToday, type Today } from './today'
import type { StandEvent, StandInput } from './types'

/** A run under way: what it is made from, its state, and room for a day's numbers. */
export type Work = {
  input: StandInput
  ensemble: WeatherEnsemble
  /** Numbers of the members in the ensemble, in the order of the state. */
  members: readonly number[]
  /** What the plants of each species differ in, member by member. */
  own: readonly OwnPlants[]
  /** What the soil frees, against what is expected. */
  release: Float64Array
  /** Plants that come up, against what is expected, by species and member. */
  ownEmergence: readonly Float64Array[]
  /** Days after the run begins on which each member was sown; null where all were sown on the first. */
  sownAfter: Float64Array | null
  state: StandState
  capacity: WaterCapacity
  events: ReadonlyMap<number, readonly StandEvent[]>
  today: Today
  canopy: Canopy
  buriedWetness: Float64Array
  buriedContact: Float64Array
  /** No rain and no drying, under a tight sheet. */
  still: Float64Array
  /** The members of each species that grow, what those want of nitrogen and of that from the soil, g m⁻². */
  growing: readonly Int32Array[]
  wantedG: readonly Float64Array[]
  fromSoilG: readonly Float64Array[]
}

/** Moisture of residue under the soil, 0–1: steadier than on top (judgement, 0.6–0.9). */
const BURIED_WETNESS = 0.75

function eventsByDay(events: readonly StandEvent[]): Map<number, StandEvent[]> {
  const byDay = new Map<number, StandEvent[]>()
  for (const event of events) byDay.set(event.day, [...(byDay.get(event.day) ?? []), event])
  return byDay
}

/** Makes ready to run the `members` of a state on. */
export function newWork(
  input: StandInput,
  ensemble: WeatherEnsemble,
  parameters: MemberParameters,
  members: readonly number[],
  state: StandState,
): Work {
  const { species, release, plants, sownAfter } = parameters
  const own = species.map((one) => pickColumns(one, members))
  const n = members.length
  return {
    input,
    ensemble,
    members,
    own,
    release: Float64Array.from(members, (member) => release[member]),
    ownEmergence: own.map(({ emergence }, c) =>
      emergence.map((share, m) => share * (plants?.[c][members[m]] ?? 1)),
    ),
    sownAfter: sownAfter ? Float64Array.from(members, (member) => sownAfter[member]) : null,
    state,
    capacity: waterCapacity(input.soil),
    events: eventsByDay(input.events),
    today: newToday(n),
    canopy: newCanopy(n, input.sown.length),
    buriedWetness: new Float64Array(n).fill(BURIED_WETNESS),
    buriedContact: new Float64Array(n).fill(BURIED_CONTACT),
    still: new Float64Array(n),
    growing: input.sown.map(() => new Int32Array(n)),
    wantedG: input.sown.map(() => new Float64Array(n)),
    fromSoilG: input.sown.map(() => new Float64Array(n)),
  }
}
