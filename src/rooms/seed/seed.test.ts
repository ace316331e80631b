import { describe, expect, test } from '@jest/globals'
import { marlpitLane } from '../../demo/marlpitLane'
import type { SeedLot } from '../../core/garden/seed'
import { emptyLot, readLot, type LotInput } from './lotForm'
import { seedNeeds } from './needs'

const filled: LotInput = { ...emptyLot(2026), speciesId: 'oats', label: 'Oats', weight: '1,5' }
const read = (part: Partial<LotInput>, units: 'metric' | 'imperial' = 'metric') =>
  readLot({ ...filled, ...part }, 'lot-1', 'g', units, '2026-04-20')

describe('a lot as typed', () => {
  test('commas, empty fields and units are understood', () => {
    const metric = read({ weight: '1500', price: '3,20' })
    expect(metric).toMatchObject({
      lot: { boughtGrams: 1500, leftGrams: 1500, price: 3.2, purity: 1, labelGermination: null, test: null },
    })
    expect(read({ weight: '16' }, 'imperial')).toMatchObject({ lot: { boughtGrams: 453.6 } })
  })
  test.each([
    [{ speciesId: '' }, 'speciesId', /Choose what/],
    [{ weight: '' }, 'weight', /Weight: enter a number/],
    [{ weight: '0' }, 'weight', /Weight .* between/],
    [{ purity: 'pure' }, 'purity', /“pure” is not a number/],
    [{ purity: '140' }, 'purity', /between 1 and 100/],
    [{ germination: '0' }, 'germination', /between 1 and 100/],
    [{ tested: '50' }, 'sprouted', /both numbers/],
    [{ tested: '50', sprouted: '60' }, 'sprouted', /More seeds sprouted/],
    [{ year: '1820' }, 'year', /1990/],
    [{ inoculantExpires: '2026-02-30' }, 'inoculantExpires', /calendar/],
  ] as const)('%j is refused beside its field', (part, field, message) => {
    const outcome = read(part)
    if (!('problems' in outcome)) throw new Error('taken in')
    expect(outcome.problems[field]).toMatch(message)
  })
})

describe('what all plans need', () => {
  const data = marlpitLane()
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
