import { placeIn } from './series'
import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber } from '../foundations/day'
import { SPECIES } from '../plants/catalogue'
import { agedIndex, freshIndex, HARMLESS_INDEX } from '../residue/allelopathy'
import { carbonKept } from '../residue/organicMatter'
import { growStand } from '../testing/stands'
import { TEST_SITES } from '../testing/sites'
import { selfSowing } from './reseeding'
import { quantilesOn } from './summary'
import type { StandEvent } from './types'

const { maryland, pennsylvania } = TEST_SITES
const massOn = (run: ReturnType<typeof growStand>['run'], day: number) => quantilesOn(run, 'massG', day)!.p50

describe('water', () => {
  test('closes over a whole run to a millionth, with rain, melt and watering', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPECIES.map((plant) => plant.id)),
        fc.constantFrom(...Object.values(TEST_SITES)),
        fc.integer({ min: 0, max: 364 }),
        fc.integer({ min: 0, max: 20 }),
        (speciesId, site, offset, keptMoistDays) => {
          const iso = new Date(Date.UTC(2025, 0, 1 + offset)).toISOString().slice(0, 10)
          const mm = new Map([[dayNumber(iso) + 40, 15]])
          const { run } = growStand(site, speciesId, iso, {
            members: 2,
            days: 200,
            seed: offset,
            watering: { keptMoistDays, mm },
          })
          for (let m = 0; m < 2; m++)
            expect(Math.abs(run.accounts.waterIn[m] - run.accounts.waterOut[m])).toBeLessThan(
              1e-6 * run.accounts.waterIn[m],
            )
        },
      ),
      { numRuns: 30 },
    )
  })
  const dry = { ...maryland, rainMm: maryland.rainMm.map(() => 8), wetDays: maryland.wetDays.map(() => 1) }
  test('a seedbed kept moist comes up earlier and fuller in a dry place; water given later makes growth', () => {
    const sow = (watering: { keptMoistDays: number; mm: Map<number, number> }) =>
      growStand(dry, 'oats', '2025-06-10', { members: 20, days: 90, watering }).run
    const none = sow({ keptMoistDays: 0, mm: new Map() })
    const kept = sow({ keptMoistDays: 14, mm: new Map() })
    const day = dayNumber('2025-06-24')
    expect(quantilesOn(kept, 'cover', day)!.p50).toBeGreaterThan(quantilesOn(none, 'cover', day)!.p50)
    const weekly = new Map(Array.from({ length: 8 }, (_, week) => [day + week * 7, 25]))
    const later = dayNumber('2025-08-30')
    expect(massOn(sow({ keptMoistDays: 14, mm: weekly }), later)).toBeGreaterThan(1.3 * massOn(kept, later))
  })
})

describe('a crop above', () => {
  const shadeUntil = (frostC: number) =>
    growStand(pennsylvania, 'crimson-clover', '2025-08-10', {
      members: 20,
      days: 120,
      canopyAbove: { fromDay: dayNumber('2025-08-10'), shares: new Float64Array(142).fill(0.7), frostC },
    }).run
  test('shades until frost takes it, not only until it is cleared', () => {
    const day = dayNumber('2025-11-25')
    expect(massOn(shadeUntil(1), day)).toBeGreaterThan(1.15 * massOn(shadeUntil(-40), day))
  })
})

describe('cuts', () => {
  const cutOn = dayNumber('2026-05-28')
  const rye = (heightM: number | null) =>
    growStand(maryland, 'cereal-rye', '2025-09-25', {
      members: 30,
      days: 330,
      events:
        heightM === null
          ? []
          : [
              {
                day: cutOn,
                kind: 'cut',
                heightM,
                groundShare: 1,
                left: false,
                fate: { by: 'cut', heightM },
              } as StandEvent,
            ],
    }).run
  const low = rye(0.05)
  test('take growth by height: a low cut nearly all, one above the crop none', () => {
    expect(massOn(low, cutOn) / massOn(rye(null), cutOn)).toBeLessThan(0.15)
    expect(massOn(rye(3), cutOn)).toBeCloseTo(massOn(rye(null), cutOn), 6)
    expect(massOn(rye(0.6), cutOn)).toBeGreaterThan(massOn(low, cutOn))
  })
  test('survivors set back shoot again: the stage starts anew and mass comes back', () => {
    const young = growStand(maryland, 'cereal-rye', '2025-09-25', {
      members: 30,
      days: 300,
      events: [
        {
          day: dayNumber('2026-04-25'),
          kind: 'cut',
          heightM: 0.08,
          groundShare: 1,
          left: true,
          fate: { by: 'cut', heightM: 0.08 },
        },
      ],
    }).run
    const at = (day: number) => young.species[0].bbch[placeIn(young, 0, day - young.startDay)]
    expect(at(dayNumber('2026-04-24'))).toBeGreaterThan(31)
    expect(at(dayNumber('2026-04-26'))).toBeLessThan(31)
    expect(massOn(young, dayNumber('2026-05-28'))).toBeGreaterThan(
      1.4 * massOn(young, dayNumber('2026-04-26')),
    )
  })
  test('half the ground cut takes half as much', () => {
    const half = growStand(maryland, 'red-clover', '2025-04-10', {
      members: 10,
      days: 90,
      events: [
        {
          day: dayNumber('2025-06-20'),
          kind: 'cut',
          heightM: 0,
          groundShare: 0.5,
          left: true,
          fate: { by: 'share', share: 1 },
        },
      ],
    }).run
    const before = massOn(half, dayNumber('2025-06-19'))
    expect(massOn(half, dayNumber('2025-06-20')) / before).toBeCloseTo(0.5, 1)
  })
})

describe('self-sowing', () => {
  const buckwheat = (days: number) =>
    growStand(pennsylvania, 'buckwheat', '2025-06-10', { members: 20, days })
  const { run, sowDay } = buckwheat(160)
  test('nothing is sown by a stand ended in first flower, thousands of seeds by a ripe one', () => {
    expect(selfSowing(run, sowDay + 38, true)).toEqual([])
    const [ripe] = selfSowing(run, sowDay + 95, true)
    expect(ripe.viablePerM2.p50).toBeGreaterThan(300)
    expect(ripe.sheds.quantiles!.p50).toBeGreaterThan(sowDay + 50)
    expect(ripe.sproutsPerM2!.p50).toBeLessThan(ripe.viablePerM2.p50)
  })
  test('seed carried away with the plants does not fall', () => {
    const [dropped] = selfSowing(run, sowDay + 70, true)
    const [carried] = selfSowing(run, sowDay + 70, false)
    expect(carried?.viablePerM2.p50 ?? 0).toBeLessThan(dropped.viablePerM2.p50)
  })
})

describe('hold of residue on small seed', () => {
  test('more residue holds more, and warmth ends it in two to four spring weeks', () => {
    expect(freshIndex(0)).toBe(0)
    expect(freshIndex(800)).toBeGreaterThan(freshIndex(200))
    const days = Array.from({ length: 60 }, (_, day) => agedIndex(freshIndex(700), day * 15))
    const over = days.findIndex((index) => index <= HARMLESS_INDEX)
    expect(over).toBeGreaterThan(14)
    expect(over).toBeLessThan(28)
  })
})

test('carbon kept is a wide band that wears away slowly', () => {
  const now = carbonKept([{ shootG: 600, rootG: 200, yearsAgo: 0 }])
  expect(now.p10).toBeLessThan(now.p50)
  expect(now.p50).toBeLessThan(now.p90)
  expect(now.p50 / (0.42 * 800)).toBeGreaterThan(0.12)
  expect(now.p50 / (0.42 * 800)).toBeLessThan(0.3)
  const old = carbonKept([{ shootG: 600, rootG: 200, yearsAgo: 5 }])
  expect(old.p50).toBeLessThan(now.p50)
  expect(old.p50).toBeGreaterThan(0.8 * now.p50)
})
