import type { AnimalPlan } from '../../core/garden/ending'
import type { Stop } from '../../core/termination/stops'
import type { Method } from '../../core/termination/methods'
import type { CardboardPlan, CoverPlan, Ground, LanePlan, SheetPlan } from '../../core/termination/workPlan'
import type { BoardPlan } from '../../core/termination/board'
import type { Quantiles } from '../../core/foundations/statistics'
import type { Livestock } from '../../core/garden/rules'
import type { OwnResults } from '../../core/garden/ending'
import type { Bed, Segment } from '../../core/garden/schema'
import type { Tool } from '../../core/garden/tool'
import type { Species } from '../../core/plants/parameters'
import type { Units } from '../../text/format'

export type PlanCase = {
  method: Method
  passes: number
  day: number
  ground: Ground
  areaM2: number
  bed: Bed
  segment: Segment
  tools: readonly Tool[]
  /** The plants of the mix, with the stage each is expected at on the day, BBCH. */
  plants: readonly { plant: Species; bbch: number }[]
  /** Height of the stand on the day, m. */
  heightM: number
  own: OwnResults
  lanes: { count: number; everyDays: number } | undefined
  animals: AnimalPlan | undefined
  /** Whether the ground is wanted only once the residue is thin. */
  untilThin: boolean
  livestock: readonly Livestock[]
  /** Heat that clear film is expected to gather in a fortnight, °C d. */
  film: Quantiles | null
  /** Day it is expected to be dead, when that is forecast. */
  deadDay: number | null
  units: Units
}

/** A work plan in words, with what its drawings show. */
export type PlanWords = {
  steps: string[]
  materials: { what: string; amount: string }[]
  problem: string | null
  cuts: { name: string; heightM: number; cutM: number }[]
  board: BoardPlan | null
  sheet: SheetPlan | null
  clear: boolean
  cardboard: CardboardPlan | null
  cover: CoverPlan | null
  lanes: LanePlan[]
  stops: Stop[]
}
