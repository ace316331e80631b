import type { Covering } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'
import {
  quickestTool,
  toolMinutes,
  WORK_RATES,
  type WorkedGround,
  type WorkTool,
} from '../termination/workRates'

/** Minutes to weigh and fetch the seed, and what a hand throws, m² h⁻¹ (judgement, ± a half). */
const SET_UP_MINUTES = 7
const THROWN_M2_PER_HOUR = 200

/** What a cranked spreader throws to both sides, m: on narrower ground seed falls beside it (judgement, 3–5). */
const CRANKED_SWATH_M = 3

/** Tools that cover seed, and those that press it down afterwards, by the covering they make; ground nobody works has none. */
const COVERS: Partial<Record<Covering, readonly WorkTool[]>> = {
  raked: ['rake', 'wheel hoe', 'harrow'],
  'raked and tamped': ['rake', 'wheel hoe', 'harrow'],
  'thin straw': ['rake'],
  compost: ['wheelbarrow'],
}
const PRESSES: readonly WorkTool[] = ['rake', 'garden roller']

/** Spreaders that fit ground of a width. */
const throwers = (owned: readonly Tool[], { widthM }: WorkedGround): Tool[] =>
  owned.filter(
    ({ kind, widthM: own }) =>
      (kind === 'cranked spreader' && widthM >= CRANKED_SWATH_M) ||
      (kind === 'drop spreader' && (own ?? WORK_RATES['drop spreader'].widthM) <= widthM),
  )

/** What sowing takes: minutes of work, and the tools for it; the hand needs none. */
export type SowWork = { minutes: number; tools: ToolKind[] }

/** Throwing and covering the seed of a bed with what is owned, each by what is soonest done with it. */
export function sowWork(covering: Covering, ground: WorkedGround, owned: readonly Tool[]): SowWork {
  const byHand = (60 * ground.areaM2) / THROWN_M2_PER_HOUR
  const spreaders = throwers(owned, ground)
  const spreader =
    spreaders.length === 0
      ? null
      : quickestTool(
          spreaders.map(({ kind }) => kind),
          ground,
          spreaders,
        )
  const spread = spreader === null ? Infinity : toolMinutes(spreader, ground, spreaders)
  const after = [COVERS[covering], covering === 'raked and tamped' ? PRESSES : undefined].flatMap((group) => {
    const tool = group && quickestTool(group, ground, owned)
    return tool ? [tool] : []
  })
  return {
    minutes:
      SET_UP_MINUTES +
      Math.min(byHand, spread) +
      after.reduce((sum, kind) => sum + toolMinutes(kind, ground, owned), 0),
    tools: [...new Set([...(spreader !== null && spread < byHand ? [spreader] : []), ...after])],
  }
}
