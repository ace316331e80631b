import { writeFileSync } from 'node:fs'
import { gardenFileSchema } from '../src/data/gardenFile'

/** Writes docs/garden-file.schema.json: what a garden file of today may hold, for other programs. */
writeFileSync('docs/garden-file.schema.json', `${JSON.stringify(gardenFileSchema(), null, 2)}\n`)
