import { segmentSizeM } from '../garden/area'
import { fixturesIn } from '../garden/ground'
import type { Bed, Segment } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'
import type { Method } from './method'
import { isTakenFirst } from './workRates'

/** Tools on wheels: heavy ones are driven in, a light one can be lifted over a frame. */
const DRIVEN: readonly ToolKind[] = [
  'bar mower',
  'flail mower',
  'tractor mower',
  'roller crimper',
  'tiller',
  'harrow',
]
const LIFTED: readonly ToolKind[] = ['mower', 'drop spreader', 'wheel hoe', 'garden roller']
/** Steepest ground, m of fall in a hundred, that is worked so without tipping or slipping (judgement: guidance for ride-on and walk-behind machines, 15–35). */
const STEEPEST_PCT = { tractor: 15, driven: 25, pushed: 35 } as const
const BY_TRACTOR: readonly ToolKind[] = ['tractor mower', 'roller crimper']

/** Steepest ground that a tool is used on, m of fall in a hundred; Infinity for what is carried. */
const steepestPct = (kind: ToolKind): number => {
  if (BY_TRACTOR.includes(kind)) return STEEPEST_PCT.tractor
  if (DRIVEN.includes(kind)) return STEEPEST_PCT.driven
  return LIFTED.includes(kind) ? STEEPEST_PCT.pushed : Infinity
}

/** Swung wide: there is no room for it above a planter or between posts. */
const SWUNG: readonly ToolKind[] = ['scythe']

/**
 * Whether a way waits for ground that bears it: it loosens or turns the soil, or what is taken for a part of it is driven,
 * there being nothing else or nothing as good.
 */
export const wantsDryGround = (
  { disturbance, tools: groups }: Pick<Method, 'disturbance' | 'tools'>,
  tools: readonly Pick<Tool, 'kind'>[],
): boolean =>
  disturbance >= 2 ||
  groups.some((group) => {
    const owned = tools.filter(({ kind }) => group.includes(kind))
    return owned.some(({ kind }) => isTakenFirst(kind)) || (owned.length > 0 && owned.every(isDriven))
  })

const isDriven = ({ kind }: Pick<Tool, 'kind'>) => DRIVEN.includes(kind)

type Ground = Pick<Bed, 'kind' | 'lengthM' | 'widthM' | 'pathWidthM' | 'fixtures' | 'slopePct'>
type Sized = Pick<Tool, 'kind' | 'widthM'>

/**
 * Whether a tool can be used on a part of a bed: nothing on wheels goes into a planter, and only what can be lifted and is no wider
 * than it into a frame; nothing is driven or swung among posts, nor where it is too steep for it.
 */
export function canEnter({ kind, widthM }: Sized, bed: Ground, segment: Segment): boolean {
  if ((bed.slopePct ?? 0) > steepestPct(kind)) return false
  const wheels = DRIVEN.includes(kind) || LIFTED.includes(kind)
  if (bed.kind === 'planter' && (wheels || SWUNG.includes(kind))) return false
  if (bed.kind === 'framed' && DRIVEN.includes(kind)) return false
  if (
    bed.kind === 'framed' &&
    LIFTED.includes(kind) &&
    widthM !== null &&
    widthM > segmentSizeM(bed, segment).widthM
  )
    return false
  const posts = fixturesIn(bed, segment).some((fixture) => fixture.kind === 'post')
  return !(posts && (DRIVEN.includes(kind) || SWUNG.includes(kind)))
}

/** The tools that can be used on a part of a bed, and those that are owned but cannot. */
export const toolsOn = <T extends Sized>(
  tools: readonly T[],
  bed: Ground,
  segment: Segment,
): { tools: T[]; keptOut: T[] } => ({
  tools: tools.filter((tool) => canEnter(tool, bed, segment)),
  keptOut: tools.filter((tool) => !canEnter(tool, bed, segment)),
})
