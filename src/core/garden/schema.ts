import { z } from 'zod'
import { dayNumber } from '../foundations/day'
import { bed, segment } from './bed'
import { check } from './check'
import { id, isoDay, numberBetween, shortText } from './fields'
import { tool } from './tool'
import { ending, finishing, followUp } from './ending'
import { livestock, nitrogenSource, rules } from './rules'
import { seedPack, sower } from './seed'
import { mulchLaid, mulchLoad } from './mulch'
import { home, siteClimate } from './site'

export * from './bed'

/** Something meant, and something done: both are kept and compared. */
function step<T extends z.ZodType>(details: T) {
  return z.object({ plan: details.nullable(), actual: details.nullable() })
}
export type Step<T> = { plan: T | null; actual: T | null }

export const covering = z.enum([
  'surface',
  'raked',
  'raked and tamped',
  'thin straw',
  'compost',
  'crop dropped over',
  'vines put back',
  'frost-seeded',
])
export type Covering = z.infer<typeof covering>

/** A species of a cover and its share of the full rate; shares add up to 1–1.5 in a mix. */
export const component = z.object({
  speciesId: id,
  share: numberBetween('Share', 0.01, 2),
  /** Germination as a share, 0.01–1, from the packet or an own test. */
  germination: numberBetween('Germination', 0.01, 1),
  /** Grams weighed out for the part sown, when recorded. */
  grams: numberBetween('Grams', 0, 1_000_000, 'g').nullable(),
})
export type Component = z.infer<typeof component>

/** Longest time between the earliest and the latest day on which something may have been sown. */
const WIDEST_RANGE_DAYS = 120

/** Days between which something was sown of which the day itself is not known. */
const sownBetween = z
  .object({ from: isoDay, to: isoDay })
  .refine(({ from, to }) => from <= to, {
    error: 'The earliest day of sowing lies after the latest. Exchange the two.',
    path: ['to'],
  })
  .refine(({ from, to }) => dayNumber(to) - dayNumber(from) <= WIDEST_RANGE_DAYS, {
    error: `The days of sowing lie more than ${WIDEST_RANGE_DAYS} days apart, wider than a season. Say nearer when it was sown.`,
    path: ['to'],
  })

const start = z.object({
  date: isoDay,
  /** Where the day is not known: those between which it was; `date` then is the middle. */
  sownBetween: sownBetween.nullable(),
  covering: covering.nullable(),
  passes: z.number().int().min(1).max(4).nullable(),
  /** Days after sowing on which the seed layer is kept moist by watering. */
  keptMoistDays: numberBetween('Days kept moist', 0, 60, 'days'),
  /** Whether it is seed that the stand before let fall. */
  selfSown: z.boolean().optional(),
  /** Components as planned or as weighed; empty for crops. */
  components: z.array(component).max(8),
  note: z.string().max(2000),
})
export type StartDetails = z.infer<typeof start>

/** A cut that is not an ending: height left, share of the stand's ground cut, and where the cuttings went. */
const cut = z.object({
  date: isoDay,
  heightCm: numberBetween('Cut height', 0, 200, 'cm'),
  groundShare: numberBetween('Share of the ground cut', 0, 1),
  fate: z.enum(['dropped', 'carried off', 'eaten', 'grazed']),
  note: z.string().max(2000),
  /** The one species of a mix that is cut; all of them when left out. */
  speciesId: id.optional(),
  /** Bed on which what was carried off arrives. */
  toBedId: id.optional(),
  /** What was reckoned to leave the bed: dry matter in kg and nitrogen in g. */
  took: z.object({ massKg: z.number().min(0), nitrogenG: z.number().min(0) }).optional(),
})
export type CutDetails = z.infer<typeof cut>

/** Water given by hand on a day. */
const watering = z.object({ id, date: isoDay, mm: numberBetween('Water given', 0.5, 200, 'mm') })

export const purposeId = z.enum([
  'feed',
  'mass',
  'hold',
  'smother',
  'quick',
  'insects',
  'loosen',
  'mulch',
  'carry',
  'nematodes',
  'slope',
  'forage',
  'raw',
  'kitchen',
])
export type PurposeId = z.infer<typeof purposeId>

/** Sheets that are laid on ground where no cover is to be ended, and what they are to do away with. */
export const groundSheetKind = z.enum(['black', 'clear'])
export type GroundSheetKind = z.infer<typeof groundSheetKind>
export const sheetAim = z.enum(['weed flush', 'weeds', 'creeping weeds', 'bunch grass', 'running grass'])
export type SheetAim = z.infer<typeof sheetAim>

/** How a crop is got into the ground through what a cover left there. */
export const plantingMethodId = z.enum([
  'slot',
  'dibble',
  'rake',
  'compost row',
  'compost blanket',
  'pockets',
  'film',
  'plank',
  'loosen',
])
export type PlantingMethodId = z.infer<typeof plantingMethodId>

/**
 * What has a part of a bed from its start to its end: a cover (one species or a mix), a cash crop, or a sheet on bare or
 * weedy ground, laid and taken off.
 * Several stands may share a bed, side by side or one under the other.
 */
export const stand = z.object({
  id,
  gardenId: id,
  bedId: id,
  segment,
  content: z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('cover'),
      components: z.array(component).min(1).max(8),
      purposes: z.array(purposeId).max(3),
    }),
    z.object({
      kind: z.literal('crop'),
      cropId: id,
      establishment: z.enum(['transplant', 'seed']),
      /** How it is, or is to be, got into the ground; null where that is not decided. */
      plantingMethod: plantingMethodId.nullable(),
      /** Compost or another feed that is to be spread with it. */
      feed: z.object({ sourceId: id, kg: numberBetween('Feed', 0.01, 1_000_000, 'kg') }).nullable(),
    }),
    z.object({ kind: z.literal('sheet'), sheet: groundSheetKind, aim: sheetAim }),
  ]),
  /** The stand it was sown under, if any. */
  underStandId: id.nullable(),
  /**
   * What the grower says follows a cover while no stand is planned after it: not decided, with the day by which the
   * ground is wanted where there is one, or that the cover may stay. Null where nothing was said.
   */
  follows: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('undecided'), neededBy: isoDay.nullable() }),
      z.object({ kind: z.literal('stays') }),
    ])
    .nullable(),
  /** Which of the stands that follow on parts of its ground its plan goes on to; the first that has not begun where left out. */
  goesOnTo: id.optional(),
  start: step(start),
  cuts: z.array(z.object({ id, cut: step(cut) })).max(50),
  waterings: z.array(watering).max(400),
  end: step(ending),
  /** Counts of what stood up again after the end. */
  followUps: z.array(followUp).max(60),
  /** What was done about it. */
  finishings: z.array(finishing).max(30),
  /** What a crop came to: the bed's yield and how it did. */
  outcome: z
    .object({
      date: isoDay,
      yieldKg: numberBetween('Yield', 0, 100_000, 'kg').nullable(),
      verdict: z.enum(['better', 'as usual', 'worse']).nullable(),
      note: z.string().max(2000),
    })
    .optional(),
  note: z.string().max(4000),
})
export type Stand = z.infer<typeof stand>

/** Animals that some covers harm. */
export const creature = z.enum(['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits'])

/** A day ahead in a word. */
export const skyAhead = z.enum(['dry', 'showers', 'wet'])
export type SkyAhead = z.infer<typeof skyAhead>

export const garden = z.object({
  id,
  name: shortText('Garden name'),
  site: siteClimate,
  /** Where it lies and what its grower corrects of the usual year there; null while nobody has said it. */
  home: home.nullable(),
  sections: z.array(z.object({ id, name: shortText('Section name', 40) })).max(200),
  tools: z.array(tool).max(100),
  units: z.enum(['metric', 'imperial']),
  currency: z.string().regex(/^[A-Z]{3}$/, 'Currency is a three-letter code such as EUR.'),
  /** Day from which its records run: ground is not called bare before it. Null where they were begun before this was asked. */
  begunOn: isoDay.nullable(),
  /** Animals that come to the beds or eat from them. */
  animals: z.array(creature).max(6),
  /** Cover species of which seed is at hand. */
  seedAtHand: z.array(id).max(200),
  /** Cover species of which the seed at hand is of a cultivar named resistant to root-knot nematodes. */
  resistantSeed: z.array(id).max(200),
  /** Ticks and delays that jobs of the rounds were given. */
  jobMarks: z
    .array(
      z.object({
        jobId: z.string().min(1).max(200),
        doneOn: isoDay.nullable(),
        laterUntil: isoDay.nullable(),
        reason: z.string().max(200),
        /** Whose job it is; null where nobody is named. */
        who: shortText('Person', 60).nullable(),
      }),
    )
    .max(4000),
  /** Days on which nobody is there, or only who is named. */
  away: z
    .array(
      z
        .object({ id, from: isoDay, to: isoDay, who: shortText('Person', 60).nullable() })
        .refine(({ from, to }) => to >= from, {
          message: 'The days away end before they begin.',
          path: ['to'],
        }),
    )
    .max(100),
  /** The days ahead as the grower has heard or judged them, for gardens without a station; each is named by its day. */
  outlook: z.array(z.object({ id: isoDay, sky: skyAhead, frost: z.boolean() })).max(20),
  /** People who sow, and packs of seed that can be bought. */
  sowers: z.array(sower).max(40),
  packs: z.array(seedPack).max(300),
  /** Hens, pigs and grazers that can be put on beds. */
  livestock: z.array(livestock).max(20),
  /** Compost and other feed at hand, with what is known of them. */
  nitrogenSources: z.array(nitrogenSource).max(40),
  /** Mulch brought into store, and what was laid from it on beds. */
  mulch: z.array(mulchLoad).max(400),
  mulchLaid: z.array(mulchLaid).max(2000),
  /** The grower's own limits on how covers are ended. */
  rules,
  /** Days to wait between a dead cover and planting: the grower's own rule. */
  waitDays: z.object({
    transplant: numberBetween('Wait before transplants', 0, 90, 'days'),
    seed: numberBetween('Wait before sowing', 0, 90, 'days'),
  }),
  /** Simulated-station settings; only demo gardens have them. */
  demo: z.object({ stationSeed: z.number().int(), stationFrom: isoDay, opensOn: isoDay }).nullable(),
})
export type Garden = z.infer<typeof garden>

/** A whole garden: what is exported, imported and computed from. */
export const gardenData = z.object({
  garden,
  beds: z.array(bed).max(1000),
  stands: z.array(stand).max(20_000),
  checks: z.array(check).max(200_000),
})
export type GardenData = z.infer<typeof gardenData>
