import { isoDate, parseDay } from '../../core/foundations/day'
import type { Candidate } from '../../core/choosing/types'
import type { Bed, Stand } from '../../core/garden/schema'
import { findCrop } from '../../core/plants/crops'
import { newId } from '../../data/ids'
import { partOf, type ChooseForm } from './question'

/** Days a cover that nothing follows is planned to stand at least, where no ending is reckoned. */
const KEPT_DAYS = 1
/** Germination taken until a packet or a test says otherwise. */
const USUAL_GERMINATION = 0.85

/** The cover that was chosen, as a plan: sown, and ended where it must be. */
export function plannedCover(
  candidate: Candidate,
  form: Pick<ChooseForm, 'ground' | 'stripFrom' | 'stripTo' | 'purposes'>,
  bed: Bed,
  underStandId: string | null,
): Stand {
  const { ending, sowDay, covering } = candidate
  return {
    id: newId('stand'),
    gardenId: bed.gardenId,
    bedId: bed.id,
    part: partOf(form, bed) ?? { kind: 'whole' },
    underStandId,
    cuts: [],
    note: '',
    content: {
      kind: 'cover',
      components: candidate.parts.map((part) => ({
        ...part,
        germination: USUAL_GERMINATION,
        grams: null,
      })),
      purposes: form.purposes,
    },
    start: {
      plan: { date: isoDate(sowDay), covering, passes: 2, components: [], note: '' },
      fact: null,
    },
    end: {
      plan: ending && {
        date: isoDate(Math.max(ending.latestSafeDay ?? ending.startDay, sowDay + KEPT_DAYS)),
        method: ending.method,
        passes: ending.passes,
        note: '',
      },
      fact: null,
    },
  }
}

/** The crop that was named to follow, planned for the day it was named with; null where none was. */
export function plannedCrop(
  form: Pick<ChooseForm, 'cropId' | 'establishment' | 'neededBy'>,
  bed: Bed,
): Stand | null {
  const crop = findCrop(form.cropId)
  const day = parseDay(form.neededBy)
  if (!crop || day === null) return null
  return {
    id: newId('stand'),
    gardenId: bed.gardenId,
    bedId: bed.id,
    part: { kind: 'whole' },
    underStandId: null,
    cuts: [],
    note: '',
    content: { kind: 'crop', cropId: crop.id, establishment: form.establishment },
    start: {
      plan: { date: isoDate(day), covering: null, passes: null, components: [], note: '' },
      fact: null,
    },
    end: {
      plan: { date: isoDate(day + crop.daysInBed), method: 'harvest', passes: 1, note: '' },
      fact: null,
    },
  }
}
