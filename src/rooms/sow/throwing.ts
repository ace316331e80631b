import type { Garden } from '../../core/garden/schema'
import type { Sower } from '../../core/garden/seed'
import {
  handfulOf,
  portionsOf,
  USUAL_MEASURES,
  type Measures,
  type Portion,
} from '../../core/seeding/measures'
import type { Recipe } from '../../core/seeding/recipe'
import type { Covering } from '../../core/garden/schema'

/** How a sowing is thrown, as asked for: stretches and sower as typed, empty for the usual. */
export type HowThrown = {
  covering: Covering
  passes: number
  scaleStepG: number
  stretches: string
  sowerId: string
}

/** How often a pass is cut into stretches unless said otherwise: about one every six metres. */
export const usualStretches = (lengthM: number) => Math.min(9, Math.max(1, Math.round(lengthM / 6)))

export const sowerOf = (garden: Garden, form: HowThrown): Sower | null =>
  garden.sowers.find((sower) => sower.id === form.sowerId) ?? garden.sowers[0] ?? null

export const measuresOf = (sower: Sower | null): Measures => sower ?? USUAL_MEASURES

/** What is thrown at once: species of like seed size share a throw, the large ones first. */
export type Throwing = {
  size: Recipe['lines'][number]['size']
  names: string[]
  portions: Portion[]
  passGrams: number[]
}

const ORDER = ['large', 'medium', 'small', 'tiny'] as const

/** Portions by seed size, for a bed of this size. */
export function throwingsOf(
  recipe: Recipe,
  form: HowThrown,
  size: { lengthM: number; widthM: number },
  measures: Measures,
): Throwing[] {
  const stretches = Math.min(
    12,
    Math.max(1, Math.round(Number(form.stretches) || usualStretches(size.lengthM))),
  )
  return ORDER.flatMap((seed) => {
    const lines = recipe.lines.filter((line) => line.size === seed)
    if (lines.length === 0) return []
    const passGrams = recipe.passTotals.map(
      (_, pass) => Math.round(lines.reduce((sum, line) => sum + line.passes[pass], 0) * 1000) / 1000,
    )
    const portions = portionsOf({
      passGrams,
      lengthM: size.lengthM,
      widthM: size.widthM,
      stretches,
      gramsPerHandful: handfulOf(measures, seed),
      castWidthM: measures.castWidthM,
      paceM: measures.paceM,
      scaleStepG: form.scaleStepG,
    })
    return [{ size: seed, names: lines.map((line) => line.name), portions, passGrams }]
  })
}
