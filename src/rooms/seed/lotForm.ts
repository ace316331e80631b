import { GRAMS_PER_OUNCE } from '../../core/foundations/units'
import { seedLot, type SeedLot } from '../../core/garden/seed'
import type { Units } from '../../text/format'
import { typedOrNull } from '../../parts/typed'

/** A lot as typed. */
export type LotInput = {
  speciesId: string
  label: string
  year: string
  weight: string
  price: string
  germination: string
  purity: string
  tested: string
  sprouted: string
  treated: boolean
  inoculantExpires: string
}

export const emptyLot = (year: number): LotInput => ({
  speciesId: '',
  label: '',
  year: String(year),
  weight: '',
  price: '',
  germination: '',
  purity: '',
  tested: '',
  sprouted: '',
  treated: false,
  inoculantExpires: '',
})

export const toGrams = (weight: number, units: Units) =>
  units === 'imperial' ? weight * GRAMS_PER_OUNCE : weight

/** The lot, or what is wrong by field. */
export function readLot(
  input: LotInput,
  lotId: string,
  gardenId: string,
  units: Units,
  today: string,
): { lot: SeedLot } | { problems: Partial<Record<keyof LotInput, string>> } {
  const problems: Partial<Record<keyof LotInput, string>> = {}
  const number = (field: keyof LotInput, what: string, needed: boolean): number | null => {
    const text = input[field] as string
    const value = typedOrNull(text)
    if (value === null) {
      if (needed) problems[field] = `${what}: enter a number.`
      return null
    }
    if (Number.isNaN(value)) problems[field] = `${what}: “${text}” is not a number.`
    return value
  }
  if (input.speciesId === '') problems.speciesId = 'Choose what is in the bag.'
  const year = number('year', 'Year', true)
  const weight = number('weight', 'Weight', true)
  const price = number('price', 'Price', false)
  const germination = number('germination', 'Germination', false)
  const purity = number('purity', 'Purity', false)
  const tested = number('tested', 'Seeds laid out', false)
  const sprouted = number('sprouted', 'Seeds sprouted', false)
  if ((tested === null) !== (sprouted === null))
    problems.sprouted = 'A test needs both numbers: laid out and sprouted.'
  if (Object.keys(problems).length > 0) return { problems }
  const grams = Math.round(toGrams(weight!, units) * 10) / 10
  const parsed = seedLot.safeParse({
    id: lotId,
    gardenId,
    label: input.label.trim() || input.speciesId,
    contents: [{ speciesId: input.speciesId, weightShare: 1 }],
    year,
    boughtGrams: grams,
    leftGrams: grams,
    price,
    test: tested === null ? null : { date: today, seeds: tested, sprouted },
    purity: purity === null ? 1 : purity / 100,
    labelGermination: germination === null ? null : germination / 100,
    treated: input.treated,
    inoculantExpires: input.inoculantExpires || null,
  } satisfies Record<keyof SeedLot, unknown>)
  if (parsed.success) return { lot: parsed.data }
  for (const { path, message } of parsed.error.issues) {
    const field = FIELDS[String(path[0])]
    problems[field] ??=
      String(path[0]) === 'labelGermination' || String(path[0]) === 'purity'
        ? 'Give it between 1 and 100 %.'
        : message
  }
  return { problems }
}

const FIELDS: Record<string, keyof LotInput> = {
  label: 'label',
  year: 'year',
  boughtGrams: 'weight',
  leftGrams: 'weight',
  price: 'price',
  test: 'sprouted',
  purity: 'purity',
  labelGermination: 'germination',
  inoculantExpires: 'inoculantExpires',
  contents: 'speciesId',
}
