import { stopsOf } from '../termination/stops'
import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import type { ManureKind, NitrogenSource, Rules } from '../garden/rules'
import { USUAL_RULES } from '../garden/usualRules'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { Crop } from '../plants/crops'

/** Names that speak of manure. */
const MANURE_NAMES = /manure|dung|muck|droppings|litter|slurry|guano/i

/** What manure a feed holds; where nobody said, by its name, and then nobody knows how it was treated. */
export const manureOf = (source: Pick<NitrogenSource, 'name' | 'manure'>): ManureKind =>
  source.manure ?? (MANURE_NAMES.test(source.name) ? 'unknown' : 'none')

/** Whether a feed starts the clock to the harvest as animals do: raw manure, and manure of unknown treatment. */
export const startsClock = (kind: ManureKind) => kind === 'raw' || kind === 'unknown'

/** When manure last came onto a bed, and from what. */
export type LastManure = { day: number; from: 'animals' | 'feed' }

function animalDays(bed: Bed, stand: Stand): number[] {
  const end = latest(stand.end)
  const grazed = stand.cuts.flatMap(({ cut }) => {
    const details = latest(cut)
    return details?.fate === 'grazed' ? [dayNumber(details.date)] : []
  })
  if (!end?.animals) return grazed
  const plot = segmentSizeM(bed, stand.segment)
  const last = stopsOf(end.animals, plot.lengthM, plot.widthM, dayNumber(end.date)).at(-1)!
  return [...grazed, Math.ceil(last.endDay)]
}

/** Every day on which manure comes onto a bed, by the animals of these stands or spread raw or of unknown treatment. */
export function manureOn(bed: Bed, stands: readonly Stand[]): LastManure[] {
  const animals = stands
    .filter((stand) => stand.bedId === bed.id)
    .flatMap((stand) => animalDays(bed, stand))
    .map((day): LastManure => ({ day, from: 'animals' }))
  const feed = bed.spreads
    .filter(({ manure }) => startsClock(manure))
    .map(({ date, animals }): LastManure => ({
      day: dayNumber(date),
      from: animals ? 'animals' : 'feed',
    }))
  return [...animals, ...feed]
}

/** Whether the eaten part of a crop touches soil or its splash: as the grower says, else as is usual for the crop. */
export const touchesSoil = (crop: Pick<Crop, 'id' | 'touchesSoil'>, rules: Rules = USUAL_RULES): boolean =>
  rules.harvestTouches[crop.id] ?? crop.touchesSoil

/** Days that must lie between manure and the harvest of a crop. */
export const manureDaysFor = (crop: Pick<Crop, 'id' | 'touchesSoil'>, rules: Rules = USUAL_RULES): number =>
  touchesSoil(crop, rules) ? rules.manureDays.touching : rules.manureDays.clear
