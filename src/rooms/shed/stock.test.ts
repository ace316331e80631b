import { describe, expect, test } from '@jest/globals'
import { problemsOf } from '../../parts/form/testing'
import { feedForm, stockForm } from './stockForms'

describe('animals and feed as filled in', () => {
  const stock = {
    kind: 'hens' as const,
    head: '4',
    penLengthM: '',
    penWidthM: '1.2',
    bagPrice: '',
    bagKg: '',
  }
  test.each([
    [{}, 'penLengthM', /Measure the pen/],
    [{ head: 'some' }, 'head', /must be a number/],
    [{ head: 'some' }, 'penLengthM', /Measure the pen/],
    [{ penLengthM: '-1' }, 'penLengthM', /between 0.3 and 200.m/],
    [{ penLengthM: '2', bagPrice: '18' }, 'bagKg', /price of a bag of feed and what it weighs/],
    [{ penLengthM: '2', bagPrice: '18', bagKg: '0' }, 'bagKg', /at least|between/],
  ] as const)('hens %j', (part, field, message) =>
    expect(problemsOf(stockForm('metric'), { ...stock, ...part })[field]).toMatch(message),
  )
  test('sheep may be fenced without a measured pen', () =>
    expect(problemsOf(stockForm('metric'), { ...stock, kind: 'sheep' })).toEqual({}))
  const feed = {
    name: 'Compost',
    nitrogenPct: '',
    firstSeason: '',
    kgPerM3: '',
    manure: 'none' as const,
    sprayed: 'none' as const,
  }
  test('an analysis may be missing', () => expect(problemsOf(feedForm('metric'), feed)).toEqual({}))
  test.each([
    [{ nitrogenPct: '40' }, 'nitrogenPct', /between 0.05 and 20, or left empty/],
    [{ firstSeason: '1' }, 'firstSeason', /between 2 and 100.%, or left empty/],
    [{ name: ' ' }, 'name', /give it a name/],
  ] as const)('it may not be nonsense: %j', (part, field, message) =>
    expect(problemsOf(feedForm('metric'), { ...feed, ...part })[field]).toMatch(message),
  )
})
