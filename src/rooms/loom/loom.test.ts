import { describe, expect, test } from '@jest/globals'
import fc from '../../core/testing/property'
import { dayNumber } from '../../core/foundations/day'
import { flatBands, flatForecast } from '../../core/testing/forecasts'
import type { StandForecast } from '../../core/season/standForecast'
import { marlpitLane } from '../../demo/marlpitLane'
import { isWoven, threadEnd } from '../../parts/weave/cloth'
import { paintStrip } from '../../parts/weave/paint'
import { LIGHT_YARNS } from '../../parts/weave/palette'
import { bandsOfStand } from '../../parts/weave/bands'
import { placeLabel, standWords } from './labels'
import { WHOLE_CLOTH } from '../../parts/weave/standsOnCloth'

describe('labels', () => {
  test('stay inside their band and clear of today’s line', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 600 }),
        fc.integer({ min: 4, max: 300 }),
        fc.integer({ min: 0, max: 640 }),
        fc.integer({ min: 1, max: 3 }),
        (top, height, today, lines) => {
          const placed = placeLabel(['one', 'two', 'three'].slice(0, lines), top, top + height, today)
          if (!placed) return
          expect(placed.top).toBeGreaterThanOrEqual(top)
          expect(placed.top + placed.height).toBeLessThanOrEqual(top + height)
          expect(placed.top + placed.height <= today - 7 || placed.top >= today + 7).toBe(true)
        },
      ),
    )
  })
  test('a short band keeps the first name and a sign that there is more', () => {
    expect(placeLabel(['rye', 'vetch'], 0, 22, 500)?.lines).toEqual(['rye +'])
    expect(placeLabel(['12 wk', 'bare'], 0, 22, 500, false)).toBeNull()
    expect(placeLabel(['rye'], 0, 10, 500)).toBeNull()
  })
})

describe('cloth', () => {
  test('denser cover weaves more picks, full cover all, none none', () => {
    const woven = (density: number) =>
      Array.from({ length: 8 }, (_, pick) => isWoven(density, pick)).filter(Boolean).length
    expect([0, 0.3, 0.6, 1].map(woven)).toEqual([0, 3, 5, 8])
  })
  test('threads let go over the whole spread of the end', () => {
    const ends = Array.from({ length: 40 }, (_, thread) =>
      threadEnd({ p10: 10, p50: 20, p90: 40 }, thread, 1),
    )
    expect(Math.min(...ends)).toBeLessThan(12)
    expect(Math.max(...ends)).toBeGreaterThan(36)
    expect(ends.every((end) => end >= 10 && end <= 40)).toBe(true)
  })
  test('the three motifs differ in greyscale, by light or by figure', () => {
    const picture = (group: 'grass' | 'legume' | 'broadleaf') => {
      const image = {
        width: 60,
        height: 200,
        data: new Uint8ClampedArray(60 * 200 * 4),
      } as unknown as ImageData
      const band = {
        standId: 's',
        kind: 'cover' as const,
        startDay: 0,
        end: { p10: 999, p50: 999, p90: 999 },
        groups: [group],
        across: WHOLE_CLOTH,
        cover: () => 1,
        residue: () => 0,
      }
      paintStrip(image, { bands: [band], firstDay: 0, days: 140, today: 999 }, LIGHT_YARNS, 1)
      return Array.from(
        { length: 60 * 200 },
        (_, i) => 0.3 * image.data[i * 4] + 0.59 * image.data[i * 4 + 1] + 0.11 * image.data[i * 4 + 2],
      )
    }
    const pictures = [picture('grass'), picture('legume'), picture('broadleaf')]
    const difference = (a: number[], b: number[]) =>
      a.reduce((sum, value, i) => sum + Math.abs(value - b[i]), 0) / a.length
    expect(difference(pictures[0], pictures[1])).toBeGreaterThan(25)
    expect(difference(pictures[0], pictures[2])).toBeGreaterThan(25)
    expect(difference(pictures[1], pictures[2])).toBeGreaterThan(25)
  })
})

describe('bands', () => {
  const { stands } = marlpitLane()
  const find = (bed: string, kind: 'cover' | 'crop') =>
    stands.find((stand) => stand.bedId.endsWith(bed) && stand.content.kind === kind)!
  const today = dayNumber('2026-04-20')
  const start = today - 300
  const forecast = (ended: StandForecast['ended']) =>
    flatForecast(start, {
      cover: flatBands(start, 0.9),
      massG: flatBands(start, 500),
      heightM: flatBands(start, 1),
      nitrogenG: flatBands(start, 10),
      dead: { chance: 1, quantiles: null },
      ended,
    })

  test('a planned harvest frays, a done one is cut straight', () => {
    const planned = bandsOfStand(find('T1', 'crop'), null, dayNumber('2027-01-01'), today)[0].end
    expect(planned.p90 - planned.p10).toBeGreaterThan(7)
    const done = bandsOfStand(find('L5', 'crop'), null, dayNumber('2027-01-01'), today)[0].end
    expect(done.p90).toBe(done.p10)
  })
  test('a tarp is a sheet over what it covers, until the stand is dead', () => {
    const dead = { p10: today + 30, p50: today + 36, p90: today + 44 }
    const bands = bandsOfStand(find('L4', 'cover'), forecast(dead), dayNumber('2026-06-18'), today)
    expect(bands.map((band) => band.kind)).toEqual(['cover', 'cover', 'sheet'])
    expect(bands[2].end).toEqual(dead)
  })
  test('a sheet that came off ends on its day, whatever was forecast', () => {
    const cover = find('L4', 'cover')
    const actual = { ...cover.end.plan!, date: '2026-04-01', liftedOn: '2026-04-18' }
    const dead = { p10: today + 30, p50: today + 36, p90: today + 44 }
    const bands = bandsOfStand(
      { ...cover, end: { ...cover.end, actual } },
      forecast(dead),
      dayNumber('2026-06-18'),
      today,
    )
    const off = dayNumber('2026-04-18')
    expect(bands[2]).toMatchObject({ kind: 'sheet', end: { p10: off, p50: off, p90: off } })
  })
  test('animals leave their tracks until the stand is dead', () => {
    const dead = { p10: today + 30, p50: today + 36, p90: today + 44 }
    const pen = { penLengthM: 2, penWidthM: 1.2, daysPerStop: 2, rounds: 2, restDays: 5 }
    const cover = find('L4', 'cover')
    const grazed = {
      ...cover,
      end: {
        actual: null,
        plan: {
          ...cover.end.plan!,
          method: 'hens' as const,
          animals: { kind: 'hens' as const, head: 4, ...pen },
        },
      },
    }
    const bands = bandsOfStand(grazed, forecast(dead), dayNumber('2026-06-18'), today)
    expect(bands.map((band) => band.kind)).toEqual(['cover', 'cover', 'animals'])
    expect(bands[2].end).toEqual(dead)
  })
  test('a chop leaves green thread by thread until it has browned, then residue', () => {
    const bands = bandsOfStand(
      find('L2', 'cover'),
      forecast({ p10: today + 45, p50: today + 48, p90: today + 52 }),
      dayNumber('2026-06-12'),
      today,
    )
    expect(bands).toHaveLength(2)
    expect(bands[1].end.p90).toBeGreaterThan(bands[1].end.p10)
    expect(bands[1].cover(dayNumber('2026-05-29'))).toBeCloseTo(0.9)
  })
  test('words for a mix, one line each', () => {
    expect(standWords(find('L1', 'cover'))).toEqual(['rye', 'vetch'])
  })
})
