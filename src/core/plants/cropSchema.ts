import { z } from 'zod'

/** A cash crop that stands in a bed or follows a cover. Figures are extension values for middling kinds, ± a quarter. */
export const crop = z.object({
  id: z.string(),
  name: z.string(),
  shortName: z.string().max(9),
  family: z.string(),
  establishment: z.enum(['transplant', 'seed']),
  /** Sown seed so small that residue and clods hold it back. */
  smallSeed: z.boolean(),
  /** Nitrogen a full crop takes up, g m⁻². */
  nitrogenG: z.number().min(0).max(40),
  /** Least soil temperature at 5 cm for planting, °C. */
  soilMinC: z.number().min(0).max(20),
  /** Lowest air temperature young plants bear, °C. */
  frostLimitC: z.number().min(-30).max(4),
  /** Usual days from planting to the first harvest, and to clearing the bed. */
  daysToHarvest: z.number().min(20).max(1200),
  daysInBed: z.number().min(20).max(4000),
  /** Distance between rows and between plants, cm. */
  rowCm: z.number().min(3).max(300),
  plantCm: z.number().min(1).max(300),
  /** Whether the part that is eaten touches soil or its splash, unless the grower knows it to be clear of it. */
  touchesSoil: z.boolean(),
  /** Whether it is usually clear of both where it is staked and the ground mulched. */
  clearWhenStaked: z.boolean(),
  /** Days after planting of the last weeding, from which a cover can be sown under it; null where none can. */
  lastWeedingDays: z.number().min(10).max(400).nullable(),
  /** Share of light a grown crop takes from what is sown under it, 0–0.9. */
  shade: z.number().min(0).max(0.9),
  /** What gives the light back, and how many days before clearing the bed it does; frost comes when it comes. */
  lightReturns: z.object({
    by: z.enum(['harvest', 'thinning', 'frost']),
    daysBeforeClearing: z.number().min(0).max(120),
  }),
  /** Tallest it grows, m: covers beside it should stay below. */
  heightM: z.number().min(0.05).max(4),
  /** How it stands to root-knot nematodes. */
  rootKnotHost: z.boolean(),
  /** Sown or planted in autumn to stand through the winter: it stays small until spring. */
  overwinters: z.boolean(),
  /** Whether it is watered when it is dry. */
  watered: z.boolean(),
})
export type Crop = z.infer<typeof crop>
