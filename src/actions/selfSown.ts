import type { Bed, Stand } from '../core/garden/schema'
import { selfSown, type SeedFall } from '../core/scenario/selfSown'
import { newId } from '../data/ids'
import { added, changed } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

/** Plans the seedlings of a stand that is let seed as the next one on its ground: ended on the day, its seed lies and sprouts. */
export function acceptSelfSown(stand: Stand, bed: Bed, fall: SeedFall): Step & { standId: string } {
  const standId = newId('stand')
  const { mother, seedlings } = selfSown(stand, bed, fall, standId)
  return {
    label: `Let ${standName(stand).toLowerCase()} sow itself`,
    standId,
    writes: [changed('stands', stand, { end: mother.end }), added('stands', seedlings)],
  }
}

/** A stand that sows itself has come up: its sowing is recorded as it was expected, with the day on which its seed lay. */
export const cameUpItself = (stand: Stand): Step => ({
  label: `${standName(stand)} came up by itself`,
  writes: [changed('stands', stand, { start: { ...stand.start, actual: stand.start.plan } })],
})
