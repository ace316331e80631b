import { expect, test } from '@jest/globals'
import { renderHook } from '@testing-library/react'
import { useShared } from './useShared'

type Bed = { id: string; label: string; soil: { texture: string } }
const read = (label: string): Bed[] => [
  { id: 'a', label, soil: { texture: 'loam' } },
  { id: 'b', label: 'West', soil: { texture: 'clay' } },
]

test('what a write did not touch stays the same record, what it touched is new', () => {
  const { result, rerender } = renderHook(({ label }) => useShared(read(label)), {
    initialProps: { label: 'East' },
  })
  const before = result.current
  rerender({ label: 'East' })
  expect(result.current).toBe(before)
  rerender({ label: 'South' })
  expect(result.current).not.toBe(before)
  expect(result.current[0]).toMatchObject({ id: 'a', label: 'South' })
  expect(result.current[0].soil).toBe(before[0].soil)
  expect(result.current[1]).toBe(before[1])
})
