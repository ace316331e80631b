import { wrap, type Remote } from 'comlink'
import type { PictureWork } from './picture'

let remote: Remote<PictureWork> | null = null

/** The image work in its worker; started when first needed. */
export function pictures(): Remote<PictureWork> {
  remote ??= wrap<PictureWork>(
    new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }),
  )
  return remote
}
