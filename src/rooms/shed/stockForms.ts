import { z } from 'zod'
import { livestock, livestockKind, nitrogenSource, type NitrogenSource } from '../../core/garden/rules'
import { manureOf } from '../../core/planting/manure'
import { beside, name, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

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
    })
    .refine(
      ({ kind, penLengthM }) => kind !== 'hens' || penLengthM !== null,
      measured('length', 'penLengthM'),
    )
    .refine(({ kind, penWidthM }) => kind !== 'hens' || penWidthM !== null, measured('width', 'penWidthM'))
}
