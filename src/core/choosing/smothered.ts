import { shareOf } from '../foundations/statistics'
import type { StandRun } from '../stand/types'
import type { MixComponent } from './types'
import { placeIn } from '../stand/series'

/** A species that most likely comes to little in its mix, with the share of members in which it does, 0–1. */
export type Smothered = { speciesId: string; chance: number }

/**
 * A species counts as smothered whose mass at its best stays below this part of what its share of the seed promises of the
 * stand's greatest mass (judgement, 0.2–0.4), though it lives on: what cold or heat took was not smothered.
 */
const COMES_TO = 0.3
const LIVES_ON = 0.5
const MOSTLY = 0.5

const greatest = (series: Float32Array, from: number, to: number, step: number) => {
  let most = 0
  for (let at = from; at < to; at += step) most = Math.max(most, series[at])
  return most
}

/** Species that the others of a mix leave too little light until a day. */
export function smotheredIn(
  components: readonly MixComponent[],
  run: StandRun,
  untilDay: number,
): Smothered[] {
  if (components.length < 2) return []
  const total = components.reduce((sum, { share }) => sum + share, 0)
  const { members } = run
  const last = Math.min(run.days, Math.max(1, untilDay - run.startDay))
  return components.flatMap(({ speciesId, share }, c) => {
    const chance = shareOf(members, (member) => {
      const of = (series: Float32Array) => greatest(series, member, last * members, members)
      const lives = run.species[c].alive[placeIn(run, member, last - 1)] >= LIVES_ON
      return lives && of(run.species[c].massG) < ((COMES_TO * share) / total) * of(run.massG)
    })
    return chance > MOSTLY ? [{ speciesId, chance }] : []
  })
}
