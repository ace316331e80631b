import { describe, expect, test } from '@jest/globals'
import { z } from 'zod'
import { findSpecies, groupsOf, seedSize, SPECIES } from './catalogue'
import { CROPS, crop } from './crops'
import { species } from './parameters'

describe('catalogue', () => {
  test('every species passes the schema, every parameter inside its range', () => {
    const result = z.array(species).safeParse(SPECIES)
    expect(result.success ? [] : result.error.issues).toEqual([])
  })
  test('at least twelve species over three groups, ids unique', () => {
    expect(SPECIES.length).toBeGreaterThanOrEqual(12)
    expect(new Set(SPECIES.map((plant) => plant.group)).size).toBe(3)
    expect(new Set(SPECIES.map((plant) => plant.id)).size).toBe(SPECIES.length)
  })
  test('stages follow one another in time', () => {
    for (const { id, parameters: p } of SPECIES) {
      const order = [
        p.t31Cd,
        p.t51Cd,
        p.t61Cd,
        p.t61Cd + p.t65Cd,
        p.t61Cd + p.t75Cd,
        p.t61Cd + p.t85Cd,
        p.t61Cd + p.t89Cd,
      ]
      expect([id, [...order].sort((a, b) => a - b)]).toEqual([id, order])
      expect(p.t71Cd).toBeLessThan(p.t75Cd)
    }
  })
  test('hardened plants bear at least as much cold as unhardened ones', () => {
    for (const { parameters: p } of SPECIES) expect(p.lt50HardyC).toBeLessThanOrEqual(p.lt50TenderC)
  })
  test('crops pass their schema', () => {
    expect(z.array(crop).safeParse(CROPS).success).toBe(true)
  })
  test('only legumes fix nitrogen', () => {
    for (const plant of SPECIES) expect(plant.parameters.fixationShare > 0).toBe(plant.group === 'legume')
  })
  test('groups of a mix, largest share first, and unknown species left out', () => {
    const mix = [
      { speciesId: 'hairy-vetch', share: 0.4 },
      { speciesId: 'cereal-rye', share: 0.6 },
      { speciesId: 'nothing', share: 1 },
    ]
    expect(groupsOf(mix)).toEqual(['grass', 'legume'])
  })
  test('seed sizes', () => {
    expect(
      ['red-clover', 'crimson-clover', 'cereal-rye', 'faba-bean'].map((id) => seedSize(findSpecies(id)!)),
    ).toEqual(['tiny', 'small', 'medium', 'large'])
  })
})
