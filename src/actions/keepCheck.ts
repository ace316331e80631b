import { FRESH_CHECK, FRESH_STAND } from '../core/garden/fresh'
import type { Step } from './step'
import { isoDate } from '../core/foundations/day'
import { segmentAreaM2, segmentSizeM } from '../core/garden/area'
import type { Check } from '../core/garden/check'
import { rectangleOf, segmentOn } from '../core/garden/ground'
import type { Bed, Component, GardenData, Segment, Stand } from '../core/garden/schema'
import { resowGrams } from '../core/seeding/resow'
import type { Trouble } from '../core/tracking/decisions'
import { newId } from '../data/ids'
import { added, changed, type Write } from '../data/writes'
import { percent } from '../text/format'
import { leadFamily, standName } from '../text/names'

/** A picture taken with a check, as JPEG, whole and small, and the id it is kept under. */
export type Taken = {
  id: string
  picture: Record<'full' | 'small', Uint8Array<ArrayBuffer>> & { widthPx: number; heightPx: number }
}

/**
 * What is stored with a check: itself, its pictures, and a disease or pest that it names, once, on the bed, where
 * Choose looks for it. `old` is the check that is changed; `troubleId` is the id that such a note would get.
 */
function checkWrites(
  check: Check,
  old: Check | undefined,
  taken: readonly Taken[],
  stand: Stand,
  bed: Bed,
  troubleId: string,
): Write[] {
  const writes: Write[] = [
    { table: 'checks', put: check, seen: old ?? null },
    ...taken.map(({ id, picture }): Write => ({
      table: 'pictures',
      put: {
        id,
        gardenId: check.gardenId,
        bedId: bed.id,
        standId: stand.id,
        date: check.date,
        widthPx: picture.widthPx,
        heightPx: picture.heightPx,
        bytes: picture.full.byteLength + picture.small.byteLength,
        caption: '',
      },
      seen: null,
      bytes: { full: picture.full, small: picture.small },
    })),
  ]
  const ill = check.damage.find(({ kind, what }) => (kind === 'disease' || kind === 'pest') && what !== '')
  const family = leadFamily(stand)
  const troubles = bed.troubles
  if (ill && family && !troubles.some((entry) => entry.what === ill.what && entry.family === family))
    writes.push(
      changed('beds', bed, {
        troubles: [...troubles, { id: troubleId, date: check.date, family, what: ill.what }],
      }),
    )
  return writes
}

/** What the form does not show of a check but a change of it must not lose. */
function carriedOver(changed: Check, old: Check | undefined): Check {
  if (!old) return changed
  const [first] = changed.damage
  return {
    ...changed,
    damage: [...(first ? [first] : []), ...old.damage.slice(1)],
    ...(old.decision && { decision: old.decision }),
    ...(old.plants?.speciesId &&
      changed.plants && { plants: { ...changed.plants, speciesId: old.plants.speciesId } }),
  }
}

/** Keeps a check, new or changed (`old` as it was when the change began), with its pictures and what it names. */
export function keepCheck(
  check: Check,
  old: Check | undefined,
  taken: readonly Taken[],
  stand: Stand,
  bed: Bed,
): Step {
  return {
    label: `${old ? 'Changed a check of' : 'Checked'} ${standName(stand).toLowerCase()}`,
    writes: checkWrites(carriedOver(check, old), old, taken, stand, bed, newId('trouble')),
  }
}

export const removeCheck = (check: Check): Step => ({
  label: 'Removed a check',
  writes: [
    { table: 'checks', remove: check.id },
    ...check.pictureIds.map((id): Write => ({ table: 'pictures', remove: id })),
  ],
})

type Decision = NonNullable<Check['decision']>

/** A decision on a trouble, written on the check that found it, or on one of its own. */
function decided(
  { checks }: Pick<GardenData, 'checks'>,
  stand: Stand,
  { checkId, share }: Trouble,
  decision: Decision,
  today: number,
): Write {
  const found = checks.find(({ id }) => id === checkId)
  if (found) return changed('checks', found, { decision })
  return added('checks', {
    id: newId('check'),
    gardenId: stand.gardenId,
    standId: stand.id,
    date: isoDate(today),
    ...FRESH_CHECK,
    note: `By the forecast ${percent(share)} of the plants are lost.`,
    decision,
  })
}

/** Decides on a stand that is thin, hurt or weedy. */
export const decideOnStand = (
  data: Pick<GardenData, 'checks'>,
  stand: Stand,
  trouble: Trouble,
  decision: Decision,
  today: number,
): Step => ({
  label: 'Decided on the stand',
  writes: [decided(data, stand, trouble, decision, today)],
})

/** Share of the rate that is missing where a trouble was found. */
export const missingShare = ({ kind, share }: Trouble): number =>
  kind === 'weeds' ? 0.5 : kind === 'thin' ? 1 - share : share

/** Seed of each species that a stretch of `share` of a bed wants, g. */
export function resowNeeds(stand: Stand, bed: Bed, share: number, missing: number) {
  const areaM2 = segmentAreaM2(bed, stand.segment)
  return (stand.start.actual?.components ?? []).map((component) => {
    const perM2 = (component.grams ?? 0) / Math.max(0.01, areaM2)
    return { component, grams: resowGrams(perM2, areaM2, share, 1 - missing) }
  })
}

/** A mix at a part of its rate, so that its recipe weighs out only what is missing. */
const thinner = (components: readonly Component[], share: number): Component[] =>
  components.map((component) => ({ ...component, share: Math.max(0.01, component.share * share) }))

/** Above this share of the bed it is all of it. */
const WHOLE_SHARE = 0.98

/** A stretch along a bed, as wide as the part it lies in. */
function stretchWithin(segment: Segment, bed: Bed, fromM: number, toM: number): Segment {
  const ground = rectangleOf(segment, bed)
  return ground ? segmentOn({ ...ground, fromM, toM }, bed) : segment
}

/** Plans sowing a stretch of a stand again today, m along the bed, and decides on the trouble so. */
export function sowPartAgain(
  data: Pick<GardenData, 'checks'>,
  stand: Stand,
  bed: Bed,
  trouble: Trouble,
  { fromM, toM }: { fromM: number; toM: number },
  today: number,
): Step & { standId: string } {
  const { lengthM } = segmentSizeM(bed, stand.segment)
  const share = Math.min(1, (toM - fromM) / lengthM)
  const missing = missingShare(trouble)
  const again: Stand = {
    id: newId('stand'),
    gardenId: stand.gardenId,
    bedId: bed.id,
    segment: share > WHOLE_SHARE ? stand.segment : stretchWithin(stand.segment, bed, fromM, toM),
    content:
      stand.content.kind === 'cover'
        ? { ...stand.content, components: thinner(stand.content.components, missing) }
        : stand.content,
    ...FRESH_STAND,
    underStandId: stand.id,
    start: {
      plan: {
        date: isoDate(today),
        covering: stand.start.actual?.covering ?? 'raked',
        passes: 1,
        keptMoistDays: 0,
        sownBetween: null,
        components: resowNeeds(stand, bed, share, missing).map(({ component, grams }) => ({
          ...component,
          grams: Math.round(grams * 10) / 10,
        })),
        note: 'Sown again where it was thin.',
      },
      actual: null,
    },
    end: { plan: stand.end.plan, actual: null },
  }
  return {
    label: 'Planned sowing again',
    writes: [added('stands', again), decided(data, stand, trouble, 'resow', today)],
    standId: again.id,
  }
}
