import { describe, expect, test } from '@jest/globals'
import { testBed } from '../../core/testing/beds'
import { problemsOf } from '../../parts/form/testing'
import { NO_EDGES, rectangleTyped } from '../../parts/ground/groundForm'
import { fixtureForm, fixtureValue } from './forms'

const bed = { ...testBed, lengthM: 10, widthM: 1.2 }

describe('what stays in a bed', () => {
  const schema = fixtureForm(bed, 'metric')
  const post = { kind: 'post' as const, label: 'trellis', ...NO_EDGES, areaM2: '' }
  test('is drawn, or its ground is said; nothing takes the whole bed by an empty form', () => {
    expect(problemsOf(schema, post)).toEqual({ areaM2: expect.stringMatching(/Draw where it is/) })
    expect(fixtureValue(schema.parse({ ...post, areaM2: '0,2' }), bed)).toEqual({
      kind: 'post',
      label: 'trellis',
      place: null,
      areaM2: 0.2,
    })
    expect(rectangleTyped(NO_EDGES, bed, 'metric')).toBeNull()
  })
  test('takes all of its place, or the part of it that is said; not more, and it lies on the bed', () => {
    const drawn = { ...post, fromM: '2', toM: '4', toAcrossM: '0,5' }
    const place = { fromM: 2, toM: 4, fromAcrossM: 0, toAcrossM: 0.5 }
    expect(fixtureValue(schema.parse(drawn), bed)).toMatchObject({ place, areaM2: 1 })
    expect(fixtureValue(schema.parse({ ...drawn, areaM2: '0,4' }), bed)).toMatchObject({ place, areaM2: 0.4 })
    expect(problemsOf(schema, { ...drawn, areaM2: '3' })).toEqual({
      areaM2: expect.stringMatching(/more than the place drawn/),
    })
    expect(problemsOf(schema, { ...drawn, toM: '14' })).toEqual({
      toM: expect.stringMatching(/lie on the bed/),
    })
    expect(problemsOf(schema, { ...drawn, label: '' })).toEqual({ label: expect.stringMatching(/Name/) })
  })
})
