import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, METRES_PER_FOOT, poundsPerAcre } from '../core/foundations/units'
import { segmentAreaM2 } from '../core/garden/area'
import type { Bed, Segment } from '../core/garden/schema'
import { decimal, fixed, grams, kilos, type Units } from './format'

/** How amounts are told: per acre or hectare, or for a ground of its own, m², which may be a part of a bed. */
export type Told = Units | { units: Units; areaM2: number; part?: boolean }
export const unitsOf = (told: Told): Units => (typeof told === 'string' ? told : told.units)

/** Amounts of a bed told for a part of it, where they are told for the bed. */
export const toldOn = (told: Told, bed: Bed, segment: Segment): Told =>
  typeof told === 'string'
    ? told
    : { units: told.units, areaM2: segmentAreaM2(bed, segment), part: segment.kind !== 'whole' }

const groundWord = ({ part = false }: { part?: boolean }) => (part ? 'on this part' : 'on this bed')

const twoFigures = (value: number) => Number(value.toPrecision(2))

/** A weight of what grows or lies on a ground, to two figures. */
function weightOf(g: number, units: Units): string {
  const whole = units === 'metric' ? 1000 : GRAMS_PER_POUND
  return g >= whole ? kilos((twoFigures(g / whole) * whole) / 1000, units) : grams(twoFigures(g), units)
}

/** Dry matter, g m⁻² inside: of the ground it is told for, or per acre or hectare. */
export function dryMatter(gM2: number, told: Told): string {
  if (typeof told !== 'string') return weightOf(gM2 * told.areaM2, told.units)
  return told === 'imperial'
    ? `${decimal(Math.round(poundsPerAcre(gM2) / 50) * 50, 0)}\u00a0lb/acre`
    : `${fixed(gM2 / 100, 1)}\u00a0t/ha`
}

/** Fresh growth, or a harvest, g m⁻² inside: of the ground it is told for, or per ft² or m². */
export function weight(gM2: number, told: Told): string {
  if (typeof told !== 'string') return weightOf(gM2 * told.areaM2, told.units)
  return told === 'imperial'
    ? `${decimal((gM2 / GRAMS_PER_OUNCE) * METRES_PER_FOOT ** 2, 1)}\u00a0oz/ft²`
    : `${decimal(gM2 / 1000, 1)}\u00a0kg/m²`
}

/** What numbers of nitrogen on an axis are multiplied by, from g m⁻², and their unit. */
export function nitrogenAxis(told: Told): { scale: number; unit: string } {
  const imperial = unitsOf(told) === 'imperial'
  if (typeof told === 'string')
    return imperial ? { scale: poundsPerAcre(1), unit: 'lb/acre' } : { scale: 10, unit: 'kg/ha' }
  return imperial
    ? { scale: told.areaM2 / GRAMS_PER_OUNCE, unit: `oz ${groundWord(told)}` }
    : { scale: told.areaM2, unit: `g ${groundWord(told)}` }
}

/** The same for dry matter. */
export function dryMatterAxis(told: Told): { scale: number; unit: string } {
  const imperial = unitsOf(told) === 'imperial'
  if (typeof told === 'string')
    return imperial ? { scale: poundsPerAcre(1), unit: 'lb/acre' } : { scale: 0.01, unit: 't/ha' }
  return imperial
    ? { scale: told.areaM2 / GRAMS_PER_POUND, unit: `lb ${groundWord(told)}` }
    : { scale: told.areaM2 / 1000, unit: `kg ${groundWord(told)}` }
}

/** Nitrogen, g m⁻² inside: of the ground it is told for, or per acre or hectare. */
export function nitrogen(gM2: number, told: Told): string {
  if (typeof told !== 'string') return weightOf(gM2 * told.areaM2, told.units)
  return told === 'imperial'
    ? `${decimal(poundsPerAcre(gM2), 0)}\u00a0lb/acre`
    : `${decimal(gM2 * 10, 0)}\u00a0kg/ha`
}

/** What a scale shows, g: `1 g`, `0.02 oz`. */
export const stepText = (g: number, units: Units): string =>
  units === 'imperial'
    ? `${decimal(g / GRAMS_PER_OUNCE, 2)}\u00a0oz`
    : g < 1000
      ? `${decimal(g)}\u00a0g`
      : `${decimal(g / 1000)}\u00a0kg`
