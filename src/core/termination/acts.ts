import type { Species } from '../plants/parameters'
import { underBoard } from './board'
import { luck, PASS_STEP } from './luck'
import type { Method } from './method'
import type { Acting } from '../stand/fate'
import { ownCount, withOwn } from './ownResults'
import { actSurvival, chopSurvivalAt, FLAME_AFTER_CRIMP, furtherPass } from './survival'

/** Edges and corners of a frame that a board misses (engine table: 5–10 %). */
const FRAME_MISSED = 0.07

/** Members differ about the table's survival: the odds are multiplied by e^±0.65 (judgement). */
export function varied(share: number, member: number): number {
  if (share <= 0 || share >= 1) return share
  const odds = (share / (1 - share)) * Math.exp(1.3 * (luck(member, PASS_STEP) - 0.5))
  return odds / (1 + odds)
}

/** Share of a species that outlives the acts of a way, done `passes` times, own counts taken in. */
export function actsSurvival(
  method: Method,
  plant: Pick<Species, 'endingClass'>,
  bbch: number,
  passes: number,
  setup: Pick<Acting, 'bedKind' | 'own' | 'stubbleM' | 'edgeKgPerM'> = {},
): number {
  const kind = plant.endingClass
  let share = 1
  for (const act of method.acts) {
    const table = actSurvival(act, kind, bbch)
    let once = withOwn(
      act === 'crimp' && setup.edgeKgPerM !== undefined ? underBoard(table, setup.edgeKgPerM) : table,
      method.acts.length === 1 && !method.flame ? ownCount(setup.own ?? {}, method.id, kind, bbch) : null,
    )
    if (act === 'chop' && setup.stubbleM !== undefined)
      once = chopSurvivalAt(kind, bbch, setup.stubbleM, once)
    if (act === 'crimp' && setup.bedKind && setup.bedKind !== 'in-ground') once += FRAME_MISSED * (1 - once)
    share *= once * furtherPass(act, kind, bbch) ** (passes - 1)
  }
  return method.flame ? share * FLAME_AFTER_CRIMP : share
}
