import { expect, test } from '@jest/globals'
import type { Bed, Garden } from '../core/garden/schema'
import type { Conflict } from '../data/database'
import { marlpitLane } from '../demo/marlpitLane'
import { stillStands, takeOther } from './takeOther'

const { garden, beds } = marlpitLane()
const [bed] = beds
const of = (part: Partial<Conflict>): Conflict => ({
  table: 'beds',
  id: bed.id,
  place: 'shade',
  taken: 0.1,
  other: 0.4,
  ...part,
})

test('the other value goes into its place and nothing else changes', () => {
  expect(takeOther(of({}), bed)).toEqual({ table: 'beds', seen: bed, put: { ...bed, shade: 0.4 } })
})
test('an entry of a list is put in, changed or taken out by itself', () => {
  const [first, ...rest] = garden.tools
  const at = (other: unknown) =>
    takeOther(of({ table: 'gardens', id: garden.id, place: `tools/${first.id}`, other }), garden) as {
      put: Garden
    }
  expect(at(undefined).put.tools).toEqual(rest)
  expect(at({ ...first, name: 'Long scythe' }).put.tools).toEqual([
    { ...first, name: 'Long scythe' },
    ...rest,
  ])
})
test('what was taken out comes back as the other had it, once', () => {
  const gone = of({ place: '', taken: null, other: bed })
  expect(takeOther(gone, null)).toEqual({ table: 'beds', put: bed as Bed, seen: null })
  expect(takeOther(gone, bed)).toBeNull()
})
test('what belongs to others, days of weather, and what is gone meanwhile are left alone', () => {
  expect(takeOther(of({ place: '', taken: bed, other: null }), bed)).toBeNull()
  expect(takeOther(of({ table: 'weather', place: 'days' }), null)).toBeNull()
  expect(takeOther(of({}), null)).toBeNull()
})
test('what was changed since both had written it, or came or went since, is asked no more', () => {
  expect(stillStands(of({}), { ...bed, shade: 0.1 })).toBe(true)
  expect(stillStands(of({}), { ...bed, shade: 0.2 })).toBe(false)
  expect(stillStands(of({}), null)).toBe(false)
  const gone = of({ place: '', taken: null, other: bed })
  expect([stillStands(gone, null), stillStands(gone, bed)]).toEqual([true, false])
  const kept = of({ place: '', taken: bed, other: null })
  expect([stillStands(kept, bed), stillStands(kept, null)]).toEqual([true, false])
  expect(stillStands(of({ table: 'weather', place: 'days' }), null)).toBe(true)
})
