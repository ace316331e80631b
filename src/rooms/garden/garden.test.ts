import { describe, expect, test } from '@jest/globals'
import { bedsOfGroup, changeBed } from '../../actions/beds'
import { startGarden } from '../../actions/startGarden'
import { testBed } from '../../core/testing/beds'
import type { Bed } from '../../core/garden/schema'
import { textOf } from '../../parts/form/typedText'
import { problemsOf } from '../../parts/form/testing'
import {
  bedForm,
  bedGroup,
  bedPart,
  bedValue,
  blankTool,
  feedForm,
  startForm,
  stockForm,
  toolForm,
  toolInputOf,
} from './forms'

describe('animals and feed as filled in', () => {
  const stock = { kind: 'hens' as const, head: '4', penLengthM: '', penWidthM: '1.2' }
  test.each([
    [{}, 'penLengthM', /Measure the pen/],
    [{ head: 'some' }, 'head', /must be a number/],
    [{ head: 'some' }, 'penLengthM', /Measure the pen/],
    [{ penLengthM: '-1' }, 'penLengthM', /between 0.3 and 200.m/],
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

describe('starting a garden', () => {
  const input = {
    name: 'Ours',
    latitude: '-41,3',
    elevationM: '200',
    climateType: 'mild-maritime',
    units: 'imperial' as const,
    currency: 'nzd',
    groups: [
      {
        section: 'Top',
        prefix: 'A',
        count: '3',
        lengthM: '20',
        widthM: '4',
        kind: 'framed' as const,
        soil: 'loam' as const,
      },
    ],
    tools: [{ ...blankTool('black tarp'), width: '6' }],
  }
  const schema = startForm('imperial')
  test('a tool’s figures are read in the garden’s units, and refused by name', () => {
    const board = { ...blankTool('crimp board'), width: '2,5', load: '180', rate: '1000' }
    const tool = toolForm('imperial').parse(board)
    expect(tool).toMatchObject({
      widthM: expect.closeTo(0.762, 6),
      loadKg: expect.closeTo(81.6, 1),
      m2PerHour: expect.closeTo(92.9, 1),
    })
    expect(toolInputOf(tool, 'imperial')).toMatchObject({ width: '2.5', load: '180', rate: '1000' })
    const said = (part: Partial<typeof board>) =>
      problemsOf(startForm('metric'), { ...input, tools: [{ ...board, ...part }] })
    expect(said({ load: 'two' })['tools.0.load']).toMatch(/crimp board’s weight on it must be a number/)
    expect(said({ rate: '-3' })['tools.0.rate']).toMatch(/work rate must be between 1 and/)
  })
  test('feet become metres, southern normals are turned, beds are labelled in order', () => {
    const data = startGarden(schema.parse(input))
    expect(data.beds.map((bed) => bed.label)).toEqual(['A1', 'A2', 'A3'])
    expect(data.beds[0].lengthM).toBeCloseTo(6.096, 6)
    expect(data.garden.site.tMaxC[0]).toBeGreaterThan(data.garden.site.tMaxC[6])
    expect(data.garden.site.elevationM).toBeCloseTo(60.96, 6)
    expect(data.garden.tools[0]).toMatchObject({
      kind: 'black tarp',
      widthM: expect.closeTo(1.8288, 6),
      lengthM: null,
    })
    expect(data.garden.currency).toBe('NZD')
  })
  test.each([
    [{ latitude: '80' }, 'latitude', /between -66 and 66/],
    [{ currency: 'euro' }, 'currency', /three-letter/],
    [{ name: ' ' }, 'name', /give it a name/],
    [{ groups: [] }, 'groups', /at least one run/],
    [{ groups: [{ ...input.groups[0], count: '0' }] }, 'groups.0.count', /between 1 and 300/],
    [{ groups: [{ ...input.groups[0], count: '400' }] }, 'groups.0.count', /between 1 and 300/],
  ])('%j is refused', (part, field, message) =>
    expect(problemsOf(schema, { ...input, ...part })).toEqual({ [field]: expect.stringMatching(message) }),
  )
  test('labels that are taken are passed over', () => {
    const group = bedGroup('metric').parse(input.groups[0])
    const place = { gardenId: 'g', sectionId: 's' }
    expect(
      bedsOfGroup(group, place, 5, new Set(['A1', 'A3'])).map((bed) => [bed.label, bed.walkOrder]),
    ).toEqual([
      ['A2', 5],
      ['A4', 6],
      ['A5', 7],
    ])
  })
})

describe('a bed as edited', () => {
  const bed: Bed = {
    ...testBed,
    lengthM: 7.777,
    fixtures: [{ id: 'x', kind: 'post', label: 'Post', areaM2: 0.3 }],
  }
  const schema = bedForm('imperial')
  test('in feet, shown and read back to what is shown', () => {
    const text = textOf(schema, bedValue(bed))
    expect(text).toMatchObject({ lengthM: '25.52', shade: '0', keptM2: '3.23', walkOrder: '1' })
    expect(textOf(schema, schema.parse(text))).toEqual(text)
  })
  test('the place in the walk counts from one, “not known” is nothing known, kept plants are one figure', () => {
    expect(bedPart({ walkOrder: 4, stoodBefore: '' })).toEqual({ walkOrder: 3, stoodBefore: null })
    const { writes } = changeBed(bed, bedPart({ keptM2: 2 }))
    const { put } = writes[0] as { put: Bed }
    expect(put.fixtures).toEqual([{ id: 'x', kind: 'kept plant', label: 'Post', areaM2: 2 }])
    expect(put.lengthM).toBe(7.777)
  })
})
