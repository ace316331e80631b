import { dayNumber } from '../foundations/day'
import { having } from '../foundations/grouped'
import type { Segment, Stand } from '../garden/schema'
import { standsOn } from '../garden/timeline'
import { job, startDay, type Maker } from './job'

/** The stand of a bed that mulch is for: what stands there on the day, else what comes next, else what stood there last. */
function standFor(stands: readonly Stand[], day: number): Stand | undefined {
  const begins = (stand: Stand) => startDay(stand) ?? -Infinity
  const inOrder = [...stands].sort((a, b) => begins(a) - begins(b))
  return (
    inOrder.find((stand) => standsOn(stand, day)) ??
    inOrder.find((stand) => begins(stand) >= day) ??
    inOrder.at(-1)
  )
}

const WHOLE: Segment = { kind: 'whole' }

/** Mulch that is owed to a bed, laid from its day on. */
export const mulching: Maker = ({ stands, mulch }, stand) =>
  having(mulch, 'bedId', stand.bedId).flatMap(({ id, date, kg, kind, owed, segment = WHOLE }) => {
    const day = dayNumber(date)
    if (!owed || standFor(having(stands, 'bedId', stand.bedId), day)?.id !== stand.id) return []
    return [job(stand, 'mulch', day, { id: `${id}:mulch`, mulch: { laidId: id, kg, kind, segment } })]
  })
