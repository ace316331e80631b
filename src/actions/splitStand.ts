import { segmentAreaM2 } from '../core/garden/area'
import type { Check } from '../core/garden/check'
import { failure, success, type Outcome } from '../core/foundations/outcome'
import { splitSegment } from '../core/garden/splitSegment'
import type { Rectangle } from '../core/garden/bed'
import type { Bed, GardenData, Segment, Stand, StartDetails } from '../core/garden/schema'
import { newId } from '../data/ids'
import { added, changed } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

/** A share of what was weighed for a whole, or is to be. */
const ofStart = (start: StartDetails | null, share: number): StartDetails | null =>
  start && {
    ...start,
    components: start.components.map((component) => ({
      ...component,
      grams: component.grams === null ? null : component.grams * share,
    })),
  }

/** A stand as it is on a part of its ground: its seed and cuttings by the share of it; lanes and pens are laid anew. */
function onSegment(stand: Stand, segment: Segment, share: number): Partial<Stand> {
  const plan = stand.end.plan && { ...stand.end.plan }
  delete plan?.lanes
  delete plan?.animals
  return {
    segment,
    start: { plan: ofStart(stand.start.plan, share), actual: ofStart(stand.start.actual, share) },
    cuts: stand.cuts.map(({ id, cut }) => ({
      id,
      cut: {
        ...cut,
        actual: cut.actual && {
          ...cut.actual,
          ...(cut.actual.took && {
            took: {
              massKg: cut.actual.took.massKg * share,
              nitrogenG: cut.actual.took.nitrogenG * share,
            },
          }),
        },
      },
    })),
    end: { plan, actual: null },
  }
}

/** The looks at the whole stand, for the part that becomes a stand of its own; pictures stay with the first. */
const checksFor = (checks: readonly Check[], standId: string): Check[] =>
  checks.map((check) => ({
    ...check,
    id: newId('check'),
    standId,
    pictureIds: [],
    note: check.note || 'Looked at before the bed was parted.',
  }))

/**
 * Takes a piece out of what a stand stands on: the first of the parts along the bed stays that stand, each other becomes one
 * of its own with the same history, and each may be cut, ended and counted by itself from now on.
 */
export function splitStand(
  data: Pick<GardenData, 'stands' | 'checks'>,
  stand: Stand,
  bed: Bed,
  piece: Rectangle,
): Outcome<Step & { standId: string }> {
  if (stand.end.actual)
    return failure({
      path: 'piece',
      code: 'ended',
      message: 'It was ended as one. Take the recorded end back first.',
    })
  if (data.stands.some(({ underStandId }) => underStandId === stand.id))
    return failure({
      path: 'piece',
      code: 'something-under-it',
      message: 'Something is sown under it. Remove that, part this one, and sow it under either part.',
    })
  const parts = splitSegment(bed, stand.segment, piece)
  if (!parts.ok) return parts
  const [first, ...others] = parts.value
  const whole = segmentAreaM2(bed, stand.segment)
  const on = (part: Segment) => onSegment(stand, part, segmentAreaM2(bed, part) / whole)
  const apart = others.map((part): Stand => ({ ...stand, ...on(part), id: newId('stand') }))
  const looks = data.checks.filter(({ standId }) => standId === stand.id)
  return success({
    label: `Parted ${standName(stand).toLowerCase()} in ${bed.label}`,
    writes: [
      changed('stands', stand, on(first)),
      ...apart.map((part) => added('stands', part)),
      ...apart.flatMap(({ id }) => checksFor(looks, id)).map((check) => added('checks', check)),
    ],
    standId: apart[0].id,
  })
}
