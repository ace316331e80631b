import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import type { Portion } from '../../core/seeding/measures'
import { usePacer } from './usePacer'

const portion = (pass: number, stretch: number, paces: number): Portion => ({
  pass,
  stretch,
  paces,
  grams: 20,
  fromM: 0,
  toM: paces,
  handfuls: 1,
})
const pass = (ms: number) => act(() => jest.advanceTimersByTime(ms))

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

test('it calls each cast at its pace, then the stretch, and ends by itself', () => {
  const portions = [portion(0, 0, 3)]
  const { result } = renderHook(() => usePacer(portions, 1))
  expect(result.current.cue).toBeNull()
  act(() => result.current.start())
  pass(50)
  expect(result.current.cue).toMatchObject({ kind: 'cast', cast: 0 })
  pass(2000)
  expect(result.current.cue).toMatchObject({ kind: 'cast', cast: 2 })
  pass(1000)
  expect(result.current.done).toBe(true)
  expect(result.current.running).toBe(false)
})

test('paused it stands still, and goes on where it stopped', () => {
  const portions = [portion(0, 0, 20)]
  const { result } = renderHook(() => usePacer(portions, 1))
  act(() => result.current.start())
  pass(2500)
  act(() => result.current.pause())
  pass(60_000)
  expect(result.current.cue).toMatchObject({ cast: 2 })
  act(() => result.current.start())
  pass(400)
  expect(result.current.cue).toMatchObject({ cast: 2 })
  pass(200)
  expect(result.current.cue).toMatchObject({ cast: 3 })
})

test('between stretches and passes there is time to take the next portion in hand', () => {
  const portions = [portion(0, 0, 1), portion(0, 1, 1), portion(1, 0, 1)]
  const { result } = renderHook(() => usePacer(portions, 1))
  act(() => result.current.start())
  pass(1100)
  expect(result.current.cue).toMatchObject({ kind: 'stretch', stretch: 0 })
  pass(4000)
  expect(result.current.cue).toMatchObject({ kind: 'cast', stretch: 1 })
  pass(1000)
  expect(result.current.cue).toMatchObject({ kind: 'pass' })
  pass(12_000)
  expect(result.current.cue).toMatchObject({ kind: 'cast', pass: 1 })
})

test('calls come within one look at the clock of their time, and again from the start when asked', () => {
  const portions = [portion(0, 0, 30)]
  const { result } = renderHook(() => usePacer(portions, 1.2))
  act(() => result.current.start())
  pass(20_000)
  expect(result.current.worstMs).toBeLessThanOrEqual(16)
  act(() => result.current.restart())
  expect(result.current).toMatchObject({ cue: null, running: false, done: false })
})
