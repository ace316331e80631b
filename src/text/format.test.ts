import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import { dryMatter, nitrogen } from './amounts'
import {
  area,
  centimetres,
  chanceText,
  dateRangeText,
  grams,
  kilos,
  litres,
  metres,
  minutes,
  percent,
  rate,
  shortDate,
  smallVolume,
  volume,
} from './format'
import { endingWords, leadName, standName, standState } from './names'
import { marlpitLane } from '../demo/marlpitLane'

/** Figures and units are joined by a space that does not break; plain ones read better here. */
const plain = (text: string) => text.replaceAll('\u00a0', ' ')

describe('numbers carry units and are rounded sensibly', () => {
  test('grams', () => {
    expect([3.14159, 246, 2500].map((value) => grams(value, 'metric')).map(plain)).toEqual([
      '3.1 g',
      '246 g',
      '2.5 kg',
    ])
    expect([14.17, 500, 907.2].map((value) => grams(value, 'imperial')).map(plain)).toEqual([
      '0.5 oz',
      '1.1 lb',
      '2 lb',
    ])
  })
  test('sizes, rates and yields in both systems', () => {
    expect([metres(3.048, 'imperial'), metres(3.05, 'metric')].map(plain)).toEqual(['10 ft', '3.05 m'])
    expect([area(9.29, 'imperial'), area(14.4, 'metric')].map(plain)).toEqual(['100 ft²', '14 m²'])
    expect(plain(rate(10, 'metric'))).toBe('10 g/m²')
    expect([dryMatter(500, 'metric'), dryMatter(500, 'imperial')].map(plain)).toEqual([
      '5.0 t/ha',
      '4,450 lb/acre',
    ])
    expect([nitrogen(11.2, 'metric'), nitrogen(11.2085, 'imperial')].map(plain)).toEqual([
      '112 kg/ha',
      '100 lb/acre',
    ])
  })
  test('chances are never certain or nought', () => {
    expect([0, 0.02, 0.52, 0.97, 1].map(chanceText).map(plain)).toEqual([
      'very unlikely',
      '2 in 100',
      '52 in 100',
      '97 in 100',
      'nearly certain',
    ])
  })
  test('work in minutes, then hours; a percentage does not break off its sign', () => {
    expect([0.2, 12, 150].map(minutes).map(plain)).toEqual(['–', '10 min', '2.5 h'])
    expect(percent(0.456)).toBe('46\u00a0%')
  })
})

describe('dates', () => {
  const day = dayNumber('2026-05-24')
  test('a spread shows its middle and range, one date when there is none', () => {
    expect(dateRangeText({ p10: day - 7, p50: day, p90: day + 7 })).toMatch(/^24 May \(17\s?–\s?31 May\)$/)
    expect(dateRangeText({ p10: day - 7, p50: day, p90: day + 14 })).toContain(shortDate(day + 14))
    expect(dateRangeText({ p10: day, p50: day, p90: day })).toBe(shortDate(day))
  })
})

describe('names', () => {
  const { stands } = marlpitLane()
  test('a mix names its species in order and is told by the larger share', () => {
    expect(standName(stands[0])).toBe('Cereal rye with hairy vetch')
    expect(leadName(stands[0])).toBe('hairy vetch')
    expect(standName(stands[1])).toBe('Pumpkin')
  })
  test('planned, growing, ended', () => {
    expect(standState(stands[0])).toBe('growing')
    expect(standState(stands[1])).toBe('planned')
    expect(standState(stands[5])).toBe('ended')
  })
})

describe('what is carried, spread and measured by hand', () => {
  const plain = (text: string) => text.replace(/\u00a0/g, ' ')
  test.each([
    [litres(115.2, 'metric'), '115 l'],
    [litres(3.785411784 * 30, 'imperial'), '30 gal'],
    [volume(0.72, 'metric'), '720 l'],
    [volume(1.44, 'metric'), '1.4 m³'],
    [volume(1, 'imperial'), '35 ft³'],
    [centimetres(0.025, 'metric'), '2.5 cm'],
    [centimetres(0.12, 'metric'), '12 cm'],
    [centimetres(0.0508, 'imperial'), '2 in'],
    [smallVolume(0.02, 'metric'), '50 ml'],
    [smallVolume(0.42, 'metric'), '400 ml'],
    [smallVolume(1.4, 'metric'), '1.4 l'],
    [smallVolume(0.42, 'imperial'), '14 fl oz'],
    [smallVolume(1.4, 'imperial'), '1.5 qt'],
    [kilos(2.25, 'metric'), '2.3 kg'],
    [kilos(81.4, 'metric'), '81 kg'],
    [kilos(10, 'imperial'), '22 lb'],
  ])('%s', (text, expected) => expect(plain(text)).toBe(expected))
  test('ways are named as they are done', () => {
    expect(endingWords({ method: 'chop', passes: 2 })).toBe('chop and drop, twice')
    expect(endingWords({ method: 'crimp-tarp', passes: 1 })).toBe('crimp, then tarp')
    expect(endingWords({ method: 'harvest', passes: 1 })).toBe('harvest')
  })
})
