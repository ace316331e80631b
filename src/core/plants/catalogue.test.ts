import { describe, expect, test } from '@jest/globals'
import { z } from 'zod'
import { doseNeeded } from '../termination/sheets'
import { chopSurvival, chopSurvivalAt, crimpSurvival } from '../termination/survival'
import { findSpecies, groupsOf, seedSize, SPECIES } from './catalogue'
import { CROPS } from './crops'
import { crop } from './cropSchema'
import { species } from './parameters'

describe('catalogue', () => {
  test('every species passes the schema, every parameter inside its range', () => {
    const result = z.array(species).safeParse(SPECIES)
    expect(result.success ? [] : result.error.issues).toEqual([])
  })
  test('thirty-six species or more over three groups, ids unique', () => {
    expect(SPECIES.length).toBeGreaterThanOrEqual(36)
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
  test('crops pass their schema, forty-five or more of them, and can be sown under only while they stand', () => {
    const result = z.array(crop).safeParse(CROPS)
    expect(result.success ? [] : result.error.issues).toEqual([])
    expect(CROPS.length).toBeGreaterThanOrEqual(45)
    expect(new Set(CROPS.map((entry) => entry.id)).size).toBe(CROPS.length)
    for (const entry of CROPS) {
      expect(entry.daysToHarvest).toBeLessThanOrEqual(entry.daysInBed)
      if (entry.lastWeedingDays !== null) expect(entry.lastWeedingDays).toBeLessThan(entry.daysInBed)
      expect(entry.lightReturns.daysBeforeClearing).toBeLessThan(entry.daysInBed)
    }
  })
  test('prices are ranges, short names fit the loom, and sources name only what is better than judgement', () => {
    for (const plant of SPECIES) {
      expect(plant.pricePerKg.low).toBeLessThan(plant.pricePerKg.high)
      expect(plant.shortName.length).toBeLessThanOrEqual(9)
      for (const source of Object.values(plant.sources)) {
        expect(source.class).not.toBe('judgement')
        if (source.class === 'published') expect(source.reference).toMatch(/ \d{4}/)
      }
      expect(plant.depthCm.low).toBeLessThan(plant.depthCm.high)
    }
    expect(new Set(SPECIES.map((plant) => plant.shortName)).size).toBe(SPECIES.length)
  })
  test('every class of ending has its tables, none rising with stage', () => {
    for (const kind of new Set(SPECIES.map((plant) => plant.endingClass))) {
      for (const table of [chopSurvival, crimpSurvival])
        for (let bbch = 10; bbch < 90; bbch++)
          expect(table(kind, bbch + 1)).toBeLessThanOrEqual(table(kind, bbch) + 1e-12)
      const under = (lies: 'flat' | 'standing') => doseNeeded('black', { endingClass: kind }, 45, lies)
      expect(under('flat')).toBeLessThan(under('standing'))
      expect(chopSurvivalAt(kind, 65, 0.2)).toBeGreaterThanOrEqual(chopSurvivalAt(kind, 65, 0))
    }
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
