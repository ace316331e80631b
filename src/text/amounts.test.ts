import { describe, expect, test } from '@jest/globals'
import { segmentAreaM2 } from '../core/garden/area'
import type { Segment } from '../core/garden/schema'
import { testBed } from '../core/testing/beds'
import { dryMatter, dryMatterAxis, nitrogen, nitrogenAxis, toldOn, weight } from './amounts'

const plain = (text: string) => text.replaceAll('\u00a0', ' ')

describe('amounts of a bed', () => {
  const bed = (units: 'metric' | 'imperial') => ({ units, areaM2: 12 })
  test('are told for it, to two figures, in grams and kilos or ounces and pounds', () => {
    expect(plain(dryMatter(512, bed('metric')))).toBe('6.1 kg')
    expect(plain(dryMatter(41, bed('metric')))).toBe('490 g')
    expect(plain(nitrogen(9.4, bed('metric')))).toBe('110 g')
    expect(plain(dryMatter(512, bed('imperial')))).toBe('14 lb')
    expect(plain(nitrogen(9.4, bed('imperial')))).toMatch(/^3.9 oz$/)
    // A harvest of 800 g from each m², and the same told of the ground.
    expect(plain(weight(800, bed('metric')))).toBe('9.6 kg')
    expect(plain(weight(800, 'metric'))).toBe('0.8 kg/m²')
    expect(plain(weight(800, 'imperial'))).toBe('2.6 oz/ft²')
  })
  test('are told for the part of it that is meant, and say so', () => {
    const half: Segment = { kind: 'half', which: 'first' }
    const whole = { units: 'metric' as const, areaM2: segmentAreaM2(testBed, { kind: 'whole' }) }
    const part = toldOn(whole, testBed, half)
    expect(part).toEqual({ units: 'metric', areaM2: segmentAreaM2(testBed, half), part: true })
    expect(dryMatterAxis(part).unit).toBe('kg on this part')
    expect(nitrogenAxis(toldOn(whole, testBed, { kind: 'whole' })).unit).toBe('g on this bed')
    expect(toldOn('imperial', testBed, half)).toBe('imperial')
  })
  test('multiply to the rates that are one switch away', () => {
    for (const units of ['metric', 'imperial'] as const) {
      const perBed = nitrogenAxis(bed(units))
      const perArea = nitrogenAxis(units)
      const grams = (9.4 * perBed.scale * (units === 'imperial' ? 28.3495 : 1)) / 12
      const fromRate = (9.4 * perArea.scale) / (units === 'imperial' ? 8.9218 : 10)
      expect(grams).toBeCloseTo(fromRate, 2)
      const kilos = (512 * dryMatterAxis(bed(units)).scale * (units === 'imperial' ? 0.453592 : 1)) / 12
      expect(kilos * 1000).toBeCloseTo(512, 0)
    }
  })
})
