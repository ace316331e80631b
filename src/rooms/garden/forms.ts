import { z } from 'zod'
import { livestockKind, type NitrogenSource } from '../../core/garden/rules'
import { bedKind, fertility, soilTexture, stoodBefore, type Bed } from '../../core/garden/schema'
import { tool, toolKind, type Tool, type ToolKind } from '../../core/garden/tool'
import { manureOf } from '../../core/planting/manure'
import { newId } from '../../data/ids'
import { keptM2Of } from '../../actions/beds'
import { chosen, name, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

/** A run of like beds. */
export const bedGroup = (units: Units) =>
  z.object({
    section: name('Section', 40),
    prefix: z.string().trim().max(8, 'At most 8 signs before the number.'),
    count: quantity('count', units, { name: 'The number of beds', low: 1, high: 300, whole: true }),
    lengthM: quantity('length', units, { name: 'Length', low: 0.2, high: 500 }),
    widthM: quantity('length', units, { name: 'Width', low: 0.2, high: 50 }),
    kind: bedKind,
    soil: soilTexture,
  })
export type BedGroupInput = z.input<ReturnType<typeof bedGroup>>
/** A run added to a garden that is there. */
export const addForm = (units: Units) => z.object({ groups: z.array(bedGroup(units)).length(1) })

/** A tool with the figures that decide what it can do; its id once it has been stored. */
const toolText = z.object({
  id: z.string().optional(),
  kind: toolKind,
  width: z.string(),
  length: z.string(),
  rate: z.string(),
  load: z.string(),
})
export type ToolInput = z.infer<typeof toolText>

export const toolForm = (units: Units) =>
  z.codec(toolText, tool, {
    decode: ({ id, kind, ...figures }, context): Tool => {
      const read = (field: keyof typeof figures) => {
        const found = figureOf(field, kind, units).safeParse(figures[field])
        if (found.success) return found.data
        const { message } = found.error.issues[0]
        context.issues.push({ code: 'custom', path: [field], message, input: figures[field] })
        return null
      }
      const [widthM, lengthM, m2PerHour, loadKg] = (['width', 'length', 'rate', 'load'] as const).map(read)
      return {
        id: id ?? newId('tool'),
        kind,
        widthM,
        lengthM,
        ...(m2PerHour !== null && { m2PerHour }),
        ...(loadKg !== null && { loadKg }),
      }
    },
    encode: (tool) => toolInputOf(tool, units),
  })

/** A figure of a tool as it is typed: m, m² an hour or kg. */
function figureOf(field: 'width' | 'length' | 'rate' | 'load', kind: ToolKind, units: Units) {
  const of = `The ${kind}’s`
  switch (field) {
    case 'width':
      return quantityOrNone('length', units, { name: `${of} width`, low: 0.05, high: 100 })
    case 'length':
      return quantityOrNone('length', units, { name: `${of} length`, low: 0.05, high: 500 })
    case 'rate':
      return quantityOrNone('workRate', units, { name: `${of} work rate`, low: 1, high: 20_000 })
    case 'load':
      return quantityOrNone('weight', units, { name: `${of} weight on it`, low: 10, high: 400 })
  }
}

/** A tool ticked off, nothing said of it yet. */
export const blankTool = (kind: ToolKind): ToolInput => ({ kind, width: '', length: '', rate: '', load: '' })

/** A tool as it is typed in the garden's units. */
export const toolInputOf = (tool: Tool, units: Units): ToolInput => {
  const text = (field: Parameters<typeof figureOf>[0], value: number | null | undefined) =>
    figureOf(field, tool.kind, units).encode(value ?? null)
  return {
    id: tool.id,
    kind: tool.kind,
    width: text('width', tool.widthM),
    length: text('length', tool.lengthM),
    rate: text('rate', tool.m2PerHour),
    load: text('load', tool.loadKg),
  }
}

/** Units as they are chosen. */
export const UNITS = [
  ['metric', 'metric'],
  ['imperial', 'imperial'],
] as const

const currency = z
  .string()
  .trim()
  .toUpperCase()
  .regex(/^[A-Z]{3}$/, 'Currency is a three-letter code such as EUR.')
const tools = (units: Units) => z.array(toolForm(units))

export const startForm = (units: Units) =>
  z.object({
    name: name('Garden name', 60),
    latitude: quantity('degrees', units, { name: 'Latitude', low: -66, high: 66 }),
    elevationM: quantity('length', units, { name: 'Elevation', low: -400, high: 4900 }),
    climateType: chosen('Choose the climate nearest to yours.'),
    units: z.enum(['metric', 'imperial']),
    currency,
    groups: z.array(bedGroup(units)).min(1, 'Add at least one run of beds.'),
    tools: tools(units),
  })

const wait = (units: Units) => quantity('days', units, { name: 'The wait', low: 0, high: 90, whole: true })
/** Name, units, currency, waits, tools and animals that come by. */
export const settingsForm = (units: Units) =>
  z.object({
    name: name('Garden name', 60),
    units: z.enum(['metric', 'imperial']),
    currency,
    waitTransplant: wait(units),
    waitSeed: wait(units),
    tools: tools(units),
    animals: z.array(z.enum(['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits'])),
  })

/** One bed's properties. */
export const bedForm = (units: Units) =>
  z.object({
    label: name('Label', 12),
    sectionId: z.string(),
    walkOrder: quantity('count', units, { name: 'Place in the walk', low: 1, high: 9999, whole: true }),
    kind: bedKind,
    lengthM: quantity('length', units, { name: 'Length', low: 0.2, high: 500 }),
    widthM: quantity('length', units, { name: 'Width', low: 0.2, high: 50 }),
    pathWidthM: quantity('length', units, { name: 'Path width', low: 0, high: 10 }),
    soil: soilTexture,
    fertility,
    stoodBefore: z.union([stoodBefore, z.literal('')]),
    shade: quantity('share', units, { name: 'Shade', low: 0, high: 0.8 }),
    keptM2: quantity('area', units, { name: 'Area of kept plants', low: 0, high: 5000 }),
  })

export const bedValue = (bed: Bed): z.output<ReturnType<typeof bedForm>> => ({
  ...bed,
  walkOrder: bed.walkOrder + 1,
  stoodBefore: bed.stoodBefore ?? '',
  keptM2: keptM2Of(bed),
})

/** What was changed of a bed, as it is kept. */
export const bedPart = ({
  walkOrder,
  stoodBefore,
  ...part
}: Partial<ReturnType<typeof bedValue>>): Partial<Bed> & { keptM2?: number } => ({
  ...part,
  ...(walkOrder !== undefined && { walkOrder: walkOrder - 1 }),
  ...(stoodBefore !== undefined && { stoodBefore: stoodBefore === '' ? null : stoodBefore }),
})

/** Compost or another feed; an analysis may be missing, but not be nonsense. */
export const feedForm = (units: Units) =>
  z.object({
    name: name('Name of the feed, such as Own compost', 60),
    nitrogenPct: quantityOrNone('number', units, {
      name: 'Nitrogen in percent, as on the label or from a laboratory,',
      low: 0.05,
      high: 20,
    }),
    firstSeason: quantityOrNone('share', units, { name: 'The share', low: 0.02, high: 1 }),
    kgPerM3: quantityOrNone('number', units, { name: 'A cubic metre in kg', low: 50, high: 2000 }),
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
    quantityOrNone('length', units, { name: `The pen’s ${what}`, low: 0.3, high: 200 })
  /** Told beside whatever else is wrong, not after it. */
  const measured = (what: string, path: string) => ({
    path: [path],
    error: `Measure the pen: its ${what} decides where it can stand.`,
    when: () => true,
  })
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
