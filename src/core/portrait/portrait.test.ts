import { describe, expect, test } from '@jest/globals'
import { standRun } from '../bed/standRun'
import { dayNumber } from '../foundations/day'
import { findCrop } from '../plants/crops'
import { findSpecies } from '../plants/catalogue'
import { forecastOf } from '../season/forecast'
import { bandOn } from '../season/standForecast'
import { ensembleOf, type WeatherSpec } from '../season/weatherSpec'
import { testCase, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { testRecord } from '../testing/weather'
import type { Following } from './following'
import { plainCase } from './plainCase'
import { portraitOf } from './portrait'
import { rootDepthM } from './rooting'
import { lastDayOf, sceneOn, tallestM } from './scene'

const today = dayNumber('2026-04-20')
const spec: WeatherSpec = {
  site: TEST_SITES.pennsylvania,
  recordKey: 'test',
  today,
  startDay: today - 290,
  days: 480,
  members: 24,
  seed: 2,
}
const ensemble = ensembleOf(spec, testRecord(spec.site, 4, today - 300, today))
const END = dayNumber('2026-05-25')
const PLANTED = dayNumber('2026-06-15')
const tomato: Following = {
  day: PLANTED,
  crop: { cropId: 'tomato', establishment: 'transplant', goneDay: null },
}

function drawn(method: 'crimp' | 'tarp') {
  const stand = testCover('cereal-rye', '2025-09-20', {
    end: { plan: { date: '2026-05-25', method, passes: 1, note: '' }, actual: null },
  })
  const standCase = { ...testCase(stand), nextStartDay: PLANTED }
  const season = standRun(standCase, ensemble)!
  return { stand, portrait: portraitOf(standCase, season), forecast: forecastOf(standCase, season) }
}

describe('a portrait', () => {
  const { stand, portrait, forecast } = drawn('crimp')
  const scene = (day: number) => sceneOn(portrait, stand, tomato, day)!

  test('shows what the forecast says of the same day', () => {
    for (const day of [portrait.startDay + 60, today, END - 3]) {
      const step = day - ((day - portrait.startDay) % forecast.cover.stepDays)
      expect(scene(step).cover).toEqual(bandOn(forecast.cover, step))
      expect(scene(step).massG).toEqual(bandOn(forecast.massG, step))
      expect(scene(step).plants[0].heightM).toEqual(bandOn(forecast.heightM, step))
    }
  })
  test('nothing is up on the day of sowing, and no picture lies outside its days', () => {
    expect(scene(portrait.startDay).plants).toEqual([])
    expect(sceneOn(portrait, stand, tomato, portrait.startDay - 1)).toBeNull()
    expect(sceneOn(portrait, stand, tomato, lastDayOf(portrait) + 1)).toBeNull()
  })
  test('a crimped stand lies as mulch, and what stands again is low on that very day', () => {
    expect(scene(END - 1).mulchAgeDays).toBeNull()
    expect(scene(END).mulchAgeDays).toBe(0)
    expect(scene(END).mulchM.p50).toBeGreaterThan(scene(END - 1).mulchM.p50 + 0.02)
    const before = scene(END - 1).plants[0]
    const after = scene(END).plants.at(0)
    expect((after?.perM2 ?? 0) / before.perM2).toBeLessThan(0.5)
    if (after) expect(after.heightM.p50).toBeLessThan(0.65 * before.heightM.p50)
  })
  test('the crop after it is planted small, grows to its height, and is gone in the end', () => {
    expect(scene(PLANTED - 1).crop).toBeNull()
    const planted = scene(PLANTED).crop!
    const crop = findCrop('tomato')!
    expect(planted.heightM).toBeLessThan(0.2 * crop.heightM)
    expect(scene(PLANTED + 90).crop!.heightM).toBeCloseTo(crop.heightM)
    const gone = { ...tomato, crop: { ...tomato.crop!, goneDay: PLANTED + 30 } }
    expect(sceneOn(portrait, stand, gone, PLANTED + 30)!.crop).toBeNull()
    expect(tallestM(portrait, tomato)).toBeGreaterThanOrEqual(crop.heightM)
  })
  test('roots go down with the warmth, never up, and no deeper than such plants reach', () => {
    const [rye] = portrait.species
    for (let d = 1; d < END - portrait.startDay; d++)
      expect(rye.rootM[d]).toBeGreaterThanOrEqual(rye.rootM[d - 1])
    expect(rye.rootM[END - portrait.startDay]).toBeGreaterThan(0.8)
    const plant = findSpecies('cereal-rye')!
    expect(rootDepthM(plant, 1e5)).toBe(1.2)
    expect(rootDepthM(findSpecies('white-clover')!, 1e5)).toBeLessThan(0.7)
  })
  test('snow and frozen ground are those of the weather, wetness is a share', () => {
    for (let day = portrait.startDay; day < PLANTED; day += 7) {
      const { wetTop, wetBelow, snowM } = scene(day)
      for (const share of [wetTop, wetBelow]) {
        expect(share).toBeGreaterThanOrEqual(0)
        expect(share).toBeLessThanOrEqual(1.001)
      }
      expect(snowM).toBeGreaterThanOrEqual(0)
    }
  })
})

test('a sheet lies from the end until the ground is taken, and not a day longer', () => {
  const { stand, portrait } = drawn('tarp')
  const sheet = (day: number) => sceneOn(portrait, stand, tomato, day)!.sheet
  expect([END - 1, END, PLANTED - 1, PLANTED].map(sheet)).toEqual([null, 'black', 'black', null])
})

test('a plain sowing of any day is grown and drawn', () => {
  const standCase = plainCase(findSpecies('phacelia')!, today)
  const portrait = portraitOf(standCase, standRun(standCase, ensemble)!)
  const scene = sceneOn(portrait, standCase.stand, null, today + 60)!
  expect(scene.plants[0].speciesId).toBe('phacelia')
  expect(scene.cover.p50).toBeGreaterThan(0.5)
})
