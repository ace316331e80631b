import { describe, expect, test } from '@jest/globals'
import { stillStand } from '../testing/stillStand'
import { findMethod, METHODS } from './methods'
import { drawsSeedFlies, seedFlyDay } from './seedFlies'

const at = (meanC: number) =>
  stillStand([{ speciesId: 'cereal-rye', bbch: 40, massG: 300 }], { meanC, days: 120 }).ensemble

describe('seed flies after burying', () => {
  test('they are past after 250 °C d above 4 °C: 14 °C takes 25 days', () => {
    expect(seedFlyDay(at(14), 0, 10)).toBe(10 + 25)
    expect(seedFlyDay(at(12), 0, 10)).toBe(10 + 32)
  })
  test('never before three weeks however warm, nor after two months however cold', () => {
    expect(seedFlyDay(at(26), 0, 10)).toBe(10 + 21)
    expect(seedFlyDay(at(5), 0, 10)).toBe(10 + 60)
  })
  test('only ways that bury fresh growth draw them', () => {
    expect(
      METHODS.filter(drawsSeedFlies)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['biofumigate', 'bury', 'flip-cover', 'pigs', 'soil-tarp', 'turn'])
    expect(drawsSeedFlies(findMethod('chop')!)).toBe(false)
  })
})
