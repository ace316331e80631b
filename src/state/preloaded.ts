import type { GardenData } from '../core/garden/schema'
import type { KeptWeather } from './weatherRecord'

/** The open garden as it was read before the page was drawn. */
export type Preloaded = { gardenId: string; data: GardenData; kept: KeptWeather }
let preloaded: Preloaded | null = null

export const setPreloaded = (read: Preloaded): void => void (preloaded = read)

/** What was read ahead of a garden; undefined where nothing was. */
export const preloadedOf = (gardenId: string | null): Preloaded | undefined =>
  preloaded && preloaded.gardenId === gardenId ? preloaded : undefined

/** From the first painting on, storage itself is listened to. */
export const forgetPreloaded = (): void => void (preloaded = null)
