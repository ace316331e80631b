import { describe, expect, test } from '@jest/globals'
import { fits } from './paletteWords'
import { placeOf } from './places'

describe('what is looked for', () => {
  test.each([
    ['rye L4', 'Check look stage L4 Long field cereal rye with vetch'],
    ['check yard', 'Check look stage Y2 Yard crimson clover'],
    ['weigh seed for P2', 'Weigh seed sow recipe throw P2 Pear slope phacelia'],
    ['BED l4', 'bed L4 Long field'],
  ])('“%s” is found', (typed, words) => expect(fits(words, typed)).toBe(true))
  test.each([
    ['rye L5', 'Check look stage L4 Long field cereal rye'],
    ['xylophone', 'bed L4 Long field'],
  ])('“%s” is not', (typed, words) => expect(fits(words, typed)).toBe(false))
  test('nothing typed fits all', () => expect(fits('bed L4', ' ')).toBe(true))
})

test('every address belongs to a place', () => {
  expect(
    ['/', '/rounds', '/beds', '/bed/x', '/end/y/plan', '/check', '/shed', '/reference/oats', '/weather'].map(
      placeOf,
    ),
  ).toEqual(['Loom', 'Rounds', 'Beds', 'Beds', 'Beds', 'Beds', 'Shed', 'Reference', 'Garden'])
  expect(placeOf('/nowhere')).toBeNull()
})
