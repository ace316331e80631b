import { describe, expect, test } from '@jest/globals'
import { findTowns, parseTowns } from './towns'

const list = parseTowns(
  [
    '@DE\tHessen',
    'Springfeld\t503\t-896\t18\t300\t5',
    'Münchhausen am Christenberg\t510\t-896\t18\t300\t5',
    '@AT\tWien',
    'Vienna (Wien)\t482\t164\t20\t300\t9',
    '@US\tVirginia',
    'Vienna\t389\t-773\t10\t60\t6',
    '@US\tIllinois',
    'Springfield\t398\t-896\t18\t300\t7',
    'West Springfield\t399\t-896\t18\t300\t6',
    '@US\tMissouri',
    'Springfield\t372\t-896\t18\t300\t7',
    'Springdale\t372\t-896\t18\t300\t5',
    'no town',
    '',
  ].join('\n'),
)
const countries: Record<string, string> = { US: 'United States', DE: 'Germany', AT: 'Austria' }
const found = (typed: string) =>
  findTowns(list, typed, (code) => countries[code]).map(({ name, region }) => `${name}, ${region}`)

describe('towns', () => {
  test('are read with their region and where they lie; what is no town is left out', () => {
    expect(list).toHaveLength(8)
    expect(list[4]).toEqual({
      name: 'Springfield',
      country: 'US',
      region: 'Illinois',
      latitude: 39.8,
      longitude: -89.6,
      elevationM: 180,
      seaKm: 300,
      size: 7,
    })
  })
  test('of that very name come first, two of one name told apart by region', () => {
    expect(found('springfield')).toEqual([
      'Springfield, Illinois',
      'Springfield, Missouri',
      'West Springfield, Illinois',
    ])
    expect(found('Spring')).toHaveLength(5)
  })
  test('are found without marks and capitals, within a region or a country', () => {
    expect(found('MUNCHH')).toEqual(['Münchhausen am Christenberg, Hessen'])
    expect(found('Springfield, miss')).toEqual(['Springfield, Missouri'])
    expect(found('Spring, Germany')).toEqual(['Springfeld, Hessen'])
  })
  test('are found by the name of those who live there, as by that of the list', () => {
    expect(found('Wien')).toEqual(['Vienna (Wien), Wien'])
    expect(found('vienna')).toEqual(['Vienna (Wien), Wien', 'Vienna, Virginia'])
  })
  test('unknown ones, and a single letter, find nothing', () => {
    expect(found('Xanadu')).toEqual([])
    expect(found('s')).toEqual([])
  })
})
