import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { quantityLimit, readQuantity, writeQuantity, type QuantityKind } from './quantity'
import type { Units } from './format'

describe('what people type', () => {
  test.each([
    ['3\'6"', 'length', 'metric', 1.0668],
    ['3’ 6”', 'length', 'imperial', 1.0668],
    ['3 ft 6 in', 'length', 'metric', 1.0668],
    ['1/2 lb', 'weight', 'metric', 0.226796185],
    ['1/2 lb', 'seed', 'imperial', 226.796185],
    ['1 1/2', 'length', 'imperial', 0.4572],
    ['1½ lb', 'weight', 'imperial', 0.680388555],
    ['1,5 kg', 'seed', 'metric', 1500],
    ['1.5kg', 'weight', 'imperial', 1.5],
    ['2 lb 4 oz', 'seed', 'metric', 1020.5828325],
    ['1,000', 'area', 'imperial', 92.90304],
    ['1,000', 'area', 'metric', 1],
    ['1.000,5', 'area', 'metric', 1000.5],
    ['1,000.5 m²', 'area', 'metric', 1000.5],
    ['.5', 'length', 'metric', 0.5],
    ['80', 'share', 'metric', 0.8],
    ['80 %', 'share', 'imperial', 0.8],
    ['2 weeks', 'days', 'metric', 14],
    ['1 h 20 min', 'minutes', 'metric', 80],
    ['−3', 'number', 'metric', -3],
    ['10', 'height', 'imperial', 25.4],
    ['0.3 in', 'rain', 'metric', 7.62],
    ['23', 'temperature', 'imperial', -5],
    ['-4,5', 'temperature', 'metric', -4.5],
    ['50 °F', 'temperature', 'metric', 10],
    ['−40', 'temperature', 'imperial', -40],
  ] as [string, QuantityKind, Units, number][])('%s as %s, %s', (text, kind, units, value) =>
    expect(readQuantity(text, kind, units)).toBeCloseTo(value, 9),
  )
  test.each([
    ['', 'length'],
    ['a handful', 'seed'],
    ['3 6', 'length'],
    ['3 kg', 'length'],
    ['1.2.3', 'number'],
    ['1/0', 'length'],
    ['12 %', 'weight'],
    ['5 -', 'number'],
    ['--5', 'number'],
    ['5 °C 3 °C', 'temperature'],
  ] as [string, QuantityKind][])('%j is not a %s', (text, kind) =>
    expect(Number.isFinite(readQuantity(text, kind, 'metric'))).toBe(false),
  )
})

test('what is shown in a field is read as the same, to the digits shown', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<QuantityKind>(
        'length',
        'height',
        'depth',
        'area',
        'seed',
        'weight',
        'rain',
        'share',
        'temperature',
      ),
      fc.constantFrom<Units>('metric', 'imperial'),
      fc.double({ min: 0, max: 5000, noNaN: true }),
      (kind, units, value) => {
        const text = writeQuantity(value, kind, units)
        expect(writeQuantity(readQuantity(text, kind, units), kind, units)).toBe(text)
      },
    ),
  )
})

describe('in a browser that writes a decimal comma', () => {
  const own = Object.getOwnPropertyDescriptor(globalThis, 'navigator')
  beforeAll(() => {
    Object.defineProperty(globalThis, 'navigator', { value: { language: 'de-DE' }, configurable: true })
  })
  afterAll(() => {
    if (own) Object.defineProperty(globalThis, 'navigator', own)
    else Reflect.deleteProperty(globalThis, 'navigator')
  })

  test.each([
    [14.2, 'length', 'metric', '14,2'],
    [-12.5, 'temperature', 'metric', '-12,5'],
    [1234.5, 'area', 'metric', '1234,5'],
    [48.912, 'degrees', 'imperial', '48,912'],
    [14, 'length', 'metric', '14'],
  ] as [number, QuantityKind, Units, string][])(
    '%s as %s, %s, stands in a field as %s',
    (value, kind, units, text) => {
      expect(writeQuantity(value, kind, units)).toBe(text)
      expect(readQuantity(text, kind, units)).toBeCloseTo(value, 9)
    },
  )
  test('a point is read as well, and limits are told with a comma', () => {
    expect(readQuantity('14.2', 'length', 'metric')).toBe(14.2)
    expect(quantityLimit(0.2, 'length', 'imperial', Math.ceil)).toBe('0,657')
  })
})

test.each([
  [4, 'height', 'imperial', 'high', '1.57'],
  [400, 'height', 'imperial', 'high', '157'],
  [0.2, 'length', 'imperial', 'low', '0.657'],
  [500, 'length', 'imperial', 'high', '1640'],
  [0.1, 'length', 'metric', 'low', '0.1'],
  [-60, 'temperature', 'imperial', 'low', '-76'],
  [40_000, 'seed', 'metric', 'high', '40000'],
] as [number, QuantityKind, Units, 'low' | 'high', string][])(
  'a limit of %s, %s, %s as the %sest is told so that it may be typed: %s',
  (value, kind, units, side, told) => {
    expect(quantityLimit(value, kind, units, side === 'low' ? Math.ceil : Math.floor)).toBe(told)
    const read = readQuantity(told, kind, units)
    expect(side === 'low' ? read >= value - 1e-9 : read <= value + 1e-9).toBe(true)
  },
)

test('nothing known is an empty field', () => {
  expect(writeQuantity(null, 'length', 'metric')).toBe('')
  expect(writeQuantity(undefined, 'length', 'metric')).toBe('')
})
