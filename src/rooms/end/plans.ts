import { usualPlan } from '../../core/ending/animals'
import { stockFor } from '../../core/ending/obstacles'
import { USUAL_LANES } from '../../core/ending/outcome'
import { findWay, type WayId } from '../../core/ending/ways'
import { partSizeM } from '../../core/garden/area'
import type { Garden, Stand } from '../../core/garden/schema'
import type { EndDetails } from '../../core/garden/ending'
import type { StandView } from '../../state/useStand'

/** What a plan of a way carries besides its date: how the animals move, or which strips. */
export function setupFor(
  method: WayId,
  { garden, view, stand }: { garden: Garden; view: StandView; stand: Stand },
): Pick<EndDetails, 'animals' | 'lanes'> {
  const way = findWay(method)
  const plot = partSizeM(view.bed, stand.part)
  const stock = way?.animals
    ? stockFor(way, garden.livestock ?? [], { bed: view.bed, part: stand.part })
    : null
  if (stock) {
    const { kind, head, penLengthM, penWidthM } = stock
    return { animals: usualPlan({ kind, head, penLengthM, penWidthM }, plot.lengthM * plot.widthM) }
  }
  return method === 'strips' ? { lanes: { ...USUAL_LANES } } : {}
}
