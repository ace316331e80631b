import { z } from 'zod'
import { id, isoDay, numberBetween, shortText } from './fields'
import { spread } from './rules'

export const soilTexture = z.enum(['sand', 'sandy loam', 'loam', 'silt loam', 'clay loam', 'clay'])
export const bedKind = z.enum(['in-ground', 'framed', 'planter'])
export const fertility = z.enum(['low', 'medium', 'high'])
/** What stood in a bed before its records begin. */
export const stoodBefore = z.enum(['bare', 'vegetables', 'cover', 'grass'])

/** A rectangle of a bed, m: along it from its start, and across it from the left of who stands there and looks along it. */
const rectangle = z.object({
  fromM: numberBetween('Start along the bed', 0, 500, 'm'),
  toM: numberBetween('End along the bed', 0, 500, 'm'),
  fromAcrossM: numberBetween('Start across the bed', 0, 50, 'm'),
  toAcrossM: numberBetween('End across the bed', 0, 50, 'm'),
})
export type Rectangle = z.infer<typeof rectangle>

const endsAfterItStarts = ({ fromM, toM, fromAcrossM, toAcrossM }: Rectangle) =>
  toM > fromM && toAcrossM > fromAcrossM
const MUST_END_AFTER = 'A part must end after it starts, along the bed and across it.'

export const fixtureKind = z.enum(['kept plant', 'drip line', 'post', 'other'])
/** Something that stands in a bed and stays: takes area from seed and forbids some endings there. */
const fixture = z.object({
  id,
  kind: fixtureKind,
  label: shortText('Fixture name'),
  areaM2: numberBetween('Area taken', 0, 500, 'm²'),
  /** Where on the bed it is; null where that is not told, and it counts for every part of the bed. */
  place: rectangle.refine(endsAfterItStarts, { error: MUST_END_AFTER, path: ['toM'] }).nullable(),
})
export type Fixture = z.infer<typeof fixture>

export const bed = z.object({
  id,
  gardenId: id,
  sectionId: id,
  label: shortText('Bed label', 12),
  /** Place in the walk through the garden, 0 first. */
  walkOrder: z.number().int().min(0).max(9999),
  kind: bedKind,
  lengthM: numberBetween('Length', 0.2, 500, 'm'),
  widthM: numberBetween('Width', 0.2, 50, 'm'),
  /** Width of the path beside the bed. */
  pathWidthM: numberBetween('Path width', 0, 10, 'm'),
  soil: soilTexture,
  fertility,
  /** What stood here before the records begin; null where that is not known. */
  stoodBefore: stoodBefore.nullable(),
  /** Share of the day's light taken by trees or walls, 0 (open) to 0.8. */
  shade: numberBetween('Shade', 0, 0.8),
  /** How steep it lies, m of fall in a hundred; level where left out. */
  slopePct: numberBetween('Slope', 0, 60, '%').optional(),
  fixtures: z.array(fixture).max(50),
  /** Diseases and pests that were bad here: what plants of the same family should keep away from for some years. */
  troubles: z
    .array(
      z.object({
        id,
        date: isoDay,
        family: shortText('Plant family', 40),
        what: shortText('Trouble', 80),
      }),
    )
    .max(200),
  /** Compost, manure or other feed that was spread on it. */
  spreads: z.array(spread).max(400),
})
export type Bed = z.infer<typeof bed>

/** Which ground of a bed: all of it, a half, a strip of its whole width, any rectangle, or the path beside it. */
export const segment = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('whole') }),
  z.object({ kind: z.literal('half'), which: z.enum(['first', 'second']) }),
  z
    .object({
      kind: z.literal('strip'),
      fromM: numberBetween('Strip start', 0, 500, 'm'),
      toM: numberBetween('Strip end', 0, 500, 'm'),
    })
    .refine((strip) => strip.toM > strip.fromM, {
      error: 'The strip must end after it starts.',
      path: ['toM'],
    }),
  rectangle
    .extend({ kind: z.literal('rectangle') })
    .refine(endsAfterItStarts, { error: MUST_END_AFTER, path: ['toM'] }),
  z.object({ kind: z.literal('path') }),
])
export type Segment = z.infer<typeof segment>
