import { expect, test } from '@jest/globals'
import { findSpecies, SPECIES } from '../core/plants/catalogue'
import { cautionText, partlyFoodText, plantCautions, stockingDoubtText } from './cautions'

test('every caution about animals ends at a vet', () => {
  for (const plant of SPECIES)
    for (const text of plantCautions(plant).filter((one) => !plant.cautions.includes(one)))
      expect(text).toMatch(/ and people: |Ask a vet\.$/)
  for (const plant of SPECIES) for (const text of plantCautions(plant)) expect(text).toMatch(/^[A-Z].*\.$/)
  expect(plantCautions(findSpecies('sorghum-sudangrass')!).join(' ')).toMatch(/Ask a vet/)
  expect(plantCautions(findSpecies('faba-bean')!)[0]).not.toMatch(/vet/)
})

test('what is no food is named, pea and vetch told apart', () => {
  const mix = { food: ['Field pea'], other: ['Hairy vetch'], peaAndVetch: true }
  expect(partlyFoodText(mix)).toMatch(/pick only field pea; leave hairy vetch\..*dozen narrow ones/)
  expect(cautionText({ code: 'partly food', food: { ...mix, peaAndVetch: false } })).toMatch(
    /leave hairy vetch\.$/,
  )
})

test('a tight pen and too much manure are said in the units of the garden', () => {
  const tight = { code: 'too tight', eachM2: 0.5, mostHead: 4, kind: 'hens' } as const
  expect(stockingDoubtText(tight, 'metric')).toMatch(/0\.5\s?m² for each.*at most 4 hens/)
  expect(stockingDoubtText(tight, 'imperial')).toMatch(/ft² for each/)
  const manure = { code: 'too much manure', nitrogenG: 20, mostG: 17 } as const
  expect(stockingDoubtText(manure, 'imperial')).not.toMatch(/m²/)
})
