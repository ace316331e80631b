import type { Check } from '../../core/garden/check'
import type { Bed, Stand } from '../../core/garden/schema'
import { changed, type Write } from '../../data/writes'
import { leadFamily } from '../../text/names'
import type { PreparedPicture } from '../../compute/picture/picture'

/** A picture taken with a check, and the id it is kept under. */
export type Taken = { id: string; picture: PreparedPicture }

/**
 * What is stored with a check: itself, its pictures, and a disease or pest that it names, once, on the bed, where
 * Choose looks for it. `old` is the check that is changed; `troubleId` is the id that such a note would get.
 */
export function checkWrites(
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
  const ill = check.damage?.find(({ kind, what }) => (kind === 'disease' || kind === 'pest') && what !== '')
  const family = leadFamily(stand)
  const troubles = bed.troubles ?? []
  if (ill && family && !troubles.some((entry) => entry.what === ill.what && entry.family === family))
    writes.push(
      changed('beds', bed, {
        troubles: [...troubles, { id: troubleId, date: check.date, family, what: ill.what }],
      }),
    )
  return writes
}

/** What the form does not show of a check but a change of it must not lose. */
export function carriedOver(changed: Check, old: Check | undefined): Check {
  if (!old) return changed
  const [first] = changed.damage ?? []
  const damage = [...(first ? [first] : []), ...(old.damage ?? []).slice(1)]
  return {
    ...changed,
    ...(damage.length > 0 && { damage }),
    ...(old.decision && { decision: old.decision }),
    ...(old.plants?.speciesId &&
      changed.plants && { plants: { ...changed.plants, speciesId: old.plants.speciesId } }),
  }
}
