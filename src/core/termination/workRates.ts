import { minBy } from 'es-toolkit/array'
import { quantilesOf } from '../foundations/statistics'
import { ROUNDING_M, segmentAreaM2, segmentSizeM } from '../garden/area'
import type { EndMethodId } from '../garden/ending'
import type { Method } from './method'
import type { Bed, Segment, Stand } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'
import type { Blade } from '../stand/fate'
import { bladesOf, cutters, type CuttingTool } from './woodiness'

/**
 * What a tool does in open work, m² h⁻¹, minutes to get it ready and put it away at each bed, and, of what goes in lanes, how
 * wide it is where its owner does not say, m (judgement, ± a half).
 */
export const WORK_RATES = {
  mower: { m2PerHour: 170, setUpMinutes: 5, widthM: 0.45 },
  'bar mower': { m2PerHour: 1500, setUpMinutes: 12, widthM: 0.9 },
  'flail mower': { m2PerHour: 900, setUpMinutes: 10, widthM: 0.65 },
  'tractor mower': { m2PerHour: 6000, setUpMinutes: 20, widthM: 1.5 },
  'hedge trimmer': { m2PerHour: 130, setUpMinutes: 3 },
  scythe: { m2PerHour: 150, setUpMinutes: 3 },
  trimmer: { m2PerHour: 120, setUpMinutes: 4 },
  'hand shears': { m2PerHour: 43, setUpMinutes: 1 },
  'crimp board': { m2PerHour: 120, setUpMinutes: 2 },
  'roller crimper': { m2PerHour: 2500, setUpMinutes: 15, widthM: 1.2 },
  'black tarp': { m2PerHour: 100, setUpMinutes: 6 },
  'clear film': { m2PerHour: 75, setUpMinutes: 6 },
  tiller: { m2PerHour: 60, setUpMinutes: 8, widthM: 0.5 },
  'spade or fork': { m2PerHour: 15, setUpMinutes: 1 },
  burner: { m2PerHour: 150, setUpMinutes: 5 },
  wheelbarrow: { m2PerHour: 23, setUpMinutes: 2 },
  rake: { m2PerHour: 165, setUpMinutes: 1 },
  'cranked spreader': { m2PerHour: 3000, setUpMinutes: 4 },
  'drop spreader': { m2PerHour: 1000, setUpMinutes: 5, widthM: 0.5 },
  'wheel hoe': { m2PerHour: 300, setUpMinutes: 3, widthM: 0.25 },
  harrow: { m2PerHour: 2500, setUpMinutes: 15, widthM: 1.2 },
  'garden roller': { m2PerHour: 800, setUpMinutes: 5, widthM: 0.6 },
} as const satisfies Partial<Record<ToolKind, { m2PerHour: number; setUpMinutes: number; widthM?: number }>>
export type WorkTool = keyof typeof WORK_RATES

/** Ground that is worked: its area, and how wide it is, m, which says in how many lanes. */
export type WorkedGround = { areaM2: number; widthM: number }

/** The ground of a part of a bed, as it is worked. */
export const workedGround = (bed: Bed, segment: Segment): WorkedGround => ({
  areaM2: segmentAreaM2(bed, segment),
  widthM: segmentSizeM(bed, segment).widthM,
})

/** Width that a tool works at a time, m; undefined of what does not go in lanes. */
export const usualWidthM = (kind: ToolKind): number | undefined =>
  isWorkTool(kind) ? (WORK_RATES[kind] as { widthM?: number }).widthM : undefined

/** Tools that mow. */
export const MOWS: readonly ToolKind[] = [
  'hand shears',
  'scythe',
  'mower',
  'bar mower',
  'flail mower',
  'tractor mower',
  'trimmer',
  'hedge trimmer',
]

/** Tools that lay growth down and dent its stems. */
export type CrimpingTool = Extract<ToolKind, 'crimp board' | 'roller crimper'>
export const CRIMPS: readonly ToolKind[] = ['crimp board', 'roller crimper'] satisfies CrimpingTool[]

export const isWorkTool = (kind: ToolKind): kind is WorkTool => kind in WORK_RATES

type Owned = Pick<Tool, 'kind' | 'm2PerHour'> & Partial<Pick<Tool, 'widthM'>>

/** What a tool of a width does on ground of a width: at its usual pace, in as many lanes as it takes. */
function rateInLanes(kind: WorkTool, own: number | null | undefined, groundM: number): number {
  const { m2PerHour } = WORK_RATES[kind]
  const usual = usualWidthM(kind)
  if (usual === undefined) return m2PerHour
  const lanes = Math.max(1, Math.ceil((groundM - ROUNDING_M) / (own ?? usual)))
  return ((m2PerHour / usual) * groundM) / lanes
}

/** Rate of a tool, m² h⁻¹: its owner's figure, or its usual pace in lanes of its width; of two owned the quicker. */
function rateOf(kind: WorkTool, owned: readonly Owned[], { widthM }: WorkedGround): number {
  const own = owned.filter((tool) => tool.kind === kind)
  if (own.length === 0) return rateInLanes(kind, null, widthM)
  return Math.max(...own.map((tool) => tool.m2PerHour ?? rateInLanes(kind, tool.widthM, widthM)))
}

/** Minutes of one pass with a tool over the ground of one bed, getting ready included. */
export const toolMinutes = (kind: WorkTool, ground: WorkedGround, owned: readonly Owned[]): number =>
  WORK_RATES[kind].setUpMinutes + (60 * ground.areaM2) / rateOf(kind, owned, ground)

/** What is taken before anything quicker, since it kills more. */
const BETTER: readonly ToolKind[] = ['roller crimper']
export const isTakenFirst = (kind: ToolKind) => BETTER.includes(kind)

/**
 * The tool of a group that does the work soonest: of those owned, one that does it better before all; else the one that is
 * soonest ready, which most people have.
 */
export function quickestTool(
  group: readonly ToolKind[],
  ground: WorkedGround,
  owned: readonly Owned[],
): WorkTool | null {
  const kinds = group.filter(isWorkTool)
  const minutes = (kind: WorkTool) => toolMinutes(kind, ground, owned)
  const own = kinds
    .filter((kind) => owned.some((tool) => tool.kind === kind))
    .sort((a, b) => minutes(a) - minutes(b))
  const ready = (kind: WorkTool) => WORK_RATES[kind].setUpMinutes
  return own.find(isTakenFirst) ?? own[0] ?? minBy(kinds, ready) ?? null
}

/** The owned tool that cuts stems of a hardness and is soonest done with it; null where none does. */
export const cuttingTool = (
  owned: readonly Owned[],
  hardness: number,
  ground: WorkedGround,
): CuttingTool | null => {
  const kinds = cutters(owned, hardness)
  return kinds.length === 0 ? null : (quickestTool(kinds, ground, owned) as CuttingTool)
}

/** The blades owned, what is soonest done with this ground first; undefined where none cuts finer than another. */
export function bladesFor(owned: readonly Owned[], ground: WorkedGround): Blade[] | undefined {
  const soonest = owned
    .filter(({ kind }) => isWorkTool(kind))
    .map((tool) => ({ tool, minutes: toolMinutes(tool.kind as WorkTool, ground, owned) }))
    .sort((a, b) => a.minutes - b.minutes)
  const blades = bladesOf(soonest.map(({ tool }) => tool))
  return blades.some(({ contact }) => contact !== 1) ? blades : undefined
}

/** Minutes of one pass of a way on a bed with what is owned. @param toolOf what is taken of a group of tools */
export const passMinutes = (
  { worked, tools, handMinutesPerM2 }: Pick<Method, 'worked' | 'tools' | 'handMinutesPerM2'>,
  ground: WorkedGround,
  owned: readonly Owned[],
  toolOf: (group: readonly ToolKind[]) => WorkTool | null,
): number =>
  (worked ?? tools).reduce((sum, group) => {
    const taken = toolOf(group)
    return taken ? sum + toolMinutes(taken, ground, owned) : sum
  }, handMinutesPerM2 * ground.areaM2)

/** The same with the tools that most people have. */
export const usualMinutes = (method: Parameters<typeof passMinutes>[0], ground: WorkedGround): number =>
  passMinutes(method, ground, [], (group) => quickestTool(group, ground, []))

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
