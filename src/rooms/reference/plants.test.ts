import { describe, expect, test } from '@jest/globals'
import { SPECIES } from '../../core/plants/catalogue'
import { filterPlants, PROPERTIES, type PlantFilter } from './usePlants'

const any: PlantFilter = { text: '', group: 'any', season: 'any', only: 'any' }
const ids = (part: Partial<PlantFilter>) =>
  filterPlants(SPECIES, { ...any, ...part }).map((plant) => plant.id)

describe('finding plants', () => {
  test('what sets nematodes back takes in seed that is named resistant, where such seed is sold', () => {
    const found = (named: string[]) =>
      filterPlants(SPECIES, { ...any, only: 'nematodes' }, named).map(({ id }) => id)
    expect(found([])).not.toContain('cowpea')
    expect(found(['cowpea', 'buckwheat'])).toContain('cowpea')
    expect(found(['cowpea', 'buckwheat'])).not.toContain('buckwheat')
  })
  test('without a filter all are there', () => expect(ids({})).toHaveLength(SPECIES.length))
  test('words match names, Latin names and families, all of them', () => {
    expect(ids({ text: 'vicia' }).sort()).toEqual(['common-vetch', 'faba-bean', 'hairy-vetch'])
    expect(ids({ text: '  RYE ' })).toEqual(expect.arrayContaining(['cereal-rye', 'annual-ryegrass']))
    expect(ids({ text: 'white legume' })).toEqual(expect.arrayContaining(['white-clover', 'white-lupin']))
    expect(ids({ text: 'white legume' })).not.toContain('white-mustard')
    expect(ids({ text: 'oak' })).toEqual([])
  })
  test('kind, season and property narrow together', () => {
    const both = ids({ group: 'legume', season: 'warm', only: 'nematodes' })
    expect(both).toEqual(['sunn-hemp'])
  })
  test.each(Object.keys(PROPERTIES) as (keyof typeof PROPERTIES)[])(
    'property %s holds for some and not for all',
    (only) => {
      const found = ids({ only })
      expect(found.length).toBeGreaterThan(0)
      expect(found.length).toBeLessThan(SPECIES.length)
    },
  )
})
