import { z } from 'zod'
import { GRAMS_PER_POUND, METRES_PER_FOOT } from '../../core/foundations/units'
import { bedKind, fertility, soilTexture, stoodBefore, type Bed, type Garden } from '../../core/garden/schema'
import { toolKind, type Tool, type ToolKind } from '../../core/garden/tool'
import { newId } from '../../data/ids'

export type Units = Garden['units']

/** Lengths are typed in the garden's units and kept in metres. */
export const toMetres = (value: number, units: Units) =>
  units === 'imperial' ? value * METRES_PER_FOOT : value
export const fromMetres = (valueM: number, units: Units) =>
  Math.round((units === 'imperial' ? valueM / METRES_PER_FOOT : valueM) * 100) / 100
const SQUARE_METRES_PER_FOOT = METRES_PER_FOOT ** 2
const toSquareMetres = (value: number, units: Units) =>
  units === 'imperial' ? value * SQUARE_METRES_PER_FOOT : value
const fromSquareMetres = (value: number, units: Units) =>
  units === 'imperial' ? value / SQUARE_METRES_PER_FOOT : value
const toKilos = (value: number, units: Units) =>
  units === 'imperial' ? (value * GRAMS_PER_POUND) / 1000 : value
const fromKilos = (value: number, units: Units) =>
  units === 'imperial' ? (value * 1000) / GRAMS_PER_POUND : value
export const lengthUnit = (units: Units) => (units === 'imperial' ? 'ft' : 'm')

const numberText = (field: string, low: number, high: number, unit = '') =>
  z
    .string()
    .transform((text) => (text.trim() === '' ? NaN : Number(text.replace(',', '.'))))
    .pipe(
      z
        .number({ error: `${field} must be a number.` })
        .min(low, `${field} must be at least ${low}${unit && ` ${unit}`}.`)
        .max(high, `${field} must be at most ${high}${unit && ` ${unit}`}.`),
    )

/** A run of like beds: `count` beds of one size in a section, labelled with a letter or word and a number. */
export const bedGroup = z.object({
  section: z.string().trim().min(1, 'Name the section.').max(40, 'Section names have at most 40 characters.'),
  prefix: z.string().trim().max(8, 'At most 8 characters before the number.'),
  count: numberText('The number of beds', 1, 300).refine(
    Number.isInteger,
    'The number of beds must be whole.',
  ),
  length: numberText('Length', 0.5, 1600),
  width: numberText('Width', 0.5, 160),
  kind: bedKind,
  soil: soilTexture,
})
export type BedGroupInput = z.input<typeof bedGroup>
type BedGroup = z.output<typeof bedGroup>

export const toolForm = z.object({
  /** Which tool it is, once it has been stored. */
  id: z.string().optional(),
  kind: toolKind,
  width: z.string(),
  length: z.string(),
  rate: z.string(),
  load: z.string(),
})
export type ToolInput = z.input<typeof toolForm>

/** A tool ticked off, nothing said of it yet. */
export const blankTool = (kind: ToolKind): ToolInput => ({ kind, width: '', length: '', rate: '', load: '' })

const numberOf = (text: string) => (text.trim() === '' ? null : Number(text.trim().replace(',', '.')))

/** What is wrong with a tool's figures as typed, naming the field; null where they can be kept. */
export function toolProblem(input: ToolInput, units: Units): string | null {
  const fields = [
    ['width', numberOf(input.width), 0.05, 100, toMetres],
    ['length', numberOf(input.length), 0.05, 500, toMetres],
    ['work rate', numberOf(input.rate), 1, 20_000, toSquareMetres],
    ['weight on it', numberOf(input.load), 10, 400, toKilos],
  ] as const
  for (const [name, typed, low, high, inside] of fields) {
    if (typed === null) continue
    if (Number.isNaN(typed)) return `The ${input.kind}’s ${name} must be a number.`
    const value = inside(typed, units)
    if (value < low || value > high) return `The ${input.kind}’s ${name} cannot be ${typed}.`
  }
  return null
}

const sizeOrNull = (text: string, units: Units) => {
  const value = Number(text.replace(',', '.'))
  return text.trim() === '' || !Number.isFinite(value) ? null : toMetres(value, units)
}

export const toolOf = (input: ToolInput, units: Units): Tool => ({
  id: input.id ?? newId('tool'),
  kind: input.kind,
  widthM: sizeOrNull(input.width, units),
  lengthM: sizeOrNull(input.length, units),
  ...(input.rate.trim() !== '' && { m2PerHour: toSquareMetres(numberOf(input.rate)!, units) }),
  ...(input.load.trim() !== '' && { loadKg: toKilos(numberOf(input.load)!, units) }),
})

/** A tool as it is typed in the garden's units. */
export const toolInputOf = (tool: Tool, units: Units): ToolInput => ({
  id: tool.id,
  kind: tool.kind,
  width: tool.widthM === null ? '' : String(fromMetres(tool.widthM, units)),
  length: tool.lengthM === null ? '' : String(fromMetres(tool.lengthM, units)),
  rate: tool.m2PerHour === undefined ? '' : String(Math.round(fromSquareMetres(tool.m2PerHour, units))),
  load: tool.loadKg === undefined ? '' : String(Math.round(fromKilos(tool.loadKg, units))),
})

export const startForm = z.object({
  name: z.string().trim().min(1, 'Give the garden a name.').max(60, 'At most 60 characters.'),
  latitude: numberText('Latitude', -66, 66, 'degrees; the forecasts do not hold nearer the poles'),
  elevation: numberText('Elevation', -1300, 16_000),
  climateType: z.string().min(1, 'Choose the climate nearest to yours.'),
  units: z.enum(['metric', 'imperial']),
  currency: z
    .string()
    .trim()
    .toUpperCase()
    .regex(/^[A-Z]{3}$/, 'Currency is a three-letter code such as EUR.'),
  groups: z.array(bedGroup).min(1, 'Add at least one run of beds.'),
  tools: z.array(toolForm),
})
export type StartInput = z.input<typeof startForm>
export type StartValue = z.output<typeof startForm>

/** Usual widths of the path beside a bed, m, and the fertility taken until the grower says otherwise. */
const USUAL_PATH_M = 0.45

/** Beds of one group with labels that are not taken yet. */
export function bedsOfGroup(
  group: BedGroup,
  units: Units,
  gardenId: string,
  sectionId: string,
  firstOrder: number,
  taken: ReadonlySet<string>,
): Bed[] {
  const beds: Bed[] = []
  for (let number = 1; beds.length < group.count; number++) {
    const label = `${group.prefix}${number}`
    if (taken.has(label)) continue
    beds.push({
      id: newId('bed'),
      gardenId,
      sectionId,
      label,
      walkOrder: firstOrder + beds.length,
      kind: group.kind,
      lengthM: toMetres(group.length, units),
      widthM: toMetres(group.width, units),
      pathWidthM: USUAL_PATH_M,
      soil: group.soil,
      fertility: 'medium',
      stoodBefore: null,
      shade: 0,
      fixtures: [],
    })
  }
  return beds
}

/** One bed's properties as typed. */
export const bedForm = z.object({
  label: z.string().trim().min(1, 'Give the bed a label.').max(12, 'At most 12 characters.'),
  sectionId: z.string(),
  walkOrder: numberText('Place in the walk', 1, 9999).refine(
    Number.isInteger,
    'The place in the walk must be whole.',
  ),
  kind: bedKind,
  length: numberText('Length', 0.2, 1600),
  width: numberText('Width', 0.2, 160),
  pathWidth: numberText('Path width', 0, 33),
  soil: soilTexture,
  fertility,
  stoodBefore: z.union([stoodBefore, z.literal('')]),
  shade: numberText('Shade', 0, 80, '%'),
  keptArea: numberText('Area of kept plants', 0, 5000),
})
export type BedInput = z.input<typeof bedForm>

const SQUARE = { metric: 1, imperial: METRES_PER_FOOT ** 2 } as const
const KEPT_ID = 'kept'

export function bedInputOf(bed: Bed, units: Units): BedInput {
  const kept = bed.fixtures.reduce((sum, fixture) => sum + fixture.areaM2, 0)
  return {
    label: bed.label,
    sectionId: bed.sectionId,
    walkOrder: String(bed.walkOrder + 1),
    kind: bed.kind,
    length: String(fromMetres(bed.lengthM, units)),
    width: String(fromMetres(bed.widthM, units)),
    pathWidth: String(fromMetres(bed.pathWidthM, units)),
    soil: bed.soil,
    fertility: bed.fertility,
    stoodBefore: bed.stoodBefore ?? '',
    shade: String(Math.round(bed.shade * 100)),
    keptArea: String(Math.round((kept / SQUARE[units]) * 100) / 100),
  }
}

export function bedFromForm(bed: Bed, form: z.output<typeof bedForm>, units: Units): Bed {
  const keptM2 = form.keptArea * SQUARE[units]
  const before = bedInputOf(bed, units)
  const unchanged = Number(before.keptArea) === form.keptArea
  const size = (typed: number, old: string, oldM: number) =>
    String(typed) === old ? oldM : toMetres(typed, units)
  return {
    ...bed,
    label: form.label,
    sectionId: form.sectionId,
    walkOrder: form.walkOrder - 1,
    kind: form.kind,
    lengthM: size(form.length, before.length, bed.lengthM),
    widthM: size(form.width, before.width, bed.widthM),
    pathWidthM: size(form.pathWidth, before.pathWidth, bed.pathWidthM),
    soil: form.soil,
    fertility: form.fertility,
    stoodBefore: form.stoodBefore === '' ? null : form.stoodBefore,
    shade: form.shade / 100,
    fixtures: unchanged
      ? bed.fixtures
      : keptM2 > 0
        ? [
            {
              id: bed.fixtures[0]?.id ?? KEPT_ID,
              kind: 'kept plant',
              label: bed.fixtures[0]?.label ?? 'Kept plants',
              areaM2: keptM2,
            },
          ]
        : [],
  }
}
