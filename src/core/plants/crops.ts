import { z } from 'zod'

/** A cash crop that stands in a bed or follows a cover. */
export const crop = z.object({
  id: z.string(),
  name: z.string(),
  shortName: z.string().max(9),
  family: z.string(),
  establishment: z.enum(['transplant', 'seed']),
  /** Sown seed so small that residue and clods hold it back. */
  smallSeed: z.boolean(),
  /** Nitrogen a full crop takes up, g m⁻² (extension; ±30 %). */
  nitrogenG: z.number().min(0).max(40),
  /** Least soil temperature at 5 cm for planting, °C (extension). */
  soilMinC: z.number().min(0).max(20),
  /** Lowest air temperature young plants bear, °C (extension). */
  frostLimitC: z.number().min(-10).max(4),
  /** Usual days from planting to clearing the bed. */
  daysInBed: z.number().min(20).max(400),
})
export type Crop = z.infer<typeof crop>

type Row = [id: string, name: string, shortName: string, family: string, establishment: 'transplant' | 'seed', smallSeed: boolean, nitrogenG: number, soilMinC: number, frostLimitC: number, daysInBed: number]

const rows: Row[] = [
  ['tomato', 'Tomato', 'tomato', 'Solanaceae', 'transplant', false, 18, 13, 1, 130],
  ['pepper', 'Pepper', 'pepper', 'Solanaceae', 'transplant', false, 15, 15, 2, 130],
  ['aubergine', 'Aubergine', 'aubergine', 'Solanaceae', 'transplant', false, 16, 16, 2, 125],
  ['potato', 'Potato', 'potato', 'Solanaceae', 'transplant', false, 16, 8, -1, 110],
  ['squash', 'Squash', 'squash', 'Cucurbitaceae', 'transplant', false, 14, 15, 1, 110],
  ['pumpkin', 'Pumpkin', 'pumpkin', 'Cucurbitaceae', 'transplant', false, 14, 15, 1, 120],
  ['cucumber', 'Cucumber', 'cucumber', 'Cucurbitaceae', 'transplant', false, 15, 16, 2, 90],
  ['courgette', 'Courgette', 'courgette', 'Cucurbitaceae', 'transplant', false, 15, 15, 1, 95],
  ['cabbage', 'Cabbage', 'cabbage', 'Brassicaceae', 'transplant', false, 25, 7, -4, 110],
  ['broccoli', 'Broccoli', 'broccoli', 'Brassicaceae', 'transplant', false, 24, 7, -3, 85],
  ['kale', 'Kale', 'kale', 'Brassicaceae', 'transplant', false, 18, 6, -6, 150],
  ['leek', 'Leek', 'leek', 'Amaryllidaceae', 'transplant', false, 18, 7, -6, 150],
  ['onion', 'Onion', 'onion', 'Amaryllidaceae', 'transplant', true, 13, 6, -4, 120],
  ['garlic', 'Garlic', 'garlic', 'Amaryllidaceae', 'transplant', false, 13, 3, -10, 270],
  ['lettuce', 'Lettuce', 'lettuce', 'Asteraceae', 'transplant', true, 9, 6, -3, 50],
  ['celery', 'Celery', 'celery', 'Apiaceae', 'transplant', true, 20, 10, -1, 110],
  ['carrot', 'Carrot', 'carrot', 'Apiaceae', 'seed', true, 11, 7, -4, 110],
  ['parsnip', 'Parsnip', 'parsnip', 'Apiaceae', 'seed', true, 12, 7, -5, 180],
  ['beet', 'Beetroot', 'beet', 'Amaranthaceae', 'seed', false, 16, 8, -3, 90],
  ['spinach', 'Spinach', 'spinach', 'Amaranthaceae', 'seed', false, 12, 5, -6, 55],
  ['radish-salad', 'Salad radish', 'radish', 'Brassicaceae', 'seed', true, 5, 6, -3, 32],
  ['bean', 'Bean', 'bean', 'Fabaceae', 'seed', false, 8, 12, 1, 75],
  ['pea-garden', 'Garden pea', 'peas', 'Fabaceae', 'seed', false, 6, 6, -4, 85],
  ['sweetcorn', 'Sweet corn', 'corn', 'Poaceae', 'seed', false, 18, 12, 0, 95],
]

/** Cash crops, as data. */
export const CROPS: readonly Crop[] = rows.map(
  ([id, name, shortName, family, establishment, smallSeed, nitrogenG, soilMinC, frostLimitC, daysInBed]) => ({
    id, name, shortName, family, establishment, smallSeed, nitrogenG, soilMinC, frostLimitC, daysInBed,
  }),
)

const byId = new Map(CROPS.map((entry) => [entry.id, entry]))

export function findCrop(cropId: string): Crop | null {
  return byId.get(cropId) ?? null
}
