import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import { chooseForm, startingForm } from './choose/question'
import { testBed, testCover } from '../core/testing/beds'
import { segmentFrom } from '../parts/ground/groundForm'
import { lanesForm, plantForm } from './plant/form'
import { sowForm, sowText } from './sow/form'
import { problemsOf } from '../parts/form/testing'
import { dayForm, placeForm, placePart, placeValue } from './weather/place'
import { textOf } from '../parts/form/typedText'
import { TEST_SITES } from '../core/testing/sites'

const today = dayNumber('2026-05-01')
const horizon = today + 400

describe('bad input is named beside its field', () => {
  const choose = {
    ...startingForm(null, null, undefined, today),
    freeFrom: '2026-05-01',
    neededBy: '2026-07-01',
  }
  const schema = chooseForm(testBed, today, horizon, 'metric')
  test.each<[Partial<typeof choose>, string, RegExp]>([
    [{ freeFrom: '2026-02-30' }, 'freeFrom', /exists/],
    [{ freeFrom: '2025-01-01' }, 'freeFrom', /long past/],
    [{ neededBy: '2026-04-01' }, 'neededBy', /after it becomes free/],
    [{ neededBy: '2029-04-01' }, 'neededBy', /Forecasts reach/],
    [{ neededBy: '', cropId: 'leek' }, 'neededBy', /Say when the crop/],
    [{ purposes: [] }, 'purposes', /at least one/],
    [{ sowOn: '2026-09-01' }, 'sowOn', /inside the window/],
    [{ deadBy: '2026-09-01' }, 'deadBy', /before the bed is needed/],
    [{ maxHeightM: '40' }, 'maxHeightM', /between 0.1 and 5.m/],
    [{ budget: 'little' }, 'budget', /must be a number/],
    [{ ground: 'part', fromM: '8', toM: '3' }, 'ground', /end after it starts/],
    [{ ground: 'part', fromM: '8', toM: '30' }, 'ground', /lie on the bed/],
    [{ ground: 'part' }, 'ground', /Draw the part on the bed/],
    [{ ground: 'part', fromAcrossM: '0,5', toAcrossM: '0,2' }, 'ground', /end after it starts/],
    [{ ground: 'part', toAcrossM: 'half' }, 'toAcrossM', /must be a number, or left empty/],
  ])('choose %j', (part, field, message) => {
    expect(problemsOf(schema, { ...choose, ...part })).toEqual({ [field]: expect.stringMatching(message) })
  })
  test('a good window has no problems', () => expect(problemsOf(schema, choose)).toEqual({}))

  test('the ground asked about: halves, strips, rectangles, the path', () => {
    const ground = (part: Partial<typeof choose>) =>
      segmentFrom(schema.parse({ ...choose, ...part }), testBed)
    expect(ground({ ground: 'second half' })).toEqual({ kind: 'half', which: 'second' })
    expect(ground({ ground: 'path' })).toEqual({ kind: 'path' })
    expect(ground({ ground: 'part', fromM: '2' })).toEqual({
      kind: 'strip',
      fromM: 2,
      toM: testBed.lengthM,
    })
    expect(ground({ ground: 'part', toM: '4', toAcrossM: '0,4' })).toEqual({
      kind: 'rectangle',
      fromM: 0,
      toM: 4,
      fromAcrossM: 0,
      toAcrossM: 0.4,
    })
  })

  const rye = testCover('cereal-rye', '2026-04-20')
  const sow = { ...sowText(rye, today, 'metric', 1), date: '2026-05-01' }
  test.each([
    [{ date: '2026-05-02' }, 'date', /once it is done/],
    [{ date: 'soon' }, 'date', /exists/],
    [{ grams: { 'cereal-rye': '0' } }, 'grams.cereal-rye', /above 0/],
    [{ grams: { 'cereal-rye': 'a handful' } }, 'grams.cereal-rye', /must be a number/],
    [{ keptMoist: '90' }, 'keptMoist', /between 0 and 60.days/],
    [{ germination: { 'cereal-rye': '140' } }, 'germination.cereal-rye', /between 1 and 100/],
  ])('sow %j', (part, field, message) => {
    expect(problemsOf(sowForm(today, 'metric'), { ...sow, ...part })).toEqual({
      [field]: expect.stringMatching(message),
    })
  })
  test('a weight with a comma, or in ounces, is understood', () => {
    const grams = (text: string) =>
      sowForm(today, 'metric').parse({ ...sow, grams: { 'cereal-rye': text } }).grams['cereal-rye']
    expect(grams('12,5')).toBe(12.5)
    expect(grams('2 oz')).toBeCloseTo(56.7, 1)
  })

  const plant = { day: '2026-05-01', note: '' }
  test.each([
    ['2026-06-01', /once it is done/],
    ['2026-04-01', /ended on 2026-04-20/],
  ])('planted on %s', (day, message) => {
    const schema = plantForm(today, dayNumber('2026-04-20'))
    expect(problemsOf(schema, { ...plant, day }).day).toMatch(message)
  })
  test.each([
    [{ lanes: '40' }, 'lanes', /between 1 and 12/],
    [{ everyDays: '0' }, 'everyDays', /between 1 and 60.days/],
  ])('lanes %j', (part, field, message) =>
    expect(problemsOf(lanesForm('metric'), { lanes: '2', everyDays: '7', ...part })).toEqual({
      [field]: expect.stringMatching(message),
    }),
  )
})

describe('a place by hand', () => {
  const site = { ...TEST_SITES.maryland, elevationM: 310 }
  const text = textOf(placeForm('metric'), placeValue(site))
  const change = (row: 'tMaxC' | 'rainMm' | 'wetDays', month: number, typed: string) => ({
    ...text,
    [row]: text[row].map((old: string, i: number) => (i === month ? typed : old)),
  })
  const wrong = (part: Partial<typeof text>) =>
    Object.values(problemsOf(placeForm('metric'), { ...text, ...part }))
  test('in feet and degrees Fahrenheit only the months that were typed change', () => {
    const schema = placeForm('imperial')
    const shown = textOf(schema, placeValue(site))
    expect(shown.elevationM).toBe('1017.06')
    const tMaxC = shown.tMaxC.map((old: string, i: number) => (i === 6 ? '86' : old)) as typeof shown.tMaxC
    const typed = schema.parse({ ...shown, tMaxC })
    const stored = placePart(site, { tMaxC: typed.tMaxC }, 'imperial')
    expect(stored).toEqual({ ...site, tMaxC: site.tMaxC.map((old, i) => (i === 6 ? 30 : old)) })
  })
  test('a comma and a typographic minus are understood', () =>
    expect(placeForm('metric').parse({ ...text, latitude: '−41,3' }).latitude).toBe(-41.3))
  test('beyond 66° is refused with the reason', () =>
    expect(wrong({ latitude: '70' })[0]).toMatch(/sun does not rise or set each day/))
  test('a wrong value names its month', () => {
    expect(wrong(change('tMaxC', 6, '95'))[0]).toMatch(/^Jul: mean daily high must be between/)
    expect(wrong(change('rainMm', 1, 'a lot'))[0]).toMatch(/^Feb: rain must be a number/)
    expect(wrong(change('wetDays', 0, '40'))[0]).toMatch(/^Jan: wet days must be between/)
  })
  test('a low above its high is refused', () =>
    expect(wrong(change('tMaxC', 6, '5'))).toEqual([
      'A monthly minimum is above its maximum. Check the normals.',
    ]))
})

describe('a day’s weather as typed', () => {
  const typed = { tMinC: '3', tMaxC: '14', rainMm: '0' }
  test('commas, minus signs and empty fields', () =>
    expect(dayForm('metric').parse({ ...typed, tMinC: '−2,5', rainMm: '' })).toEqual({
      tMinC: -2.5,
      tMaxC: 14,
      rainMm: null,
    }))
  test('imperial is kept as SI', () => {
    const read = dayForm('imperial').parse({ tMinC: '41', tMaxC: '68', rainMm: '0.5' })
    expect(read).toEqual({ tMinC: 5, tMaxC: 20, rainMm: 12.7 })
  })
  test.each([
    [{ tMinC: 'cold' }, 'tMinC', /^Low must be a number, or left empty/],
    [{ tMaxC: '95' }, 'tMaxC', /^High must be between -50 and 57/],
    [{ rainMm: '-1' }, 'rainMm', /^Rain must be between 0/],
    [{ tMinC: '20' }, 'tMinC', /^Low: it is above the high/],
  ])('%j is refused with its field', (part, field, message) =>
    expect(problemsOf(dayForm('metric'), { ...typed, ...part })).toEqual({
      [field]: expect.stringMatching(message),
    }),
  )
})
