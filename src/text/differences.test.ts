import { describe, expect, test } from '@jest/globals'
import { placeWords, valueWords } from './differences'

const said = (
  value: unknown,
  units: 'metric' | 'imperial' = 'metric',
  field = '',
  named?: Map<string, string>,
) => valueWords(value, units, field, named).replace(/\s/g, ' ')

describe('what differs between two devices, in words', () => {
  test.each([
    ['end/actual', 'recorded end'],
    ['end/plan/date', 'planned end, date'],
    ['tools/scythe', 'a tool'],
    ['tools/scythe/widthM', 'a tool, width'],
    ['waitDays/seed', 'days to wait, seed'],
    ['shade', 'shade'],
    ['site/elevationM', 'elevation'],
    ['pathWidthM', 'path width'],
  ])('%s is called “%s”', (place, words) => expect(placeWords(place)).toBe(words))
  test.each([
    [0.3, 'shade', '30 %', '30 %'],
    [3.048, 'lengthM', '3.05 m', '10 ft'],
    [25.4, 'heightCm', '25 cm', '10 in'],
    [454, 'grams', '454 g', '1 lb'],
    [25.4, 'mm', '25 mm', '1 in'],
    [10, 'tMinC', '10 °C', '50 °F'],
    [2, 'passes', '2', '2'],
  ])('%d of %s is %s, imperial %s', (value, field, metric, imperial) =>
    expect([said(value, 'metric', field), said(value, 'imperial', field)]).toEqual([metric, imperial]),
  )
  test('days, plants, ways and what the garden names are called by their names', () => {
    expect(said('2027-05-01')).toMatch(/1 May 2027|May 1, 2027/)
    const end = { id: 'x', date: '2027-05-01', method: 'chop', passes: 1, note: '' }
    expect(said(end)).toMatch(/2027, Chop and drop, 1$/)
    const cover = {
      kind: 'cover',
      components: [{ speciesId: 'cereal-rye', share: 0.5, germination: 0.9, grams: null }],
      purposes: [],
    }
    expect(said(cover)).toBe('cover, Cereal rye, 50 %, 90 %')
    expect(said({ kind: 'crop', cropId: 'leek' })).toBe('crop, Leek')
    expect(said({ kind: 'whole' })).toBe('whole')
    expect(said('bed-4f', 'metric', 'bedId', new Map([['bed-4f', 'L4']]))).toBe('L4')
    expect(said(['dogs', 'poultry'])).toBe('dogs, poultry')
  })
  test('what is not there is nothing', () => {
    for (const none of [null, undefined, '', [], {}]) expect(said(none)).toBe('nothing')
    expect([said(true), said(false)]).toEqual(['yes', 'no'])
  })
})
