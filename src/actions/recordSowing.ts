import type { Step } from './step'
import { dayNumber, isoDate } from '../core/foundations/day'
import type { Component, Stand, StartDetails } from '../core/garden/schema'
import type { SeedLot } from '../core/garden/seed'
import { drawDown } from '../core/seeding/lots'
import { changed } from '../data/writes'
import { shortDate } from '../text/format'
import { standName } from '../text/names'

/** Lots with all that is sown taken out of them, the oldest first. */
function drawAll(lots: readonly SeedLot[], sown: readonly Component[]): SeedLot[] {
  const left = new Map(lots.map((lot) => [lot.id, lot]))
  for (const component of sown)
    for (const lot of drawDown([...left.values()], component.speciesId, component.grams ?? 0).lots)
      left.set(lot.id, lot)
  return [...left.values()].filter((lot) => !lots.includes(lot))
}

/**
 * Records a sowing with what was weighed; an end planned before it moves with it, and the message says so. `stock` are the
 * lots that the seed is taken from; none where it is not.
 */
export function recordSowing(stand: Stand, actual: StartDetails, stock: readonly SeedLot[]): Step {
  const sown = dayNumber(actual.date)
  const shift = stand.start.plan ? sown - dayNumber(stand.start.plan.date) : 0
  const { plan } = stand.end
  const moved =
    plan && plan.date <= actual.date
      ? { ...plan, date: isoDate(dayNumber(plan.date) + Math.max(shift, 1)) }
      : plan
  const said =
    moved && moved.date !== plan?.date ? `; its end moves to ${shortDate(dayNumber(moved.date))}` : ''
  return {
    label: `Recorded the sowing of ${standName(stand).toLowerCase()}${said}`,
    writes: [
      changed('stands', stand, {
        start: { ...stand.start, actual },
        end: { ...stand.end, plan: moved },
      }),
      ...drawAll(stock, actual.components).map((lot) =>
        changed(
          'lots',
          stock.find(({ id }) => id === lot.id)!,
          lot,
        ),
      ),
    ],
  }
}
