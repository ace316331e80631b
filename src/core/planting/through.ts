import type { Bed, PlantingMethodId } from '../garden/schema'
import type { Crop } from '../plants/crops'

/** A way of getting the crop into the ground through what lies on it, and why it fits or not. */
export type PlantingWay = {
  id: PlantingMethodId
  name: string
  fits: 'well' | 'fair' | 'poorly'
  reason: string
}

/** More mulch than this, g m⁻², hides the ground from a trowel; and from a seed row. */
const THICK_G = 600
const SEED_ROW_G = 150
/** Rows nearer than this, cm, leave no mulch between them worth keeping. */
const NARROW_ROW_CM = 30

const RANK = { well: 0, fair: 1, poorly: 2 } as const

/** Ways to plant through a mulch, the fitting ones first. */
export function waysThrough(
  mulchG: number,
  crop: Pick<Crop, 'smallSeed' | 'rowCm' | 'plantCm' | 'name'>,
  establishment: 'transplant' | 'seed',
  soil: Bed['soil'],
  tiesUp: boolean,
): PlantingWay[] {
  const transplants = establishment === 'transplant'
  const heavy = soil === 'clay' || soil === 'clay loam'
  const ways: PlantingWay[] = [
    {
      id: 'slot',
      name: 'Part the mulch and open a slot',
      fits: transplants ? (mulchG > 1.5 * THICK_G ? 'fair' : 'well') : 'poorly',
      reason: transplants
        ? mulchG > 1.5 * THICK_G
          ? 'So thick a mulch closes over the slot: open a hand’s width.'
          : 'The mulch stays where it is and the soil is hardly moved.'
        : 'Seed would lie in the mulch, not in the soil.',
    },
    {
      id: 'dibble',
      name: 'Dibble through it',
      fits: transplants && !heavy && crop.plantCm <= 20 ? 'well' : transplants && !heavy ? 'fair' : 'poorly',
      reason: transplants
        ? heavy
          ? 'In heavy soil a dibble smears the sides of the hole.'
          : 'Quick for many small plants.'
        : 'Only for seed dropped one by one, such as beans.',
    },
    {
      id: 'rake',
      name: 'Rake rows free',
      fits: !transplants
        ? mulchG > THICK_G && crop.rowCm < NARROW_ROW_CM
          ? 'poorly'
          : 'well'
        : mulchG > THICK_G
          ? 'fair'
          : 'poorly',
      reason: !transplants
        ? mulchG <= SEED_ROW_G
          ? 'There is little to move; seed finds the soil.'
          : 'Bare, warmer rows for seed; put the mulch back once it stands.'
        : 'Bare rows warm sooner, yet weeds come up in them.',
    },
    {
      id: 'compost row',
      name: 'Compost over the mulch, in rows',
      fits: !transplants ? (crop.smallSeed ? 'well' : 'fair') : tiesUp ? 'well' : 'fair',
      reason:
        crop.smallSeed && !transplants
          ? 'Two or three centimetres of compost make the seedbed that the mulch is not.'
          : tiesUp
            ? 'It feeds the plants while the residue ties nitrogen up.'
            : 'It works at once; the compost is the cost.',
    },
    {
      id: 'loosen',
      name: 'Fork loose without turning',
      fits: heavy ? 'well' : 'fair',
      reason: heavy
        ? 'Heavy soil under a cover is often tight; loosen before planting, when it crumbles.'
        : 'Only where a fork goes in hard.',
    },
  ]
  return ways.sort((a, b) => RANK[a.fits] - RANK[b.fits])
}
