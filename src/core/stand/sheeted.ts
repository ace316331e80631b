import type { SheetKind } from './fate'
import type { StandEvent } from './types'

/**
 * What a sheet does to its ground: °C by which the soil is warmer (black 1–4, clear 4–8: Rylander et al. 2020, Birthisel and
 * Gallandt 2019), the share of the light it lets through, and whether it keeps out the rain and holds the water below it.
 */
export const SHEETED_GROUND: Record<SheetKind, { warmerC: number; light: number; tight: boolean }> = {
  black: { warmerC: 2, light: 0, tight: true },
  clear: { warmerC: 5, light: 0.85, tight: true },
  cardboard: { warmerC: 0, light: 0, tight: false },
}

/** Share of the way to the moisture of the ground that residue under a tight sheet goes in a day (judgement, 0.1–0.3). */
export const MOISTENED_PER_DAY = 0.15

/** The sheet that lies on a day, by the events of a run; null where none does. */
export function sheetLying(events: readonly StandEvent[], day: number): SheetKind | null {
  for (const event of events)
    if ('sheet' in event && event.sheet && event.day <= day && day < event.sheet.offDay)
      return event.sheet.kind
  return null
}
