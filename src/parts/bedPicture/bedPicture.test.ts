import { describe, expect, test } from '@jest/globals'
import { randomStream } from '../../core/foundations/random'
import { SPECIES } from '../../core/plants/catalogue'
import type { PlantsShown, Scene } from '../../core/portrait/scene'
import { testCover } from '../../core/testing/beds'
import { namedDays, dayTitle } from './days'
import { drawPlant } from './drawPlant'
import { formOf } from './forms'
import { INKS, Pen } from './pen'
import { rulerMarks, scaleFor } from './scale'
import { plantsDrawn, rootOutlines, standOutlines } from './standOutlines'

const same = (value: number) => ({ p10: value, p50: value, p90: value })
const shown = (own: Partial<PlantsShown> = {}): PlantsShown => ({
  speciesId: 'cereal-rye',
  perM2: 200,
  alive: 1,
  heightM: same(0.5),
  bbch: 40,
  rootM: 0.6,
  ...own,
})
const scene = (plants: PlantsShown[]): Scene => ({
  day: 100,
  plants,
  crop: null,
  cover: same(0.8),
  massG: same(300),
  mulchM: same(0),
  mulchAgeDays: null,
  sheet: null,
  snowM: 0,
  wetTop: 0.5,
  wetBelow: 0.5,
  soilC: same(10),
})
const scale = scaleFor(560, 1.5)

describe('a plant', () => {
  test.each(SPECIES.map((species) => [species.id, species] as const))(
    '%s is drawn at every stage',
    (_, species) => {
      const outlines = [9, 25, 35, 55, 65, 75, 88].map((bbch) => {
        const pen = new Pen()
        pen.place({ x: 100, y: 200 }, 1.3)
        drawPlant(formOf(species), {
          foot: { x: 0, y: 0 },
          height: bbch < 30 ? 8 : 90,
          bbch,
          leafy: 1,
          random: randomStream(5),
          pen,
        })
        return INKS.map((ink) => pen.path(ink)).join('')
      })
      for (const path of outlines) expect(path).not.toMatch(/NaN|Infinity|undefined/)
      expect(outlines.every((path) => path.length > 20)).toBe(true)
      // Seed, bloom and green growth look different.
      expect(new Set(outlines.slice(1)).size).toBeGreaterThanOrEqual(4)
    },
  )
})

describe('a stand', () => {
  test('half the plants alive are half the plants drawn, and none are none', () => {
    const full = plantsDrawn(shown(), scale)
    expect(full).toBeGreaterThan(20)
    expect(plantsDrawn(shown({ alive: 0.5, perM2: 100 }), scale)).toBeCloseTo(full / 2, -0.5)
    expect(plantsDrawn(shown({ alive: 0, perM2: 0 }), scale)).toBe(0)
    // Sunflowers stand far apart; one sees them one behind the other.
    expect(plantsDrawn(shown({ perM2: 8 }), scale)).toBeGreaterThan(8)
  })
  test('a plant keeps its place and its shape from day to day', () => {
    const feet = (plants: PlantsShown) =>
      standOutlines(scene([plants]), scale, 'stand').map(({ paths }) => paths.stroke.slice(0, 12))
    expect(feet(shown({ alive: 0.5, perM2: 100, heightM: same(0.6) }))).toEqual(feet(shown()))
  })
  test('roots end where the plants’ roots do', () => {
    const depth = (rootM: number) => {
      const { fine } = rootOutlines(scene([shown({ rootM })]), scale, 'stand')
      const ys = [...fine.matchAll(/\d+\.\d (\d+\.\d)/g)].map(([, y]) => Number(y))
      return (Math.max(...ys) - scale.groundY) / scale.pxPerM
    }
    expect(depth(0.3)).toBeLessThanOrEqual(0.31)
    expect(depth(0.6)).toBeGreaterThan(0.4)
    expect(depth(0.6)).toBeLessThanOrEqual(0.61)
  })
})

test('the ruler has few marks, in whole steps of the garden’s unit', () => {
  expect(rulerMarks(1.6, 'metric').map(({ reads }) => reads)).toEqual([50, 100, 150])
  expect(rulerMarks(1.6, 'imperial').map(({ reads }) => reads)).toEqual([24, 48])
  expect(rulerMarks(0.3, 'metric').map(({ reads }) => reads)).toEqual([10, 20, 30])
  expect(rulerMarks(1.6, 'imperial')[0].atM).toBeCloseTo(0.6096)
})

test('the days worth a picture, in their order, each once', () => {
  const stand = testCover('crimson-clover', '2025-09-01', {
    end: { plan: { date: '2026-05-20', method: 'chop', passes: 1, note: '' }, actual: null },
  })
  const startDay = 20332
  const days = Array.from({ length: 400 }, (_, d) => d)
  const bands = { startDay, stepDays: 1, p10: days, p50: days, p90: days }
  const portrait = {
    standId: stand.id,
    startDay,
    species: [
      {
        speciesId: 'crimson-clover',
        plantsPerM2: 1,
        heightM: bands,
        rootM: days,
        alive: days.map(() => 1),
        bbch: days.map((d) => d / 4),
      },
    ],
    cover: bands,
    massG: bands,
    residueG: bands,
    wetTop: days,
    wetBelow: days,
    soilC: [],
    snowMm: days,
  }
  const following = {
    day: startDay + 280,
    crop: { cropId: 'tomato', establishment: 'transplant' as const, goneDay: null },
  }
  const named = namedDays(stand, following, startDay + 232, portrait)
  expect(named.map(({ id }) => id)).toEqual(['today', 'flower', 'before', 'end', 'planting'])
  expect(named.map(({ name }) => name)).toEqual([
    'Today',
    'First flower',
    'Before chop and drop',
    'After chop and drop',
    'Tomato planted',
  ])
  expect(dayTitle(following.day, stand, following, startDay)).toMatch(/planting day$/)
  // A day outside the portrait is none of them.
  expect(namedDays(stand, following, startDay - 5, portrait).map(({ id }) => id)).not.toContain('today')
})
