import { describe, expect, test } from '@jest/globals'
import type { DateQuantiles } from '../stand/summary'
import { nextStageChange } from './change'

const date = (low: number, mid: number, high: number): DateQuantiles => ({
  chance: 1,
  quantiles: { p10: low, p50: mid, p90: high },
})
const stages = (...dates: [number, DateQuantiles][]) => dates.map(([bbch, value]) => ({ bbch, date: value }))

describe('how a look moved the next date', () => {
  test('tells the shift and the widths in whole days', () => {
    const before = stages([61, date(90, 100, 112)], [65, date(96, 106, 119)])
    const after = stages([61, date(95.2, 103.4, 110)], [65, date(100, 108, 118)])
    expect(nextStageChange(before, after, 50)).toMatchObject({
      bbch: 61,
      shiftDays: 3,
      widthBefore: 22,
      widthAfter: 15,
    })
  })
  test('stages that are over, or early leaf stages, are passed by', () => {
    const before = stages([31, date(60, 62, 64)], [61, date(90, 100, 110)], [65, date(96, 106, 116)])
    expect(nextStageChange(before, before, 100)?.bbch).toBe(65)
    expect(nextStageChange(before, before, 20)?.bbch).toBe(61)
  })
  test('with no stage ahead there is nothing to tell', () => {
    const before = stages([61, date(90, 100, 110)])
    expect(nextStageChange(before, before, 200)).toBeNull()
    expect(nextStageChange([], before, 50)).toBeNull()
    expect(nextStageChange(before, stages([61, { chance: 0, quantiles: null }]), 50)).toBeNull()
  })
})
