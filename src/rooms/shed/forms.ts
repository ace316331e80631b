import { z } from 'zod'
import { seedLot, seedPack, sower } from '../../core/garden/seed'
import { chosen, dayOrNone, name, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

const BOTH = 'A test needs both numbers: laid out and sprouted.'
const count = (name: string, low: number, units: Units) =>
  quantityOrNone('count', units, { name, low, high: 1000, whole: true })

/** A bag or packet of seed. */
export const lotForm = (units: Units) =>
  z
    .object({
      speciesId: chosen('Choose what is in the bag.'),
      label: z.string().trim().max(60, 'Name: use 60 characters or fewer.'),
      year: quantity('count', units, { name: 'The year', of: seedLot.shape.year, whole: true }),
      grams: quantity('seed', units, { name: 'The weight', of: seedLot.shape.boughtGrams }),
      price: quantityOrNone('money', units, { name: 'The price', of: seedLot.shape.price }),
      labelGermination: quantityOrNone('share', units, {
        name: 'Germination',
        of: seedLot.shape.labelGermination,
      }),
      purity: quantityOrNone('share', units, { name: 'Purity', of: seedLot.shape.purity }),
      tested: count('Seeds laid out', 5, units),
      sprouted: count('Seeds sprouted', 0, units),
      treated: z.boolean(),
      inoculantExpires: dayOrNone(),
    })
    .refine(({ tested, sprouted }) => (tested === null) === (sprouted === null), {
      path: ['sprouted'],
      error: BOTH,
    })
    .refine(({ tested, sprouted }) => (sprouted ?? 0) <= (tested ?? Infinity), {
      path: ['sprouted'],
      error: 'More seeds sprouted than were laid out. Check both numbers.',
    })

export const emptyLot = (year: number): z.input<ReturnType<typeof lotForm>> => ({
  speciesId: '',
  label: '',
  year: String(year),
  grams: '',
  price: '',
  labelGermination: '',
  purity: '',
  tested: '',
  sprouted: '',
  treated: false,
  inoculantExpires: '',
})

/** A pack that can be bought. */
export const packForm = (units: Units) =>
  z.object({
    speciesId: chosen('Choose what is in it.'),
    grams: quantity('seed', units, { name: 'The weight', of: seedPack.shape.grams }),
    price: quantity('money', units, { name: 'The price', of: seedPack.shape.price }),
  })

/** Five handfuls in a cup, the width of a cast, ten paces. */
export const handsForm = (units: Units) =>
  z
    .object({
      name: name('Name', 40),
      size: z.enum(['large', 'medium', 'small', 'tiny']),
      handfuls: quantity('count', units, { name: 'Handfuls', low: 1, high: 100, whole: true }),
      cupG: quantity('seed', units, { name: 'What is in the cup', above: 0, high: 40_000 }),
      castWidthM: quantity('length', units, { name: 'Cast width', of: sower.shape.castWidthM }),
      tenPacesM: quantity('length', units, { name: 'Ten paces', low: 2, high: 15 }),
    })
    .refine(({ cupG, handfuls }) => cupG / handfuls >= 1 && cupG / handfuls <= 400, {
      path: ['cupG'],
      error: 'A handful holds between 1 and 400 g. Check the weight, less the cup, and the handfuls.',
    })
