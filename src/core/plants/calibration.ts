import * as archetypes from './archetypes'
import { CALIBRATED } from './calibrated'
import type { ParameterName, SpeciesParameters } from './parameters'
import { PARAMETERS } from './parameterRanges'

export type ArchetypeName = keyof typeof archetypes
export const ARCHETYPE_NAMES = Object.keys(archetypes) as ArchetypeName[]

/**
 * What the calibration moves: a factor on some parameters, or °C added to one. `sd` is how far the published cases may draw
 * a kind of plants, and one species from its kind, from what the catalogue states (standard deviation of the logarithm, or
 * °C).
 */
export const FACTORS = {
  thermalTime: { of: ['t31Cd', 't51Cd', 't61Cd'], sd: { archetype: 0.08, species: 0.12 } },
  lightUse: { of: ['lightUseGMj'], sd: { archetype: 0.15, species: 0.15 } },
  leafGrowth: { of: ['leafGrowthPerCd'], sd: { archetype: 0.08, species: 0.12 } },
  emergence: { of: ['emergenceCd'], sd: { archetype: 0.1, species: 0.15 } },
  daylength: { of: ['photoFloor'], sd: { archetype: 0.25, species: 0.25 } },
  hardinessC: { of: ['lt50HardyC'], sd: { archetype: 0.7, species: 0.8 } },
} as const satisfies Record<
  string,
  { of: readonly ParameterName[]; sd: { archetype: number; species: number } }
>
export type FactorName = keyof typeof FACTORS
export const FACTOR_NAMES = Object.keys(FACTORS) as FactorName[]

/** Logarithms of factors, and °C of hardiness, that differ from 0. */
export type Factors = Partial<Record<FactorName, number>>

/** What a calibration found: values of the physics all plants share, and factors by kind of plant and by species. */
export type Calibration = {
  shared: Readonly<Record<string, number>>
  archetypes: Readonly<Record<string, Factors>>
  species: Readonly<Record<string, Factors>>
}

const inRange = (name: ParameterName, value: number) =>
  Math.min(PARAMETERS[name].high, Math.max(PARAMETERS[name].low, value))

/** The archetype that a species' set was made from. */
export const archetypeOf = (base: SpeciesParameters): ArchetypeName =>
  ARCHETYPE_NAMES.find((name) => archetypes[name] === base)!

/** A species' stated parameters with the factors of its kind and its own. Shares that are 1, and no photoperiod, stay. */
export function withCalibration(
  stated: SpeciesParameters,
  archetype: ArchetypeName,
  speciesId: string,
  calibration: Calibration = CALIBRATED,
): SpeciesParameters {
  const parameters = { ...stated }
  for (const factor of FACTOR_NAMES) {
    const moved =
      (calibration.archetypes[archetype]?.[factor] ?? 0) + (calibration.species[speciesId]?.[factor] ?? 0)
    if (moved === 0) continue
    for (const name of FACTORS[factor].of) {
      if (factor === 'daylength' && stated[name] >= 1) continue
      parameters[name] = inRange(
        name,
        factor === 'hardinessC' ? stated[name] + moved : stated[name] * Math.exp(moved),
      )
    }
  }
  return parameters
}
