import type { ToolKind } from '../garden/tool'
import type { EndMethodId } from '../garden/ending'
import type { InstantAct } from './survival'
import type { SheetBed, SheetKind } from '../stand/fate'

export type MethodId = Exclude<EndMethodId, 'harvest'>

/**
 * A way of ending a stand: acts that take effect at once, then perhaps a sheet; or animals; or waiting for cold or
 * heat. Shares are of the shoot mass; minutes are judgement, ± a half.
 */
export type Method = {
  id: MethodId
  name: string
  /** How it is named when it is done twice; null where once is all. */
  twice: string | null
  acts: readonly InstantAct[]
  flame: boolean
  sheet: SheetKind | null
  /** How the sheet lies; black sheets depend on what there is to flatten with when this is null. */
  lies: SheetBed | null
  waits: 'cold' | 'heat' | null
  animals: 'hens' | 'pigs' | 'grazers' | null
  /** One tool of each group is needed. */
  tools: readonly (readonly ToolKind[])[]
  /** Groups of tools whose work rate counts; null where all of them do. */
  worked: readonly (readonly ToolKind[])[] | null
  /** Work besides that of the tools, minutes per m². */
  handMinutesPerM2: number
  buried: number
  removed: number
  /** How much the soil is moved, 0 none – 3 turned over. */
  disturbance: 0 | 1 | 2 | 3
  /** Days that its own effect on seedlings lasts after the stand is dead. */
  settleDays: number
  needs: readonly string[]
  cautions: readonly string[]
}
