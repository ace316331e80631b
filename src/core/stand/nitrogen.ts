import type { SpeciesParameters } from '../plants/parameters'

/** Critical nitrogen of a canopy, % of shoot dry matter: a·W^−b, level below the plateau's mass (W in g m⁻²). */
export function criticalNitrogenPct(massGM2: number, p: SpeciesParameters): number {
  const tonnes = massGM2 / 100
  // Below half a tonne per hectare every class lies on its plateau.
  if (tonnes <= 0.5) return p.nitrogenPlateau
  return Math.min(p.nitrogenPlateau, p.nitrogenA * Math.exp(-p.nitrogenB * Math.log(tonnes)))
}
