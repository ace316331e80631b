import type { SpeciesParameters } from '../plants/parameters'

/** Critical nitrogen of a canopy, % of shoot dry matter: a·W^−b, level below the plateau's mass (W in g m⁻²). */
export function criticalNitrogenPct(massGM2: number, p: SpeciesParameters): number {
  const tonnes = massGM2 / 100
  // Below half a tonne per hectare every class lies on its plateau.
  if (tonnes <= 0.5) return p.nitrogenPlateau
  return Math.min(p.nitrogenPlateau, p.nitrogenA * Math.exp(-p.nitrogenB * Math.log(tonnes)))
}

/** Mineral nitrogen at sowing by the soil-fertility answer, g m⁻² (judgement; medium is the stated default 4.5). */
export const STARTING_NITROGEN_G = { low: 3, medium: 4.5, high: 7.5 } as const

/** Nitrogen the soil's organic matter releases per day at 20 °C by the fertility answer, g m⁻² (judgement, default 0.055). */
export const RELEASE_AT_20C_G = { low: 0.035, medium: 0.055, high: 0.09 } as const

/** Release at a soil temperature: Q10 of 2, none below freezing. */
export function soilRelease(soilC: number, at20C: number): number {
  return soilC <= 0 ? 0 : at20C * Math.exp((Math.LN2 * (soilC - 20)) / 10)
}
