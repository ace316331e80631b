import { quantilesOf } from '../foundations/statistics'
import type { EndMethodId } from '../garden/ending'
import type { Method } from './method'
import type { Stand } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'

/** What a tool does in open work, m² h⁻¹, and minutes to get it ready and put it away at each bed (judgement, ± a half). */
export const WORK_RATES = {
  mower: { m2PerHour: 170, setUpMinutes: 5 },
  'flail mower': { m2PerHour: 900, setUpMinutes: 10 },
  'hedge trimmer': { m2PerHour: 130, setUpMinutes: 3 },
  scythe: { m2PerHour: 150, setUpMinutes: 3 },
  trimmer: { m2PerHour: 120, setUpMinutes: 4 },
  'hand shears': { m2PerHour: 43, setUpMinutes: 1 },
  'crimp board': { m2PerHour: 120, setUpMinutes: 2 },
  'black tarp': { m2PerHour: 100, setUpMinutes: 6 },
  'clear film': { m2PerHour: 75, setUpMinutes: 6 },
  tiller: { m2PerHour: 60, setUpMinutes: 8 },
  'spade or fork': { m2PerHour: 15, setUpMinutes: 1 },
  burner: { m2PerHour: 150, setUpMinutes: 5 },
  wheelbarrow: { m2PerHour: 23, setUpMinutes: 2 },
} as const satisfies Partial<Record<ToolKind, { m2PerHour: number; setUpMinutes: number }>>
export type WorkTool = keyof typeof WORK_RATES

/** Tools that mow. */
export const MOWS: readonly ToolKind[] = [
  'hand shears',
  'scythe',
  'mower',
  'flail mower',
  'trimmer',
  'hedge trimmer',
]

export const isWorkTool = (kind: ToolKind): kind is WorkTool => kind in WORK_RATES

type Owned = Pick<Tool, 'kind' | 'm2PerHour'>

/** Rate of a tool: its owner's figure, or the usual one; of two owned the quicker. */
const rateOf = (kind: WorkTool, owned: readonly Owned[]): number => {
  const own = owned.flatMap((tool) => (tool.kind === kind && tool.m2PerHour ? [tool.m2PerHour] : []))
  return own.length > 0 ? Math.max(...own) : WORK_RATES[kind].m2PerHour
}

/** Minutes of one pass with a tool over the ground of one bed, getting ready included. */
export const toolMinutes = (kind: WorkTool, areaM2: number, owned: readonly Owned[]): number =>
  WORK_RATES[kind].setUpMinutes + (60 * areaM2) / rateOf(kind, owned)

/** The tool of a group that does the work soonest: of those owned, else the slowest, which most people have. */
export function quickestTool(
  group: readonly ToolKind[],
  areaM2: number,
  owned: readonly Owned[],
): WorkTool | null {
  const minutes = (kind: WorkTool) => toolMinutes(kind, areaM2, owned)
  const kinds = group.filter(isWorkTool).sort((a, b) => minutes(a) - minutes(b))
  return kinds.find((kind) => owned.some((tool) => tool.kind === kind)) ?? kinds.at(-1) ?? null
}

/** Minutes of one pass of a way on a bed with what is owned. @param toolOf what is taken of a group of tools */
export const passMinutes = (
  { worked, tools, handMinutesPerM2 }: Pick<Method, 'worked' | 'tools' | 'handMinutesPerM2'>,
  areaM2: number,
  owned: readonly Owned[],
  toolOf: (group: readonly ToolKind[]) => WorkTool | null,
): number =>
  (worked ?? tools).reduce((sum, group) => {
    const taken = toolOf(group)
    return taken ? sum + toolMinutes(taken, areaM2, owned) : sum
  }, handMinutesPerM2 * areaM2)

/** The same with the tools that most people have. */
export const usualMinutes = (method: Parameters<typeof passMinutes>[0], areaM2: number): number =>
  passMinutes(method, areaM2, [], (group) => quickestTool(group, areaM2, []))

/** Minutes per m² and pass that endings of a way took as recorded, the middle of them. */
export type OwnMinutes = Partial<Record<EndMethodId, number>>

/** What the garden's own endings took, by way; those with animals are not told by their ground. */
export function ownMinutes(stands: readonly Stand[], areaOf: (stand: Stand) => number | null): OwnMinutes {
  const taken = new Map<EndMethodId, number[]>()
  for (const stand of stands) {
    const end = stand.end.actual
    const areaM2 = areaOf(stand)
    if (!end?.minutes || !areaM2 || end.animals) continue
    taken.set(end.method, [...(taken.get(end.method) ?? []), end.minutes / end.passes / areaM2])
  }
  return Object.fromEntries([...taken].map(([method, each]) => [method, quantilesOf(each)!.p50]))
}
