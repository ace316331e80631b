import type { Bed } from '../garden/schema'
import type { Tool, ToolKind } from '../garden/tool'

/** Tools on wheels: heavy ones are driven in, a light one can be lifted over a frame. */
const DRIVEN: readonly ToolKind[] = ['flail mower', 'tiller']
const LIFTED: readonly ToolKind[] = ['mower']
/** Swung wide: there is no room for it above a planter or between posts. */
const SWUNG: readonly ToolKind[] = ['scythe']

type Ground = Pick<Bed, 'kind' | 'widthM' | 'fixtures'>
type Sized = Pick<Tool, 'kind' | 'widthM'>

/**
 * Whether a tool can be used on a bed: nothing on wheels goes into a planter, and only what can be lifted and is no wider
 * than the bed into a frame; nothing is driven or swung among posts.
 */
export function canEnter({ kind, widthM }: Sized, bed: Ground): boolean {
  const wheels = DRIVEN.includes(kind) || LIFTED.includes(kind)
  if (bed.kind === 'planter' && (wheels || SWUNG.includes(kind))) return false
  if (bed.kind === 'framed' && DRIVEN.includes(kind)) return false
  if (bed.kind === 'framed' && LIFTED.includes(kind) && widthM !== null && widthM > bed.widthM) return false
  const posts = bed.fixtures.some((fixture) => fixture.kind === 'post')
  return !(posts && (DRIVEN.includes(kind) || SWUNG.includes(kind)))
}

/** The tools that can be used on a bed, and those that are owned but cannot. */
export const toolsOn = <T extends Sized>(tools: readonly T[], bed: Ground): { tools: T[]; keptOut: T[] } => ({
  tools: tools.filter((tool) => canEnter(tool, bed)),
  keptOut: tools.filter((tool) => !canEnter(tool, bed)),
})
