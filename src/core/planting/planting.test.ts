import { describe, expect, test } from '@jest/globals'
import { cropContent } from '../garden/newStands'
import { dayNumber } from '../foundations/day'
import type { NitrogenSource } from '../garden/rules'
import { USUAL_RULES } from '../garden/usualRules'
import type { Stand } from '../garden/schema'
import { findCrop } from '../plants/crops'
import { testBed, testCover, testHens } from '../testing/beds'
import { cropNeed, feedFor, nitrogenGap, removal } from './feeding'
import { mulchDepthM } from '../residue/mulch'
import { followedBy } from './followed'
import { lastManureDay } from '../scenario/criteria'
import type { Follows } from '../scenario/types'
import type { Bed } from '../garden/schema'
import { manureDaysFor, manureOf, manureOn, touchesSoil } from './manure'
import { lateRule, placesOf, plantsFor, plantsToOrder, spacingFor } from './spacing'
import { plantingMethods } from './through'

const compost: NitrogenSource = {
  id: 'c',
  name: 'Compost',
  nitrogenPct: 1,
  carbonPct: 12,
  firstSeason: 0.2,
  kgPerM3: 500,
}

describe('nitrogen against need', () => {
  const crop = { nitrogenG: 20, daysToHarvest: 100 }
  test('need starts at nothing, ends at the full uptake, and is steepest a little past half way', () => {
    expect(cropNeed(crop, 0)).toBe(0)
    expect(cropNeed(crop, 100)).toBeCloseTo(20, 9)
    expect(cropNeed(crop, 200)).toBeCloseTo(20, 9)
    const rate = (day: number) => cropNeed(crop, day + 1) - cropNeed(crop, day)
    expect(rate(55)).toBeGreaterThan(rate(20))
    expect(rate(55)).toBeGreaterThan(rate(90))
  })
  const week = (residue: number, soilG: number, needG: number) => ({
    week: 10,
    needG,
    soilG,
    residue: { p10: residue - 1, p50: residue, p90: residue + 1 },
  })
  test('the gap by hand: need less 65 % of what is freed; a tie-up is added in full', () => {
    expect(nitrogenGap([week(6, 4, 20)]).p50).toBeCloseTo(20 - 0.65 * 10, 9)
    expect(nitrogenGap([week(-2, 4, 20)]).p50).toBeCloseTo(20 - 0.65 * 4 + 2, 9)
    expect(nitrogenGap([week(60, 4, 20)]).p50).toBe(0)
    expect(nitrogenGap([]).p50).toBe(0)
  })
  test('compost by its analysis: 5 g on 12 m² at 1 % and 20 % are 30 kg, 60 litres, half a centimetre', () => {
    const feed = feedFor(5, 12, compost)
    expect(feed.kg.mid).toBeCloseTo(30, 9)
    expect(feed.kg.low).toBeCloseTo(30, 9)
    expect(feed.litres).toBeCloseTo(60, 9)
    expect(feed.depthM).toBeCloseTo(0.005, 9)
    expect(feed.assumed).toEqual([])
  })
  test('without an analysis usual compost is taken, widely, and it is said what is missing', () => {
    const feed = feedFor(5, 12, { ...compost, nitrogenPct: null, firstSeason: null, kgPerM3: null })
    expect(feed.assumed).toEqual(['nitrogen', 'share freed', 'weight of a cubic metre'])
    expect(feed.kg.high).toBeGreaterThan(3 * feed.kg.low)
  })
})

describe('mulch and its removal', () => {
  test('540 g of settled mulch are 3 cm', () => {
    expect(mulchDepthM(540)).toBeCloseTo(0.03, 9)
  })
  test('what leaves, and what brings it back, by hand', () => {
    const off = removal(600, 12, 10, 0.05, compost)
    expect(off).toEqual({
      massKg: expect.closeTo(6, 9),
      nitrogenKg: expect.closeTo(0.12, 9),
      carbonKg: expect.closeTo(6 * 0.42, 9),
      compostKg: expect.closeTo(12, 9),
      bedsMulched: expect.closeTo(600 / 900, 9),
    })
  })
})

describe('spacing', () => {
  test('a 10 × 1.2 m bed of lettuce at 30 × 25 cm holds 160 plants', () => {
    expect(plantsFor(10, 1.2, 30, 25)).toMatchObject({ rows: 4, perRow: 40, plants: 160 })
    expect(plantsFor(1, 0.2, 60, 300).plants).toBe(1)
  })
  test('late brassicas stand closer by the week down to their limit; tomatoes keep their room', () => {
    const cabbage = findCrop('cabbage')!
    const late = (days: number) => spacingFor(cabbage, 10, 1.2, days).late
    expect(late(0)).toEqual(spacingFor(cabbage, 10, 1.2, 0).usual)
    expect(late(14).plantCm).toBeCloseTo(45 * 0.88, 0)
    expect(late(14).plants).toBeGreaterThan(late(0).plants)
    expect(late(400).plantCm).toBeCloseTo(45 * 0.72, 0)
    const tomato = spacingFor(findCrop('tomato')!, 10, 1.2, 40)
    expect(tomato.late).toEqual(tomato.usual)
    expect(tomato.rule.reason).toMatch(/needs its room/)
    expect(lateRule(findCrop('potato')!).least).toBe(0.85)
  })
  test('a rule from own trials goes before; plants are ordered with some to spare', () => {
    const own = { closerPerWeek: 0.1, least: 0.5 }
    const cabbage = findCrop('cabbage')!
    const [usual, trial] = [null, own].map((rule) => spacingFor(cabbage, 10, 1.2, 28, rule))
    expect(trial!.late.plantCm).toBeLessThan(usual!.late.plantCm)
    expect(trial!.rule).toMatchObject({ ...own, reason: lateRule(cabbage).reason })
    expect(plantsToOrder(plantsFor(10, 1.2, 40, 40))).toBe(83)
  })
})

describe('planting through', () => {
  const best = (
    mulchG: number,
    cropId: string,
    est: 'transplant' | 'seed',
    tiesUp = false,
    soil: 'loam' | 'clay' = 'loam',
  ) =>
    plantingMethods(mulchG, findCrop(cropId)!, est, soil, tiesUp)
      .filter((method) => method.fits === 'well')
      .map((method) => method.id)
  test.each([
    [500, 'tomato', 'transplant', 'slot'],
    [300, 'bean', 'seed', 'rake'],
    [300, 'carrot', 'seed', 'compost row'],
    [400, 'leek', 'transplant', 'dibble'],
  ] as const)('%i g under %s, %s: %s among the best', (mulch, crop, est, method) =>
    expect(best(mulch, crop, est)).toContain(method),
  )
  test('a tie-up speaks for compost, heavy soil for loosening, thick mulch against narrow rows', () => {
    expect(best(500, 'tomato', 'transplant', true)).toContain('compost row')
    expect(best(500, 'tomato', 'transplant', false, 'clay')).toContain('loosen')
    const carrot = plantingMethods(900, findCrop('carrot')!, 'seed', 'loam', false).find(
      (method) => method.id === 'rake',
    )!
    expect(carrot.fits).toBe('poorly')
  })
})

describe('animals and the harvest', () => {
  const animals = testHens({ rounds: 1, restDays: 0 })
  const hens = testCover('oats', '2026-03-01', {
    end: { plan: null, actual: { date: '2026-05-01', method: 'hens', passes: 1, note: '', animals } },
  })
  const planting = dayNumber('2026-06-10')
  const [leaf, high] = [findCrop('lettuce')!, findCrop('sweetcorn')!]
  const onBed = (bed: Bed, stands: readonly Stand[], day: number, crop = leaf) =>
    lastManureDay({ ground: { manure: manureOn(bed, stands), nematodes: false, creeping: [] } }, null, {
      crop,
      day,
    } as Extract<Follows, { kind: 'crop' }>)
  test('the last stop of the last round counts: five stops of two days', () =>
    expect(onBed(testBed, [hens], planting)).toEqual({ day: dayNumber('2026-05-11'), from: 'animals' }))
  test('the rule is longer where the eaten part touches soil, and follows the grower’s own', () => {
    expect(manureDaysFor(leaf)).toBe(120)
    expect(manureDaysFor(high)).toBe(90)
    const own = { ...USUAL_RULES, manureDays: { touching: 180, clear: 100 } }
    expect(manureDaysFor(leaf, own)).toBe(180)
  })
  test.each([
    'cabbage',
    'kale',
    'broccoli',
    'cauliflower',
    'lettuce',
    'spinach',
    'parsley',
    'basil',
    'carrot',
    'beet',
    'radish-salad',
    'onion',
    'strawberry',
    'cucumber',
    'bean',
    'tomato',
  ])('%s waits 120 days', (cropId) => {
    expect(manureDaysFor(findCrop(cropId)!)).toBe(120)
  })
  test.each(['sweetcorn', 'pole-bean', 'okra', 'raspberry'])('%s waits 90 days', (cropId) => {
    expect(manureDaysFor(findCrop(cropId)!)).toBe(90)
  })
  test('tomato staked and mulched waits 90; the grower’s word goes for any crop', () => {
    const said = (cropId: string, touches: boolean) => {
      const rules = { ...USUAL_RULES, harvestTouches: { [cropId]: touches } }
      const crop = findCrop(cropId)!
      return { days: manureDaysFor(crop, rules), touches: touchesSoil(crop, rules) }
    }
    expect(findCrop('tomato')!.clearWhenStaked).toBe(true)
    expect(said('tomato', false)).toMatchObject({ days: 90, touches: false })
    expect(said('sweetcorn', true)).toMatchObject({ days: 120, touches: true })
  })
  test('raw manure, and manure nobody can vouch for, starts the same clock; composted and plain feed do not', () => {
    const spread = (manure: 'none' | 'composted' | 'raw' | 'unknown') => ({
      ...testBed,
      spreads: [{ id: 's', date: '2026-05-20', what: 'Heap', manure, kg: 40 }],
    })
    for (const kind of ['raw', 'unknown'] as const)
      expect(onBed(spread(kind), [hens], planting)).toEqual({ day: dayNumber('2026-05-20'), from: 'feed' })
    for (const kind of ['none', 'composted'] as const) expect(onBed(spread(kind), [], planting)).toBeNull()
    // Spread on the growing crop it counts as well, until the harvest.
    expect(onBed(spread('raw'), [], dayNumber('2026-05-01'))?.day).toBe(dayNumber('2026-05-20'))
    expect(onBed(spread('raw'), [], dayNumber('2026-03-01'))).toBeNull()
    expect(manureOf({ name: 'Horse manure' })).toBe('unknown')
    expect(manureOf({ name: 'Horse manure', manure: 'composted' })).toBe('composted')
    expect(manureOf({ name: 'Leaf mould' })).toBe('none')
  })
  test('a grazed cut counts; other beds and years gone by do not', () => {
    const actual = { date: '2026-04-02', heightCm: 5, groundShare: 1, fate: 'grazed' as const, note: '' }
    const grazed = testCover('oats', '2026-03-01', { cuts: [{ id: 'k', cut: { plan: null, actual } }] })
    expect(onBed(testBed, [grazed], planting)?.day).toBe(dayNumber('2026-04-02'))
    expect(onBed({ ...testBed, id: 'other' }, [grazed], planting)).toBeNull()
    expect(onBed(testBed, [grazed], planting + 700)).toBeNull()
    expect(onBed(testBed, [], planting)).toBeNull()
  })
})

test('plants stand in rows in the middle of their own part of a bed, all inside it', () => {
  const spacing = plantsFor(4, 1.1, 45, 60)
  const places = placesOf(spacing, 1.1)
  expect(places).toHaveLength(spacing.plants)
  expect(new Set(places.map(({ acrossM }) => acrossM)).size).toBe(2)
  for (const { alongM, acrossM } of places) {
    expect(alongM).toBeLessThan(4)
    expect(acrossM).toBeGreaterThan(0.2)
    expect(acrossM).toBeLessThan(0.9)
  }
})

describe('the loop closed', () => {
  const cover = testCover('oats', '2026-03-01', {
    end: { plan: null, actual: { date: '2026-05-01', method: 'chop', passes: 1, note: '' } },
    followUps: [{ id: 'f', date: '2026-05-20', standing: 3, before: 60, groundM2: 1, note: '' }],
  })
  const crop: Stand = {
    ...testCover('oats', '2026-03-01'),
    id: 'crop',
    content: cropContent('leek', 'transplant'),
    start: {
      plan: null,
      actual: {
        date: '2026-05-15',
        covering: null,
        passes: null,
        keptMoistDays: 0,
        sownBetween: null,
        components: [],
        note: '',
      },
    },
    outcome: { date: '2026-09-01', yieldKg: 36, verdict: 'better', note: '' },
  }
  test('a cover’s end stands beside the first crop after it, its wait, and its yield per m²', () => {
    expect(followedBy([testBed], [cover, crop])).toMatchObject([
      { stoodAgain: 0.05, waitedDays: 14, yieldKgM2: expect.closeTo(3, 9), crop: { id: 'crop' } },
    ])
  })
  test('several crops on parts of its ground stand there each, what follows them does not', () => {
    const on = (id: string, date: string, which: 'first' | 'second'): Stand => ({
      ...crop,
      id,
      segment: { kind: 'half', which },
      start: { plan: null, actual: { ...crop.start.actual!, date } },
    })
    const stands = [
      cover,
      on('b', '2026-05-20', 'second'),
      on('a', '2026-05-15', 'first'),
      on('c', '2026-07-01', 'first'),
    ]
    expect(followedBy([testBed], stands).map(({ crop: { id }, yieldKgM2 }) => [id, yieldKgM2])).toEqual([
      ['b', expect.closeTo(6, 9)],
      ['a', expect.closeTo(6, 9)],
    ])
  })
  test('without a crop, or with one planted before the end, there is nothing to show', () => {
    expect(followedBy([testBed], [cover])).toEqual([])
    const before = { ...crop, start: { plan: null, actual: { ...crop.start.actual!, date: '2026-04-01' } } }
    expect(followedBy([testBed], [cover, before])).toEqual([])
  })
})
