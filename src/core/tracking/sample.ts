import type { Sample } from '../garden/check'
import { sampleMass } from './observations'

/** A dried sample as the bed's own growth. */
export type SampleResult = {
  /** Dry matter, g m⁻², with its error of one standard deviation. */
  massG: number
  errorG: number
  /** Dry share of the fresh weight; null while it dries. */
  dryShare: number | null
  /** Nitrogen in it, g m⁻², from the nitrogen content the forecast has for the stand. */
  nitrogenG: number
}

/**
 * What a sample comes to over the ground. `nitrogenShare` is the stand's computed nitrogen per dry matter (0.005–0.06);
 * the dry share of growing covers lies between 0.1 and 0.35.
 */
export function sampleResult(sample: Sample, nitrogenShare: number): SampleResult {
  const { massG, error } = sampleMass(sample)
  return {
    massG,
    errorG: massG * error,
    dryShare: sample.dryG === null ? null : sample.dryG / sample.freshG,
    nitrogenG: massG * nitrogenShare,
  }
}
