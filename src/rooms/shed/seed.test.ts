import { describe, expect, test } from '@jest/globals'
import { marlpitLane } from '../../demo/marlpitLane'
import type { SeedLot } from '../../core/garden/seed'
import { addLot } from '../../actions/seed'
import { dayNumber } from '../../core/foundations/day'
import { problemsOf } from '../../parts/form/testing'
import { emptyLot, lotForm } from './forms'
import { seedNeeds } from './needs'

const schema = (units: 'metric' | 'imperial' = 'metric') => lotForm(units)
const filled = { ...emptyLot(2026), speciesId: 'oats', label: 'Oats', grams: '1,5' }
const data = marlpitLane()
const today = dayNumber('2026-04-20')

describe('a lot as typed', () => {
  const stored = (part: Partial<typeof filled>, units?: 'metric' | 'imperial') => {
    const { writes } = addLot(data.garden, schema(units).parse({ ...filled, ...part }), today)
    return (writes[0] as { put: SeedLot }).put
  }
  test('commas, empty fields, fractions and units are understood', () => {
    expect(stored({ grams: '1500', price: '3,20' })).toMatchObject({
      boughtGrams: 1500,
      leftGrams: 1500,
      price: 3.2,
      purity: 1,
      labelGermination: null,
      test: null,
    })
    expect(stored({ grams: '16' }, 'imperial').boughtGrams).toBe(453.6)
    expect(stored({ grams: '1/2 lb' }).boughtGrams).toBe(226.8)
    expect(stored({ label: ' ' }).label).toBe('Oats')
  })
  test.each([
    [{ speciesId: '' }, 'speciesId', /Choose what/],
    [{ grams: '' }, 'grams', /weight must be a number/],
    [{ grams: '0' }, 'grams', /weight .* between/],
    [{ purity: 'pure' }, 'purity', /must be a number/],
    [{ purity: '140' }, 'purity', /between 1 and 100/],
    [{ labelGermination: '0' }, 'labelGermination', /between 1 and 100/],
    [{ tested: '50' }, 'sprouted', /both numbers/],
    [{ tested: '50', sprouted: '60' }, 'sprouted', /More seeds sprouted/],
    [{ year: '1820' }, 'year', /1990/],
    [{ inoculantExpires: '2026-02-30' }, 'inoculantExpires', /date that exists/],
  ] as const)('%j is refused beside its field', (part, field, message) =>
    expect(problemsOf(schema(), { ...filled, ...part })[field]).toMatch(message),
  )
})

describe('what all plans need', () => {
  const needs = seedNeeds(data, [])
  test('only sowings planned and not done count, each bed once', () => {
    const rye = needs.find((need) => need.speciesId === 'cereal-rye')!
    expect(rye.beds.sort()).toEqual(['L1', 'P4', 'T1'])
    expect(needs.find((need) => need.speciesId === 'hairy-vetch')).toBeUndefined()
    for (const need of needs) expect(need.shortG).toBe(need.wantedG)
  })
  test('what is at hand is taken off', () => {
    const component = needs[0]
    const lot: SeedLot = {
      id: 'l',
      gardenId: data.garden.id,
      label: 'x',
      contents: [{ speciesId: component.speciesId, weightShare: 1 }],
      year: 2025,
      boughtGrams: 10,
      leftGrams: 10,
      price: null,
      test: null,
      purity: 1,
      labelGermination: null,
      treated: false,
      inoculantExpires: null,
    }
    const [after] = seedNeeds(data, [lot])
    expect(after.atHandG).toBeCloseTo(10, 6)
    expect(after.shortG).toBeCloseTo(component.wantedG - 10, 6)
  })
})
