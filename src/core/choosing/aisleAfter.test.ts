import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { testBed, testCover } from '../testing/beds'
import { aisleNext } from './aisleAfter'

const today = dayNumber('2026-04-15')
const PATH = { kind: 'path' as const }
const sown = (speciesId: string, own: Partial<Stand> = {}) =>
  testCover(speciesId, '2025-09-20', { segment: PATH, ...own })
const ready = dayNumber('2026-07-20')
const next = (aisle: Stand, readyDay: number | null, ...others: Stand[]) =>
  aisleNext({ beds: [testBed], stands: [aisle, ...others] }, aisle, readyDay, today)

describe('what follows in a living aisle', () => {
  test('after a grain ryegrass with clover, on the day its ground is ready', () => {
    const after = next(sown('cereal-rye'), ready)
    expect(after).toMatchObject({ kind: 'sow', day: ready })
    expect(after?.kind === 'sow' && after.components.map(({ speciesId }) => speciesId)).toEqual([
      'annual-ryegrass',
      'white-clover',
    ])
  })
  test('after what does not live on otherwise clover alone; never before today', () => {
    expect(next(sown('annual-ryegrass'), dayNumber('2026-03-01'))).toEqual({
      kind: 'sow',
      components: [{ speciesId: 'white-clover', share: 1 }],
      day: today,
    })
  })
  test('is asked for an end first, told where it is planned, and nothing where something lives on', () => {
    expect(next(sown('cereal-rye'), null)).toMatchObject({ kind: 'no end' })
    const clover = testCover('white-clover', '2026-08-01', { segment: PATH })
    expect(next(sown('cereal-rye'), ready, clover)).toEqual({ kind: 'planned', stand: clover })
    expect(next(sown('red-clover'), ready)).toBeNull()
  })
})
