import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A seeded stream of random numbers: the same seed gives the same numbers on every machine. */
export type RandomStream = {
  /** Uniform in [0, 1). */
  uniform(): number
  /** Standard normal (Box and Muller 1958). */
  normal(): number
  /** Gamma with shape > 0 and scale > 0, mean shape·scale (Marsaglia and Tsang 2000). */
  gamma(shape: number, scale: number): number
}

export function randomStream(seed: number): RandomStream {
  const generator = xoroshiro128plus(seed | 0)
  for (let i = 0; i < 8; i++) generator.next()
  // The second of each pair of normals waits in a typed array: a number in a closure would be boxed at every change.
  const spare = new Float64Array(1)
  let hasSpare = false

  const uniform = () => uniformFloat64(generator)
  const normal = () => {
    if (hasSpare) {
      hasSpare = false
      return spare[0]
    }
    const radius = Math.sqrt(-2 * Math.log(1 - uniform()))
    const angle = 2 * Math.PI * uniform()
    spare[0] = radius * Math.sin(angle)
    hasSpare = true
    return radius * Math.cos(angle)
  }
  const gamma = (shape: number, scale: number): number => {
    if (shape < 1) return gamma(shape + 1, scale) * Math.pow(1 - uniform(), 1 / shape)
    const d = shape - 1 / 3
    const c = 1 / Math.sqrt(9 * d)
    for (;;) {
      const x = normal()
      const v = (1 + c * x) ** 3
      if (v > 0 && Math.log(1 - uniform()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v * scale
    }
  }
  return { uniform, normal, gamma }
}

/** Mixes two whole numbers into one seed, so that streams for different purposes do not run alongside. */
export function mixSeed(a: number, b: number): number {
  let h = Math.imul(a ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(b + 0x7f4a7c15, 0xc2b2ae35)
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d)
  return (h ^ (h >>> 13)) | 0
}

/** A seed from text (FNV-1a). */
export function seedFromText(text: string): number {
  let h = 0x811c9dc5
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193)
  return h | 0
}
