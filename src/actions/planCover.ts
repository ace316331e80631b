import { ofUsualSeed } from '../core/choosing/composition'
import type { MixComponent } from '../core/choosing/types'
import type { OwnPlan } from '../core/choosing/own'
import { dayNumber, isoDate } from '../core/foundations/day'
import { madeWay, occupantsOf, standsTaking } from '../core/season/occupied'
import { coverStand } from '../core/garden/newStands'
import type { Segment, Bed, GardenData, PurposeId, Stand } from '../core/garden/schema'
import { findCrop } from '../core/plants/crops'
import { standsCutOver } from '../core/seeding/dropOver'
import { newId } from '../data/ids'
import { added, type Write } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'
import { standsWith, writesBetween, type CropPlan } from './planStretch'

/** What a cover is chosen with: its ground, what for, what it is sown under, and what is known to follow. */
export type CoverChoice = {
  bed: Bed
  segment: Segment
  purposes: PurposeId[]
  underStandId: string | null
  /** Whether what it is sown into is cut over the seed that day. */
  dropsOver?: boolean
  /** The crop that was named to follow; one planned already takes it over. */
  crop: CropPlan | null
  follows: Stand['follows']
}

/** The cover that a chosen candidate is planned as, its ending with it. */
export const chosenCover = (
  { components, sowDay, covering, ending }: OwnPlan,
  { bed, segment, purposes, underStandId, crop, follows }: CoverChoice,
  id: string,
): Stand => ({
  ...coverStand(
    { id, gardenId: bed.gardenId, bedId: bed.id, segment, underStandId },
    ofUsualSeed(components),
    purposes,
    {
      date: isoDate(sowDay),
      covering,
    },
  ),
  follows: crop ? null : follows,
  end: { plan: ending?.end ?? null, actual: null },
})

/** Plans what follows in a living aisle, as a cover that may stay. */
export function planInAisle(
  bed: Bed,
  aisle: Stand,
  { components, day }: { components: readonly MixComponent[]; day: number },
): Step {
  const stand = coverStand(
    { id: newId('stand'), gardenId: bed.gardenId, bedId: bed.id, segment: aisle.segment, underStandId: null },
    ofUsualSeed(components),
    aisle.content.kind === 'cover' ? aisle.content.purposes : [],
    { date: isoDate(day), covering: 'raked' },
  )
  return {
    label: `Planned ${standName(stand).toLowerCase()} in the aisle of ${bed.label}`,
    writes: [added('stands', { ...stand, follows: { kind: 'stays' } })],
  }
}

/** Plans a chosen candidate; `next` is the crop planned after it already, which takes over what was said of it. */
export function planCover(
  data: Pick<GardenData, 'beds' | 'stands'>,
  candidate: OwnPlan,
  choice: CoverChoice,
  next: Stand | undefined,
): Step & { standId: string } {
  const ids = { cover: newId('stand'), crop: newId('stand'), split: () => newId('stand') }
  const name = standName(chosenCover(candidate, choice, ids.cover)).toLowerCase()
  const crop = next ? null : findCrop(choice.crop?.cropId ?? '')
  return {
    label: `Planned ${name}${crop ? `, then ${crop.name.toLowerCase()},` : ''} in ${choice.bed.label}`,
    writes: coverWrites(data, candidate, choice, ids),
    standId: ids.cover,
  }
}

/** The writes that plan a chosen candidate. */
export function coverWrites(
  data: Pick<GardenData, 'beds' | 'stands'>,
  candidate: OwnPlan,
  choice: CoverChoice,
  ids: { cover: string; crop: string; split: () => string },
): Write[] {
  const cover = chosenCover(candidate, choice, ids.cover)
  // The bed was said to be free: what still stands there ends then, unless the cover is sown under it.
  const day = dayNumber(cover.start.plan!.date)
  const said = Object.fromEntries(
    occupantsOf(data.stands, choice.bed, cover, day).map((occupant) => [
      occupant.stand.id,
      occupant.stand.id === choice.underStandId ? 'goes on' : madeWay(occupant),
    ]),
  )
  const taking = standsTaking(data.stands, choice.bed, cover, ids.split, said)
  const stands = choice.dropsOver ? standsCutOver(taking, choice.underStandId, day) : taking
  const { crop } = choice
  return writesBetween(
    data.stands,
    crop ? standsWith({ beds: data.beds, stands }, cover, { crop }, ids.crop) : stands,
  )
}
