import equal from 'lodash-es/isEqual'
import type { Candidate } from '../core/choosing/types'
import { isoDate } from '../core/foundations/day'
import { coverStand } from '../core/garden/newStands'
import type { BedPart, Bed, GardenData, PurposeId, Stand } from '../core/garden/schema'
import { added, changed, type Write } from '../data/writes'
import { standsWith, type CropPlan } from './planStretch'

/** What a cover is chosen with: its ground, what for, what it is sown under, and what is known to follow. */
export type CoverChoice = {
  bed: Bed
  part: BedPart
  purposes: PurposeId[]
  underStandId: string | null
  /** The crop that was named to follow, where none is planned yet. */
  crop: CropPlan | null
  follows: Stand['follows']
}

/** The stands that a chosen candidate is planned as: the cover with its ending, and the crop named with it. */
export function chosenStands(
  { parts, sowDay, covering, ending }: Pick<Candidate, 'parts' | 'sowDay' | 'covering' | 'ending'>,
  { bed, part, purposes, underStandId, crop, follows }: CoverChoice,
  ids: { cover: string; crop: string },
): Stand[] {
  const cover: Stand = {
    ...coverStand(
      { id: ids.cover, gardenId: bed.gardenId, bedId: bed.id, part, underStandId },
      parts,
      purposes,
      { date: isoDate(sowDay), covering },
    ),
    follows: crop ? null : follows,
    end: { plan: ending?.end ?? null, fact: null },
  }
  return crop ? standsWith({ stands: [cover] }, cover, { crop }, ids.crop) : [cover]
}

/** The writes that plan a chosen candidate; a crop planned after it already takes over what was said of it. */
export function planCover(
  data: Pick<GardenData, 'stands'>,
  candidate: Candidate,
  choice: CoverChoice,
  ids: { cover: string; crop: string },
): Write[] {
  const [cover] = chosenStands(candidate, { ...choice, crop: null }, ids)
  const planned = { ...cover, follows: choice.crop ? null : choice.follows }
  const stands = [...data.stands, planned]
  const before = new Map(data.stands.map((stand) => [stand.id, stand]))
  const after = choice.crop ? standsWith({ stands }, planned, { crop: choice.crop }, ids.crop) : stands
  return after.flatMap((stand): Write[] => {
    const seen = before.get(stand.id)
    if (!seen) return [added('stands', stand)]
    return seen === stand || equal(seen, stand) ? [] : [changed('stands', seen, stand)]
  })
}
