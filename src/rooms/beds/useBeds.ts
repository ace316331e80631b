import { useMemo } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Bed, GardenData, Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { useGarden } from '../../state/garden'
import { standName, standState } from '../../text/names'

/** A bed on its line: what is known to stand in it now, and what comes next and when. */
export type BedLine = { bed: Bed; now: Stand[]; next: Stand | null; nextDay: number | null }

export function lineOf(bed: Bed, { stands }: Pick<GardenData, 'stands'>, today: number): BedLine {
  const own = stands.filter(({ bedId }) => bedId === bed.id)
  const now = own.filter((stand) => standState(stand) === 'growing')
  const ahead = own
    .flatMap((stand) => {
      const start = standState(stand) === 'planned' && latest(stand.start)
      return start ? [{ stand, day: Math.max(today, dayNumber(start.date)) }] : []
    })
    .sort((a, b) => a.day - b.day)
  return { bed, now, next: ahead[0]?.stand ?? null, nextDay: ahead[0]?.day ?? null }
}

type By = (a: BedLine, b: BedLine) => number
const byWalk: By = (a, b) => a.bed.walkOrder - b.bed.walkOrder
/** Bare beds first, then by what stands there. */
const stands = ({ now }: BedLine) => now.map(standName).join(' ')
export const areaOf = ({ bed }: BedLine) => segmentAreaM2(bed, { kind: 'whole' })
/** How the list of beds is ordered. */
export const ORDERS = {
  walk: byWalk,
  bed: (a, b) => a.bed.label.localeCompare(b.bed.label, undefined, { numeric: true }),
  now: (a, b) => stands(a).localeCompare(stands(b)) || byWalk(a, b),
  size: (a, b) => areaOf(b) - areaOf(a) || byWalk(a, b),
  next: (a, b) => (a.nextDay ?? Infinity) - (b.nextDay ?? Infinity) || byWalk(a, b),
} satisfies Record<string, By>
export type Order = keyof typeof ORDERS

/** The beds of the garden, each with what stands there and what comes. */
export function useBeds(order: Order): BedLine[] {
  const { expected, today } = useGarden()
  return useMemo(
    () => expected.beds.map((bed) => lineOf(bed, expected, today)).sort(ORDERS[order]),
    [expected, today, order],
  )
}
