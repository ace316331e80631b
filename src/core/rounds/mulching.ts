import { dayNumber } from '../foundations/day'
import { having } from '../foundations/grouped'
import { FRESH_STAND } from '../garden/fresh'
import type { Bed, Segment, Stand } from '../garden/schema'
import { standsOn } from '../garden/timeline'
import { job, startDay, type Job, type Maker, type RoundsInput } from './job'

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

/** What its jobs ask of a bed in which nothing was ever sown or planned: all its ground, and nothing begun on it. */
export const bareGround = ({ id, gardenId }: Bed): Stand => ({
  ...FRESH_STAND,
  id,
  gardenId,
  bedId: id,
  segment: WHOLE,
  content: { kind: 'sheet', sheet: 'black', aim: 'weeds' },
  start: { plan: null, actual: null },
  end: { plan: null, actual: null },
})

/** Mulch that is owed to beds in which nothing was ever sown or planned. */
export function mulchingBare(input: RoundsInput): Job[] {
  const used = new Set(input.stands.map(({ bedId }) => bedId))
  return input.beds
    .filter(({ id }) => !used.has(id))
    .map(bareGround)
    .flatMap((ground) => mulching({ ...input, stands: [ground] }, ground))
}

/** Mulch that is owed to a bed, laid from its day on. */
export const mulching: Maker = ({ stands, mulch }, stand) =>
  having(mulch, 'bedId', stand.bedId).flatMap(({ id, date, kg, kind, owed, segment = WHOLE }) => {
    const day = dayNumber(date)
    if (!owed || standFor(having(stands, 'bedId', stand.bedId), day)?.id !== stand.id) return []
    return [job(stand, 'mulch', day, { id: `${id}:mulch`, mulch: { laidId: id, kg, kind, segment } })]
  })
