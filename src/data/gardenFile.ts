import { z } from 'zod'
import { failure, success, type Outcome } from '../core/foundations/outcome'
import { picture } from '../core/garden/check'
import { gardenProblems } from '../core/garden/consistency'
import { gardenData, type GardenData } from '../core/garden/schema'
import { GARDEN_SCHEMA_VERSION } from '../core/garden/version'
import { seedLot } from '../core/garden/seed'
import { weatherYear } from '../core/garden/weatherYear'
import { migrateFile } from './migrations/migrate'
import { problemsFromZod, Refusal } from './problems'

/** The name every garden file carries in its first field. */
export const GARDEN_FILE_FORMAT = 'kilim-garden'

const envelope = z.object({
  format: z.literal(GARDEN_FILE_FORMAT),
  version: z.number().int(),
  exportedAt: z.string(),
  data: z.unknown(),
})

const stamp = z.tuple([z.number().int().min(0).max(1e12), z.string().max(40)])

/**
 * When each place of each record was written, by count and device, and what the device that wrote the file had seen of the
 * others: by it the garden can be brought together with itself on another device. Files of a Kilim without it have none.
 */
const fileHistory = z.object({
  seen: z.record(z.string().max(40), z.number().int().min(0).max(1e12)),
  records: z
    .array(
      z.object({
        name: z
          .string()
          .regex(
            /^(gardens|beds|stands|checks|weather|lots|pictures) .{1,200}$/,
            'A history names a table and a record.',
          ),
        whole: stamp,
        places: z.record(z.string().max(400), stamp),
        gone: stamp.nullable(),
      }),
    )
    .max(400_000),
})
export type FileHistory = z.infer<typeof fileHistory>

/**
 * What a garden file holds: the garden, the weather observed there, the seed at hand (from version 2) and what is
 * known of its pictures (from version 3).
 */
const fileData = gardenData.extend({
  weather: z.array(weatherYear).max(260).default([]),
  lots: z.array(seedLot).max(2000).default([]),
  pictures: z.array(picture).max(20_000).default([]),
  history: fileHistory.optional(),
})
export type GardenFileData = z.infer<typeof fileData>

/**
 * The garden file as JSON Schema (2020-12), for other programs: what a file of today may hold. Some rules are told in the
 * document only: which records belong together, and what of two values may not be.
 */
export const gardenFileSchema = (): object =>
  z.toJSONSchema(envelope.extend({ version: z.literal(GARDEN_SCHEMA_VERSION), data: fileData }), {
    io: 'input',
    unrepresentable: 'any',
  })

const byId = (a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)

/** One garden as JSON text; throws a refusal where a record is not sound. Records stand in order of id and fields in order of the schema, so equal gardens give equal bytes. */
export function writeGardenFile(data: GardenData & Partial<GardenFileData>, exportedAt: string): string {
  const parsed = fileData.safeParse(data)
  if (!parsed.success) throw new Refusal(...problemsFromZod(parsed.error))
  const clean = parsed.data
  const sorted = {
    garden: clean.garden,
    beds: clean.beds.sort(byId),
    stands: clean.stands.sort(byId),
    checks: clean.checks.sort(byId),
    weather: clean.weather.sort(byId),
    lots: clean.lots.sort(byId),
    pictures: clean.pictures.sort(byId),
    ...(clean.history && {
      history: {
        ...clean.history,
        records: clean.history.records.sort((a, b) => (a.name < b.name ? -1 : 1)),
      },
    }),
  }
  return `${JSON.stringify({ format: GARDEN_FILE_FORMAT, version: GARDEN_SCHEMA_VERSION, exportedAt, data: sorted }, null, 2)}\n`
}

/** Where a text stopped being JSON, as far as it is said. */
function placeIn(error: unknown): string {
  const sign = error instanceof Error ? /position (\d+)/.exec(error.message)?.[1] : undefined
  return sign === undefined ? '' : ` at sign ${sign}`
}

/** Reads a garden file; every refusal names the place in the file and the fix. */
export function readGardenFile(text: string): Outcome<GardenFileData> {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    return failure({
      path: '',
      code: 'not-json',
      message: `The file is not readable JSON${placeIn(error)}: it was cut short or changed. Choose a file that Kilim exported, or export it again.`,
    })
  }
  const outer = envelope.safeParse(json)
  if (!outer.success)
    return failure({
      path: 'format',
      code: 'foreign',
      message: 'This is not a Kilim garden file. Choose a file that Kilim exported.',
    })
  if (outer.data.version > GARDEN_SCHEMA_VERSION)
    return failure({
      path: 'version',
      code: 'newer',
      message: `The file was written by a newer Kilim (format ${outer.data.version}). Update Kilim, then import it.`,
    })
  const parsed = fileData.safeParse(migrateFile(outer.data.data, outer.data.version))
  if (!parsed.success) return failure(...problemsFromZod(parsed.error))
  const problems = gardenProblems(parsed.data)
  return problems.length > 0 ? failure(...problems) : success(parsed.data)
}
