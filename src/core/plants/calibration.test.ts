import { describe, expect, test } from '@jest/globals'
import * as archetypes from './archetypes'
import { CALIBRATED } from './calibrated'
import { archetypeOf, ARCHETYPE_NAMES, FACTOR_NAMES, FACTORS, withCalibration } from './calibration'
import { findSpecies, SPECIES } from './catalogue'
import type { ParameterName } from './parameters'
import { PARAMETERS, PARAMETER_NAMES } from './parameterRanges'

const NOTHING = { shared: {}, archetypes: {}, species: {} }
const rye = findSpecies('cereal-rye')!.stated

describe('a calibration over what is stated', () => {
  test('that found nothing leaves every value as stated', () => {
    for (const { id, stated, archetype } of SPECIES)
      expect(withCalibration(stated, archetype as (typeof ARCHETYPE_NAMES)[number], id, NOTHING)).toEqual(
        stated,
      )
  })
  test('multiplies by its kind and its own, and adds degrees to hardiness', () => {
    const moved = withCalibration(rye, 'winterCereal', 'cereal-rye', {
      shared: {},
      archetypes: { winterCereal: { lightUse: Math.log(1.1), hardinessC: 1 }, clover: { lightUse: 1 } },
      species: { 'cereal-rye': { lightUse: Math.log(1.05), hardinessC: 0.5 }, oats: { thermalTime: 1 } },
    })
    expect(moved.lightUseGMj).toBeCloseTo(rye.lightUseGMj * 1.1 * 1.05, 9)
    expect(moved.lt50HardyC).toBeCloseTo(rye.lt50HardyC + 1.5, 9)
    expect(moved.t61Cd).toBe(rye.t61Cd)
  })
  test('moves the thermal times of a plant together, so that its stages keep their order', () => {
    const { t31Cd, t51Cd, t61Cd } = withCalibration(rye, 'winterCereal', 'cereal-rye', {
      ...NOTHING,
      species: { 'cereal-rye': { thermalTime: -0.2 } },
    })
    expect(t31Cd / rye.t31Cd).toBeCloseTo(t61Cd / rye.t61Cd, 9)
    expect(t31Cd < t51Cd && t51Cd < t61Cd).toBe(true)
  })
  test('never leaves the range a value may lie in, and gives no photoperiod to a plant that has none', () => {
    const buckwheat = findSpecies('buckwheat')!.stated
    const moved = withCalibration(buckwheat, 'softBroadleaf', 'buckwheat', {
      ...NOTHING,
      species: { buckwheat: { lightUse: 9, daylength: -1 } },
    })
    expect(moved.lightUseGMj).toBe(PARAMETERS.lightUseGMj.high)
    expect(moved.photoFloor).toBe(1)
  })
  test('names only kinds, species and factors that there are', () => {
    for (const name of Object.keys(CALIBRATED.archetypes)) expect(ARCHETYPE_NAMES).toContain(name)
    for (const id of Object.keys(CALIBRATED.species)) expect(findSpecies(id)).not.toBeNull()
    for (const factors of [...Object.values(CALIBRATED.archetypes), ...Object.values(CALIBRATED.species)])
      for (const name of Object.keys(factors)) expect(FACTOR_NAMES).toContain(name)
  })
})

test('every species grows by values inside their ranges, and moved ones are those of the factors', () => {
  const movable = new Set<ParameterName>(
    FACTOR_NAMES.flatMap((name): readonly ParameterName[] => FACTORS[name].of),
  )
  for (const { id, parameters, stated } of SPECIES)
    for (const name of PARAMETER_NAMES) {
      expect([id, name, parameters[name] >= PARAMETERS[name].low]).toEqual([id, name, true])
      expect([id, name, parameters[name] <= PARAMETERS[name].high]).toEqual([id, name, true])
      if (!movable.has(name)) expect([id, name, parameters[name]]).toEqual([id, name, stated[name]])
    }
})

test('an archetype is known by its set', () => {
  expect(archetypeOf(archetypes.clover)).toBe('clover')
  expect(findSpecies('crimson-clover')!.archetype).toBe('clover')
})
