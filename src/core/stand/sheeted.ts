import type { WeatherBlock } from './block'
import { exponential } from '../foundations/exponential'
import type { Sheeted, SheetKind } from './fate'
import { bbchOf, die } from './plants'
import type { StandEvent } from './types'
import type { Work } from './work'

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

/** Air under a black sheet lying on the ground is warmer than outside by about this, °C (range 3–6). */
export const SHEET_WARMING_C = 4.5
/** Warmth from which plants die under clear film, °C (judgement, 40–45). */
const FILM_KILLS_C = 40

/** Heat under clear film in a day, °C d: Tmax + 0.85·Rs − 40, Rs in MJ m⁻² d⁻¹; nothing in cloud. */
export const filmHeat = (tMaxC: number, radiationMjM2: number) =>
  Math.max(0, tMaxC + 0.85 * radiationMjM2 - FILM_KILLS_C)

/** What a day gives under a sheet, °C d: thermal time above 0 °C, under clear film heat. */
export const sheetDose = (sheet: SheetKind, tMinC: number, tMaxC: number, radiationMjM2: number): number =>
  sheet === 'clear' ? filmHeat(tMaxC, radiationMjM2) : Math.max(0, (tMinC + tMaxC) / 2 + SHEET_WARMING_C)

/** Natural logarithm of the share that the dose needed leaves alive. */
const LEFT_BY_DOSE = Math.log(0.05)

/** The sheet that lies on a day, by the events of a run; null where none does. */
export function sheetLying(events: readonly StandEvent[], day: number): Sheeted | null {
  for (const event of events)
    if ('sheet' in event && event.sheet && event.day <= day && day < event.sheet.offDay) return event.sheet
  return null
}

/**
 * A day under a sheet of the members from `begin` up to `end`: what lives falls exponentially with the dose. How much a
 * species wants is told on its first day under it.
 */
export function smotherDay(
  { input, state, members }: Pick<Work, 'input' | 'state' | 'members'>,
  { tMinC, tMaxC, radiationMjM2 }: WeatherBlock,
  sheet: Sheeted,
  seedMm: number,
  at: number,
  begin: number,
  end: number,
): void {
  state.plants.forEach((plants, c) => {
    const { plant } = input.sown[c]
    const { alive, smotherDose } = plants
    for (let m = begin; m < end; m++) {
      if (!(alive[m] > 0)) continue
      if (smotherDose[m] === 0) {
        const of = { plant, bbch: bbchOf(plants, m, plant.parameters), member: members[m] }
        smotherDose[m] = input.fates.smothers(sheet, of, state.water.seedLayerMm[m] / seedMm)
      }
      const dose = sheetDose(sheet.kind, tMinC[at + m], tMaxC[at + m], radiationMjM2[at + m])
      if (dose > 0) die(plants, m, 1 - exponential((LEFT_BY_DOSE * dose) / smotherDose[m]), state.surface)
    }
  })
}
