import { isoDate } from '../foundations/day'
import { FRESH_BED } from '../garden/fresh'
import { coverStand } from '../garden/newStands'
import type { Bed } from '../garden/schema'
import { ofUsualSeed } from '../choosing/composition'
import { coveringFor } from '../choosing/covering'
import type { Species } from '../plants/parameters'
import type { StandCase } from '../season/cases'

const PLAIN = 'plain'

/** Open ground on loam, ten metres by one, of medium fertility. */
const PLAIN_BED: Bed = {
  ...FRESH_BED,
  id: PLAIN,
  gardenId: PLAIN,
  sectionId: PLAIN,
  label: PLAIN,
  walkOrder: 0,
  kind: 'in-ground',
  lengthM: 10,
  widthM: 1,
  pathWidthM: 0.5,
  soil: 'loam',
  fertility: 'medium',
  shade: 0,
}

/** A straight stand of a species on plain ground, sown on a day at its usual rate, which nobody ends. */
export const plainCase = (plant: Species, sowDay: number): StandCase => ({
  bed: PLAIN_BED,
  stand: coverStand(
    {
      id: `${plant.id} ${sowDay}`,
      gardenId: PLAIN,
      bedId: PLAIN,
      segment: { kind: 'whole' },
      underStandId: null,
    },
    ofUsualSeed([{ speciesId: plant.id, share: 1 }]),
    [],
    { date: isoDate(sowDay), covering: coveringFor([plant], false) },
  ),
  upper: null,
  checks: [],
  nextStartDay: null,
  flattens: false,
})
