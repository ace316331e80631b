import type { Bed, PlantingMethodId } from '../garden/schema'
import type { Crop } from '../plants/crops'

/** Why a way of planting fits or does not. */
export type ThroughReason =
  | 'closes over'
  | 'stays put'
  | 'seed in mulch'
  | 'smears'
  | 'quick for many'
  | 'single seeds'
  | 'little to move'
  | 'warmer rows'
  | 'weeds in rows'
  | 'makes a seedbed'
  | 'feeds through tie-up'
  | 'costs compost'
  | 'tight soil'
  | 'only where hard'
  | 'too thick to bury'
  | 'few large plants'
  | 'too many holes'
  | 'holds a season'
  | 'gone too soon'
  | 'keeps seed moist'
  | 'only for seed'

/** A way of getting the crop into the ground through what lies on it, and why it fits or not. */
export type PlantingMethod = {
  id: PlantingMethodId
  fits: 'well' | 'fair' | 'poorly'
  reason: ThroughReason
}

/** More mulch than this, g m⁻², hides the ground from a trowel; and from a seed row. */
const THICK_G = 600
const SEED_ROW_G = 150
/** Plants at least so far apart, cm, are few enough for a pocket or a hole each; crops of fewer days leave film too soon. */
const APART_CM = 25
const LONG_DAYS = 60
/** Rows nearer than this, cm, leave no mulch between them worth keeping. */
const NARROW_ROW_CM = 30

const RANK = { well: 0, fair: 1, poorly: 2 } as const

/** Ways to plant through a mulch, the fitting ones first. */
export function plantingMethods(
  mulchG: number,
  crop: Pick<Crop, 'smallSeed' | 'rowCm' | 'plantCm' | 'name' | 'daysInBed'>,
  establishment: 'transplant' | 'seed',
  soil: Bed['soil'],
  tiesUp: boolean,
): PlantingMethod[] {
  const transplants = establishment === 'transplant'
  const heavy = soil === 'clay' || soil === 'clay loam'
  const methods: PlantingMethod[] = [
    {
      id: 'slot',
      fits: transplants ? (mulchG > 1.5 * THICK_G ? 'fair' : 'well') : 'poorly',
      reason: transplants ? (mulchG > 1.5 * THICK_G ? 'closes over' : 'stays put') : 'seed in mulch',
    },
    {
      id: 'dibble',
      fits: transplants && !heavy && crop.plantCm <= 20 ? 'well' : transplants && !heavy ? 'fair' : 'poorly',
      reason: transplants ? (heavy ? 'smears' : 'quick for many') : 'single seeds',
    },
    {
      id: 'rake',
      fits: !transplants
        ? mulchG > THICK_G && crop.rowCm < NARROW_ROW_CM
          ? 'poorly'
          : 'well'
        : mulchG > THICK_G
          ? 'fair'
          : 'poorly',
      reason: !transplants ? (mulchG <= SEED_ROW_G ? 'little to move' : 'warmer rows') : 'weeds in rows',
    },
    {
      id: 'compost row',
      fits: !transplants ? (crop.smallSeed ? 'well' : 'fair') : tiesUp ? 'well' : 'fair',
      reason:
        crop.smallSeed && !transplants
          ? 'makes a seedbed'
          : tiesUp
            ? 'feeds through tie-up'
            : 'costs compost',
    },
    {
      id: 'compost blanket',
      fits: mulchG > THICK_G ? 'poorly' : crop.smallSeed && !transplants ? 'well' : 'fair',
      reason:
        mulchG > THICK_G
          ? 'too thick to bury'
          : crop.smallSeed && !transplants
            ? 'makes a seedbed'
            : 'costs compost',
    },
    {
      id: 'pockets',
      fits: !transplants || crop.plantCm < APART_CM ? 'poorly' : tiesUp ? 'well' : 'fair',
      reason: !transplants
        ? 'single seeds'
        : crop.plantCm < APART_CM
          ? 'too many holes'
          : tiesUp
            ? 'feeds through tie-up'
            : 'few large plants',
    },
    {
      id: 'film',
      fits:
        (!transplants && crop.smallSeed) || crop.plantCm < APART_CM
          ? 'poorly'
          : crop.daysInBed < LONG_DAYS
            ? 'fair'
            : 'well',
      reason:
        !transplants && crop.smallSeed
          ? 'single seeds'
          : crop.plantCm < APART_CM
            ? 'too many holes'
            : crop.daysInBed < LONG_DAYS
              ? 'gone too soon'
              : 'holds a season',
    },
    {
      id: 'plank',
      fits: transplants || mulchG > SEED_ROW_G ? 'poorly' : 'well',
      reason: transplants ? 'only for seed' : mulchG > SEED_ROW_G ? 'seed in mulch' : 'keeps seed moist',
    },
    {
      id: 'loosen',
      fits: heavy ? 'well' : 'fair',
      reason: heavy ? 'tight soil' : 'only where hard',
    },
  ]
  return methods.sort((a, b) => RANK[a.fits] - RANK[b.fits])
}
