import { USUAL_CLIMATE } from '../../garden/fresh'
import { z } from 'zod'
import { siteClimate } from '../../garden/site'

/** Files of published cases: sites by their normals, stands by when and where they are sown, and what is known of them. */

const monthDay = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'A day is written MM-DD, such as 05-26.')
const numbers = z
  .tuple([z.number(), z.number()])
  .refine(([low, high]) => low <= high, { error: 'A range goes from low to high.' })
const dates = z.tuple([monthDay, monthDay])

export const caseSites = z.object({
  // Files say neither how places grow warmer nor how far their days spread.
  sites: z
    .array(
      z.preprocess(
        (site) => (typeof site === 'object' ? { ...USUAL_CLIMATE, ...site } : site),
        z.intersection(siteClimate, z.object({ id: z.string() })),
      ),
    )
    .min(1),
})
export type CaseSite = z.infer<typeof caseSites>['sites'][number]

/** Median dates over the members that reach a stage, at least half of them. */
const dated = z.object({ kind: z.enum(['flower', 'halfBloom', 'heading']), range: dates })
/** What is measured on a day; `of` names one species of a mix. */
const measured = z.object({
  kind: z.enum(['massTHa', 'deadShare', 'heightM', 'aliveSpread']),
  on: monthDay,
  of: z.string().optional(),
  range: numbers,
})
/** Medians when a stage is reached: mass, t/ha; nitrogen, % of it; nitrogen, kg/ha. */
const atStage = z.object({
  kind: z.enum(['atStage', 'nitrogenPct', 'nitrogenKgHa']),
  stage: z.number(),
  range: numbers,
})
/** Share of members that reach a stage by a day, %. */
const reaches = z.object({ kind: z.literal('reaches'), stage: z.number(), by: monthDay, range: numbers })
/** Median days from sowing. */
const lasts = z.object({ kind: z.enum(['emergeDays', 'flowerDays', 'cover30Days']), range: numbers })
const check = z.union([dated, measured, atStage, reaches, lasts])
export type CaseCheck = z.infer<typeof check>

const confidence = z.enum(['must', 'h', 'm', 'l']).optional()
/** What is known of a site's winters: the median of each winter's largest snow water, mm, and of its nights at or below 0 °C. */
const winter = z.object({
  site: z.string(),
  kind: z.enum(['snowWaterMaxMm', 'frostNights']),
  range: numbers,
  confidence,
})
const stand = z
  .object({
    site: z.string(),
    species: z.string().optional(),
    /** Species and their shares of the full rate. */
    mix: z
      .array(z.tuple([z.string(), z.number().positive()]))
      .min(2)
      .optional(),
    sow: monthDay,
    checks: z.array(check).min(1),
    /** What the ranges rest on. */
    rests: z.string().optional(),
    confidence,
  })
  .refine(({ species, mix }) => (species === undefined) !== (mix === undefined), {
    error: 'A stand names one species, or a mix.',
  })
export type CaseWinter = z.infer<typeof winter>
export type CaseStand = z.infer<typeof stand>

export const caseFile = z.object({ cases: z.array(z.union([winter, stand])).min(1) })
export type CaseFile = z.infer<typeof caseFile>
