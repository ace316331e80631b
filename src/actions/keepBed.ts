import type { Step } from './step'
import { isoDate } from '../core/foundations/day'
import type { Bed, GardenData, Stand } from '../core/garden/schema'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { shortDate } from '../text/format'
import { standName } from '../text/names'

/** Water given by hand to a stand, mm. */
export const waterStand = (stand: Stand, { day, mm }: { day: number; mm: number }): Step => ({
  label: `Watered on ${shortDate(day)}`,
  writes: [
    changed('stands', stand, {
      waterings: [
        ...stand.waterings,
        { id: newId('watering'), date: isoDate(day), mm: Math.round(mm * 10) / 10 },
      ],
    }),
  ],
})

/** Notes a disease, pest or worst weed of a bed, with the plant family that suffers or is it. */
export const noteTrouble = (
  bed: Bed,
  { day, family, what }: { day: number; family: string; what: string },
): Step => ({
  label: `Noted ${what} in ${bed.label}`,
  writes: [
    changed('beds', bed, {
      troubles: [...bed.troubles, { id: newId('trouble'), date: isoDate(day), family, what }],
    }),
  ],
})

/** Names the worst weeds of some beds at once, where they are not named yet. */
export const nameWeeds = (beds: readonly Bed[], weeds: readonly string[], today: number): Step => ({
  label: `${weeds.join(' and ')} in ${beds.length <= 3 ? beds.map(({ label }) => label).join(', ') : `${beds.length} beds`}`,
  writes: beds.flatMap((bed) => {
    const fresh = weeds.filter((weed) => !bed.troubles.some(({ what }) => what === weed))
    return fresh.length === 0
      ? []
      : [
          changed('beds', bed, {
            troubles: [
              ...bed.troubles,
              ...fresh.map((what) => ({ id: newId('trouble'), date: isoDate(today), family: WEED, what })),
            ],
          }),
        ]
  }),
})
/** What a weed is noted under: it keeps no crop's family away. */
export const WEED = 'weed'

export const removeTrouble = (bed: Bed, troubleId: string): Step => {
  const troubles = bed.troubles
  const what = troubles.find(({ id }) => id === troubleId)?.what ?? 'a trouble'
  return {
    label: `Removed ${what} from ${bed.label}`,
    writes: [changed('beds', bed, { troubles: troubles.filter(({ id }) => id !== troubleId) })],
  }
}

/** Takes a stand out, with its checks. */
export const removeStand = ({ checks }: Pick<GardenData, 'checks'>, stand: Stand): Step => ({
  label: `Removed ${standName(stand).toLowerCase()}`,
  writes: [
    { table: 'stands', remove: stand.id },
    ...checks
      .filter(({ standId }) => standId === stand.id)
      .map(({ id }) => ({ table: 'checks' as const, remove: id })),
  ],
})
