import { z } from 'zod'
import { livestock, livestockKind, nitrogenSource, type NitrogenSource } from '../../core/garden/rules'
import { manureOf } from '../../core/planting/manure'
import { mulchKind, mulchLaid, mulchLoad, mulchSeeds, mulchSprayed } from '../../core/garden/mulch'
import type { Bed } from '../../core/garden/schema'
import { groundProblem, groundShape } from '../../parts/ground/groundForm'
import { beside, chosen, day, name, quantity, quantityOrNone } from '../../parts/form/codecs'
import { kilos, type Units } from '../../text/format'

/** Compost or another feed; an analysis may be missing, but not be nonsense. */
export const feedForm = (units: Units) =>
  z.object({
    name: name('Name of the feed, such as Own compost', 60),
    nitrogenPct: quantityOrNone('number', units, {
      name: 'Nitrogen in percent, as on the label or from a laboratory,',
      of: nitrogenSource.shape.nitrogenPct,
    }),
    firstSeason: quantityOrNone('share', units, { name: 'The share', of: nitrogenSource.shape.firstSeason }),
    kgPerM3: quantityOrNone('bulk', units, {
      name: 'What it weighs',
      of: nitrogenSource.shape.kgPerM3,
    }),
    manure: z.enum(['none', 'composted', 'raw', 'unknown']),
    sprayed: z.enum(['not asked', 'none', 'not known']),
  })

/** A load of mulch brought in. */
export const mulchForm = (today: number, units: Units) =>
  z.object({
    kind: mulchKind,
    kg: quantity('weight', units, { name: 'What it weighs, dry,', of: mulchLoad.shape.kg }),
    day: day((brought) => (brought > today ? 'Choose today or an earlier day.' : null)),
    seeds: mulchSeeds,
    sprayed: mulchSprayed,
  })

/** Mulch laid on a bed from store, at most what is left of it. */
/** Days ahead that mulch can be promised for. */
const OWED_DAYS = 730

export const laidForm = (
  today: number,
  units: Units,
  beds: readonly Bed[],
  leftKg: (sourceId: string) => number,
) =>
  z
    .object({
      sourceId: chosen('Mulch: choose which.'),
      bedId: chosen('Bed: choose where it is laid.'),
      kg: quantity('weight', units, { name: 'Weight laid', of: mulchLaid.shape.kg }),
      day: day((laid) => (laid > today + OWED_DAYS ? 'Choose a day within two years.' : null)),
      ...groundShape(units),
    })
    .superRefine(({ sourceId, bedId, kg, ...ground }, context) => {
      const bed = beds.find(({ id }) => id === bedId)
      const wrong = bed && groundProblem(ground, bed)
      if (wrong) context.addIssue({ code: 'custom', path: ['ground'], message: wrong })
      const left = leftKg(sourceId)
      if (kg > left + 0.005)
        context.addIssue({
          code: 'custom',
          path: ['kg'],
          message: `Only ${kilos(left, units)} of it are left. Lay less, or correct what came in.`,
        })
    })

export const feedValue = (feed: NitrogenSource): z.output<ReturnType<typeof feedForm>> => ({
  ...feed,
  manure: manureOf(feed),
  sprayed: feed.sprayed ?? 'not asked',
})

/** A flock or herd; hens need their pen measured. */
export const stockForm = (units: Units) => {
  const size = (what: string) =>
    quantityOrNone('length', units, { name: `The pen’s ${what}`, of: livestock.shape.penLengthM })
  const measured = (what: string, path: string) =>
    beside(path, `Measure the pen: its ${what} decides where it can stand.`)
  return z
    .object({
      kind: livestockKind,
      head: quantity('count', units, { name: 'How many there are', low: 1, high: 2000, whole: true }),
      penLengthM: size('length'),
      penWidthM: size('width'),
      bagPrice: quantityOrNone('money', units, { name: 'The price of a bag', above: 0, high: 10_000 }),
      bagKg: quantityOrNone('weight', units, { name: 'The weight of a bag', low: 0.1, high: 2000 }),
    })
    .refine(
      ({ bagPrice, bagKg }) => (bagPrice === null) === (bagKg === null),
      beside('bagKg', 'Give the price of a bag of feed and what it weighs, or leave both empty.'),
    )
    .refine(
      ({ kind, penLengthM }) => kind !== 'hens' || penLengthM !== null,
      measured('length', 'penLengthM'),
    )
    .refine(({ kind, penWidthM }) => kind !== 'hens' || penWidthM !== null, measured('width', 'penWidthM'))
}
