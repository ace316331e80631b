import { PenDrawing } from './PenDrawing'
import type { Ground } from '../../core/termination/workPlan'
import type { Bed } from '../../core/garden/schema'
import type { Units } from '../../text/format'
import {
  BoardDrawing,
  CardboardDrawing,
  CutDrawing,
  LanesDrawing,
  LayerDrawing,
  SheetDrawing,
} from './drawings'
import type { PlanWords } from './planTypes'

/** Every drawing that a plan has, in the order of the work. */
export function PlanDrawing({
  plan,
  ground,
  units,
  bedKind,
}: {
  plan: PlanWords
  ground: Ground
  units: Units
  bedKind: Bed['kind']
}) {
  const common = { ground, units }
  return (
    <div className="flex flex-col gap-4">
      {plan.cuts.length > 0 && <CutDrawing plants={plan.cuts} units={units} />}
      {plan.board && <BoardDrawing {...common} plan={plan.board} />}
      {plan.sheet && <SheetDrawing {...common} plan={plan.sheet} clear={plan.clear} />}
      {plan.cardboard && <CardboardDrawing {...common} plan={plan.cardboard} />}
      {plan.cover && (
        <LayerDrawing depthM={plan.cover.depthM} board={bedKind !== 'in-ground'} units={units} />
      )}
      {plan.lanes.length > 0 && <LanesDrawing {...common} lanes={plan.lanes} />}
      {plan.stops.length > 0 && (
        <PenDrawing {...common} stops={plan.stops.filter((stop) => stop.round === 0)} here={0} />
      )}
    </div>
  )
}
