import type { z } from 'zod'
import type { Problem } from '../core/foundations/outcome'
import { check, picture } from '../core/garden/check'
import { standProblems } from '../core/garden/consistency'
import { bed, garden, stand, type Stand } from '../core/garden/schema'
import { seedLot } from '../core/garden/seed'
import { weatherYear } from '../core/garden/weatherYear'
import type { StoredRecord, TableName } from './database'
import { problemsFromZod } from './problems'

const schemas: Record<TableName, z.ZodType> = {
  gardens: garden,
  beds: bed,
  stands: stand,
  checks: check,
  weather: weatherYear,
  lots: seedLot,
  pictures: picture,
}

/** What is wrong with a record as it would be stored; empty where it may be. */
export function recordProblems(table: TableName, record: StoredRecord): Problem[] {
  const parsed = schemas[table].safeParse(record)
  if (!parsed.success) return problemsFromZod(parsed.error)
  return table === 'stands' ? standProblems(record as Stand) : []
}
