import { z } from 'zod'
import {
  bed,
  bedKind,
  creature,
  fertility,
  garden,
  soilTexture,
  stoodBefore,
  type Bed,
} from '../../core/garden/schema'
import { keptM2Of } from '../../actions/beds'
import { name, quantity, quantityOrNone } from '../../parts/form/codecs'
import type { Typed } from '../../parts/form/useTyped'
import { homeShape, withProblems } from '../../parts/home/homeForm'
import { toolForm } from '../../parts/tools/forms'
import type { Units } from '../../text/format'

/** A run of like beds. */
export const bedGroup = (units: Units) =>
  z.object({
    section: name('Section', 40),
    prefix: z.string().trim().max(8, 'Use 8 characters or fewer before the number.'),
    count: quantity('count', units, { name: 'The number of beds', low: 1, high: 300, whole: true }),
    lengthM: quantity('length', units, { name: 'Length', of: bed.shape.lengthM }),
    widthM: quantity('length', units, { name: 'Width', of: bed.shape.widthM }),
    kind: bedKind,
    soil: soilTexture,
  })
export type BedGroupInput = z.input<ReturnType<typeof bedGroup>>
/** A run added to a garden that is there. */
export const addForm = (units: Units) => z.object({ groups: z.array(bedGroup(units)).length(1) })

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
  withProblems(
    z.object({
      ...homeShape(units),
      name: name('Garden name', 60),
      place: z.enum(['told', 'later']),
      units: z.enum(['metric', 'imperial']),
      currency,
      groups: z.array(bedGroup(units)).min(1, 'Add at least one run of beds.'),
      tools: tools(units),
    }),
  )
/** The form of a new garden as it is filled in. */
export type StartForm = Typed<ReturnType<typeof startForm>>
const wait = (units: Units) =>
  quantity('days', units, { name: 'The wait', of: garden.shape.waitDays.shape.seed, whole: true })
/** Name, units, currency, waits and animals that come by. */
export const settingsForm = (units: Units) =>
  z.object({
    name: name('Garden name', 60),
    units: z.enum(['metric', 'imperial']),
    currency,
    waitTransplant: wait(units),
    waitSeed: wait(units),
    animals: z.array(creature),
  })

/** One bed's properties. */
export const bedForm = (units: Units) =>
  z.object({
    label: name('Label', 12),
    sectionId: z.string(),
    walkOrder: quantity('count', units, { name: 'Place in the walk', low: 1, high: 9999, whole: true }),
    kind: bedKind,
    lengthM: quantity('length', units, { name: 'Length', of: bed.shape.lengthM }),
    widthM: quantity('length', units, { name: 'Width', of: bed.shape.widthM }),
    pathWidthM: quantity('length', units, { name: 'Path width', of: bed.shape.pathWidthM }),
    soil: soilTexture,
    fertility,
    stoodBefore: z.union([stoodBefore, z.literal('')]),
    shade: quantity('share', units, { name: 'Shade', of: bed.shape.shade }),
    slopePct: quantityOrNone('count', units, { name: 'Slope', of: bed.shape.slopePct }),
    keptM2: quantity('area', units, { name: 'Area of kept plants', low: 0, high: 5000 }),
  })

export const bedValue = (bed: Bed): z.output<ReturnType<typeof bedForm>> => ({
  ...bed,
  walkOrder: bed.walkOrder + 1,
  stoodBefore: bed.stoodBefore ?? '',
  slopePct: bed.slopePct ?? null,
  keptM2: keptM2Of(bed),
})

/** What was changed of a bed, as it is kept. */
export const bedPart = ({
  walkOrder,
  stoodBefore,
  slopePct,
  ...part
}: Partial<ReturnType<typeof bedValue>>): Partial<Bed> & { keptM2?: number } => ({
  ...part,
  ...(walkOrder !== undefined && { walkOrder: walkOrder - 1 }),
  ...(slopePct !== undefined && { slopePct: slopePct ?? undefined }),
  ...(stoodBefore !== undefined && { stoodBefore: stoodBefore === '' ? null : stoodBefore }),
})
