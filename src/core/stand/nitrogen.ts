import { exponential, logarithm } from '../foundations/exponential'
import type { SpeciesParameters } from '../plants/parameters'

const plateaus = new WeakMap<SpeciesParameters, number>()

/** Mass up to which a canopy lies on the plateau, g m⁻²; below half a tonne per hectare every class does. */
export function plateauMassG(p: SpeciesParameters): number {
  let massG = plateaus.get(p)
  if (massG === undefined) {
    massG = 100 * Math.max(0.5, Math.pow(p.nitrogenA / p.nitrogenPlateau, 1 / p.nitrogenB))
    plateaus.set(p, massG)
  }
  return massG
}

/**
 * Critical nitrogen of a canopy, % of shoot dry matter: a·W^−b, level below the plateau's mass (W in g m⁻²).
 * @param plateauG the species' `plateauMassG`, looked up once for many canopies
 */
export const criticalNitrogenPct = (massGM2: number, plateauG: number, p: SpeciesParameters): number =>
  massGM2 <= plateauG ? p.nitrogenPlateau : p.nitrogenA * exponential(-p.nitrogenB * logarithm(massGM2 / 100))
