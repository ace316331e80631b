import { siteClimate } from '../../core/garden/site'
import { describe, expect, test } from '@jest/globals'
import { bedsOfGroup, changeBed } from '../../actions/beds'
import { startGarden } from '../../actions/startGarden'
import { testBed } from '../../core/testing/beds'
import type { Bed } from '../../core/garden/schema'
import { textOf } from '../../parts/form/typedText'
import { problemsOf } from '../../parts/form/testing'
import { askedOf, blankHome, homeOf } from '../../parts/home/homeForm'
import { whereOf } from '../../core/site/neighbours'
import { usualYear } from '../../core/site/usualYear'
import { blankTool, toolForm, toolInputOf } from '../../parts/tools/forms'
import { bedForm, bedGroup, bedPart, bedValue, startForm } from './forms'

const place = (value: Parameters<typeof homeOf>[0]) => {
  const asked = askedOf(value)!
  return { home: homeOf(value), site: usualYear(whereOf(asked.point), asked.corrections).site }
}

describe('starting a garden', () => {
  const input = {
    name: 'Ours',
    place: 'told' as 'told' | 'later',
    ...blankHome,
    latitude: '-41,3',
    longitude: '174.8',
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
    const value = schema.parse(input)
    const data = startGarden({ ...value, place: place(value), begunOn: '2026-04-01' })
    expect(data.beds.map((bed) => bed.label)).toEqual(['A1', 'A2', 'A3'])
    expect(data.beds[0].lengthM).toBeCloseTo(6.096, 6)
    expect(data.garden.site.tMaxC[0]).toBeGreaterThan(data.garden.site.tMaxC[6])
    expect(data.garden.site.latitude).toBe(-41.3)
    expect(data.garden.home).toMatchObject({ longitude: 174.8, town: '', winterC: 0 })
    expect(data.garden.tools[0]).toMatchObject({
      kind: 'black tarp',
      widthM: expect.closeTo(1.8288, 6),
      lengthM: null,
    })
    expect(data.garden.currency).toBe('NZD')
  })
  test.each([
    [{ latitude: '80' }, 'latitude', /between -66 and 66/],
    [{ latitude: '' }, 'latitude', /Pick a town/],
    [{ longitude: '' }, 'longitude', /longitude too/],
    [{ longitude: '190' }, 'longitude', /between -180 and 180/],
    [{ firstFrost: '2024-10-02', lastFrost: '2024-04-20' }, 'known', /last frost must come before summer/],
    [{ noFrost: true, coldestC: '20' }, 'known', /coldest night freezes/],
    [{ currency: 'euro' }, 'currency', /three-letter/],
    [{ name: ' ' }, 'name', /give it a name/],
    [{ groups: [] }, 'groups', /at least one run/],
    [{ groups: [{ ...input.groups[0], count: '0' }] }, 'groups.0.count', /between 1 and 300/],
    [{ groups: [{ ...input.groups[0], count: '400' }] }, 'groups.0.count', /between 1 and 300/],
  ] as const)('%j is refused', (part, field, message) =>
    expect(problemsOf(schema, { ...input, ...part } as typeof input)).toEqual({
      [field]: expect.stringMatching(message),
    }),
  )
  test('the place may be told later, and that is known', () => {
    const later = schema.parse({ ...input, place: 'later', latitude: '' })
    const { garden } = startGarden({ ...later, place: null, begunOn: '2026-04-01' })
    expect(garden.home).toBeNull()
    expect(siteClimate.safeParse(garden.site).success).toBe(true)
  })
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
    fixtures: [
      { id: 'x', kind: 'post', label: 'Post', areaM2: 0.3, place: null },
      { id: 'y', kind: 'kept plant', label: 'Chives', areaM2: 0.3, place: null },
    ],
  }
  const schema = bedForm('imperial')
  test('in feet, shown and read back to what is shown', () => {
    const text = textOf(schema, bedValue(bed))
    expect(text).toMatchObject({ lengthM: '25.52', shade: '0', keptM2: '3.23', walkOrder: '1' })
    expect(textOf(schema, schema.parse(text))).toEqual(text)
  })
  test('the place in the walk counts from one, “not known” is nothing known, kept plants without a place are one figure, the rest stays', () => {
    expect(bedPart({ walkOrder: 4, stoodBefore: '' })).toEqual({ walkOrder: 3, stoodBefore: null })
    const { writes } = changeBed(bed, bedPart({ keptM2: 2 }))
    const { put } = writes[0] as { put: Bed }
    expect(put.fixtures).toEqual([
      { id: 'y', kind: 'kept plant', label: 'Chives', areaM2: 2, place: null },
      bed.fixtures[0],
    ])
    expect(put.lengthM).toBe(7.777)
  })
})
