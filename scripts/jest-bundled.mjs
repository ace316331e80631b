import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'

/** Hands bundled tests to Jest as they are, with the map that leads back to their sources. */
export default {
  process(code, path) {
    const map = `${path}.map`
    return { code, map: existsSync(map) ? readFileSync(map, 'utf8') : undefined }
  },
  getCacheKey: (code) => createHash('sha256').update(code).digest('hex'),
}
