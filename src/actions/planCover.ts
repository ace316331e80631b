import type { Candidate } from '../core/choosing/types'
import { isoDate } from '../core/foundations/day'
import { coverStand } from '../core/garden/newStands'
import type { BedPart, Bed, PurposeId, Stand } from '../core/garden/schema'
import { added, type Write } from '../data/writes'
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

/** The writes that plan a chosen candidate. */
export const planCover = (
  candidate: Candidate,
  choice: CoverChoice,
  ids: { cover: string; crop: string },
): Write[] => chosenStands(candidate, choice, ids).map((stand) => added('stands', stand))
