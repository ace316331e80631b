import { z } from 'zod'
import { id, isoDay, numberBetween, shortText } from './fields'

/** What a look found besides stage, cover and height: each part is there only when it was looked at. */

/** Plants counted in rings or frames of one size. */
const ringCount = z.object({
  /** Which species was counted; null for all together. */
  speciesId: id.nullable(),
  ringM: numberBetween('Ring width', 0.05, 3, 'm'),
  counts: z
    .array(
      z
        .number()
        .int('Counts are whole numbers of plants.')
        .min(0, 'Counts are whole numbers of plants.')
        .max(20_000),
    )
    .min(1, 'Count at least one ring.')
    .max(60),
  /** Share of the ground that is a gap, 0–1. */
  gapShare: numberBetween('Share of gaps', 0, 1),
})

const weeds = z.object({
  /** Ground covered by weeds, 0–1. */
  cover: numberBetween('Weed cover', 0, 1),
  which: z.array(shortText('Weed', 40)).max(12),
})

export const damageKind = z.enum(['frost', 'heat', 'slugs', 'birds', 'pest', 'disease', 'wind or rain'])

const damage = z.object({
  kind: damageKind,
  /** Share of the plants that died of it, 0–1. */
  lost: numberBetween('Plants lost', 0, 1),
  /** Species it took; null for all. */
  speciesId: id.nullable(),
  what: z.string().max(80),
})

/** Growth cut from a measured piece of ground; dry weight is null until it is dry. */
const sample = z
  .object({
    areaM2: numberBetween('Ground cut', 0.01, 25, 'm²'),
    freshG: numberBetween('Fresh weight', 0.5, 200_000, 'g'),
    dryG: numberBetween('Dry weight', 0.1, 200_000, 'g').nullable(),
  })
  .refine((value) => value.dryG === null || value.dryG <= value.freshG, {
    error: 'The dry weight is above the fresh weight. Exchange the two, or weigh again.',
    path: ['dryG'],
  })
export type Sample = z.infer<typeof sample>

const PARTS_OF_A_LOOK = ['stageBbch', 'cover', 'heightCm', 'plants', 'weeds', 'sample'] as const

/** One look at a stand. Something of it is given: a part, a note, or pictures. */
export const check = z
  .object({
    id,
    gardenId: id,
    standId: id,
    date: isoDay,
    /** BBCH code 0–99, or null when not judged. */
    stageBbch: numberBetween('Stage', 0, 99).nullable(),
    /** Whose stage it is in a mix; the species with the largest share where not said. */
    stageOf: id.optional(),
    /** Ground covered by green, 0–1. */
    cover: numberBetween('Cover', 0, 1).nullable(),
    /** How the cover was judged; the error of a picture, or of a glance, as one standard deviation, 0–1. */
    coverBy: z
      .discriminatedUnion('kind', [
        z.object({ kind: z.literal('eye') }),
        z.object({ kind: z.literal('picture'), error: numberBetween('Error of the cover', 0, 0.5) }),
        z.object({ kind: z.literal('glance'), error: numberBetween('Error of the cover', 0, 0.5) }),
      ])
      .optional(),
    heightCm: numberBetween('Height', 0, 400, 'cm').nullable(),
    plants: ringCount.optional(),
    weeds: weeds.optional(),
    damage: z.array(damage).max(6),
    sample: sample.optional(),
    pictureIds: z.array(id).max(12),
    /** It contradicts what was known and the grower wants it kept as a note only. */
    setAside: z.boolean(),
    /** What the grower decided on a thin, damaged or weedy stand. */
    decision: z.enum(['resow', 'accept', 'end early']).optional(),
    note: z.string().max(4000),
  })
  .refine(
    (value) =>
      PARTS_OF_A_LOOK.some((part) => value[part] !== null && value[part] !== undefined) ||
      value.damage.length > 0 ||
      value.pictureIds.length > 0 ||
      value.note.trim() !== '',
    {
      error: 'The check is empty. Choose a stage, give the cover, or write a note.',
      path: ['stageBbch'],
    },
  )
export type Check = z.infer<typeof check>

/** A picture that was kept, without its bytes; size in px and bytes. */
export const picture = z.object({
  id,
  gardenId: id,
  bedId: id,
  standId: id.nullable(),
  date: isoDay,
  widthPx: z.number().int().min(1).max(20_000),
  heightPx: z.number().int().min(1).max(20_000),
  bytes: z.number().int().min(1),
  caption: z.string().max(400),
})
export type Picture = z.infer<typeof picture>
