import { describe, expect, test } from '@jest/globals'
import { placeWords, valueWords } from './differences'

const plain = (text: string) => text.replace(/\s/g, ' ')

describe('what differs between two devices, in words', () => {
  test('places are called by what growers call them; others by their own name', () => {
    expect(placeWords('end/actual')).toBe('recorded end')
    expect(placeWords('tools/scythe')).toBe('a tool')
    expect(placeWords('shade')).toBe('shade')
    expect(placeWords('site/elevationM')).toBe('elevation m')
  })
  test('values carry their unit, dates are written out, deeds are told by their parts', () => {
    expect(plain(valueWords(0.3, 'metric', 'shade'))).toBe('30 %')
    expect(plain(valueWords(3.048, 'imperial', 'lengthM'))).toBe('10 ft')
    expect(valueWords('2027-05-01', 'metric')).toMatch(/1 May 2027|May 1, 2027/)
    const end = { id: 'x', date: '2027-05-01', method: 'chop', passes: 1, note: '' }
    expect(valueWords(end, 'metric')).toMatch(/2027, Chop and drop, 1$/)
    expect(valueWords(['dogs', 'poultry'], 'metric')).toBe('dogs, poultry')
  })
  test('what is not there is nothing', () => {
    for (const none of [null, undefined, '', [], {}]) expect(valueWords(none, 'metric')).toBe('nothing')
    expect([valueWords(true, 'metric'), valueWords(false, 'metric')]).toEqual(['yes', 'no'])
  })
})
