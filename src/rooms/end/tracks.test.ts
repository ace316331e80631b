import { describe, expect, test } from '@jest/globals'
import type { CutOutcome } from '../../core/scenario/regrowth'
import { placeKnots, stageKnots, tracksOf } from './tracks'

const point = (day: number, bbch: number, extra: Partial<CutOutcome> = {}): CutOutcome => ({
  day,
  bbch: [bbch],
  heightM: 1,
  hardness: 0.3,
  tool: 'scythe',
  stems: { p10: 100, p50: 200, p90: 430 },
  cutMinutes: 5,
  finishMinutes: 34,
  mulchG: 480,
  nitrogenG: -0.6,
  chance: 0.4,
  ...extra,
})

describe('tracks of the cutting date', () => {
  const tracks = tracksOf([point(0, 45), point(10, 63, { nitrogenG: 1.7 })], 'metric')
  const byTitle = (title: RegExp) => tracks.find((track) => title.test(track.title))!
  test('every axis holds all of its values, with little room to spare', () => {
    expect(byTitle(/Stems/)).toMatchObject({ low: 0, high: 500 })
    expect(byTitle(/hand/)).toMatchObject({ low: 0, high: 45 })
    expect(byTitle(/Mulch/)).toMatchObject({ low: 0, high: 500 })
    expect(byTitle(/in time/)).toMatchObject({ low: 0, high: 1 })
  })
  test('nitrogen that is tied up hangs below the line', () => {
    const nitrogen = byTitle(/Nitrogen/)
    expect(nitrogen.low).toBeCloseTo(-0.6, 9)
    expect(nitrogen.high).toBe(2)
  })
  test('values are told in the units of the garden', () => {
    expect(byTitle(/Mulch/).words(480)).toMatch(/4\.8\st\/ha/)
    expect(tracksOf([point(0, 45)], 'imperial')[2].words(480)).toMatch(/lb\/acre/)
  })
})

describe('stages along the dates', () => {
  const rye = { name: 'Cereal rye', group: 'grass' as const }
  test('stand on the day that lies between the dates run, and only those still to come', () => {
    const knots = stageKnots([point(0, 41), point(10, 61), point(20, 62)], [rye])
    expect(knots).toEqual([
      { day: expect.closeTo(5, 9), name: 'heads coming out' },
      { day: expect.closeTo(10, 9), name: 'pollen starts' },
    ])
  })
  test('of a mix carry the plant’s name, in the order of the days', () => {
    const two = (day: number, a: number, b: number) => ({ ...point(day, a), bbch: [a, b] })
    const knots = stageKnots(
      [two(0, 45, 45), two(10, 55, 65)],
      [rye, { name: 'Hairy vetch', group: 'legume' }],
    )
    expect(knots.map(({ name }) => name)).toEqual([
      'Hairy vetch: buds',
      'Cereal rye: heads coming out',
      'Hairy vetch: first flower',
    ])
  })
  test('labels never run into each other nor out of the drawing', () => {
    const knots = Array.from({ length: 8 }, (_, i) => ({ day: i, name: 'heads coming out' }))
    const placed = placeKnots(knots, (day) => 64 + day * 30, 300)
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1))
        if (a.row === b.row && a.left === b.left) expect(Math.abs(a.x - b.x)).toBeGreaterThanOrEqual(100)
    expect(placed[0]).toMatchObject({ row: 0, left: false })
    expect(placed.at(-1)).toMatchObject({ left: true })
  })
})
