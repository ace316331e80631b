import { describe, expect, test } from '@jest/globals'
import { stillStand } from '../testing/stillStand'
import {
  animalDays,
  broughtFeedKg,
  droppings,
  eatenG,
  penM2,
  pressure,
  scratchGrainKg,
  stockingDoubts,
  stopSurvival,
  takenShare,
  usualPlan,
} from './animals'
import type { AnimalPlan } from '../garden/ending'
import { lanesOf, stopsOf } from './stops'
import { endingOf } from '../testing/ended'
import { testHens } from '../testing/beds'

const hens = testHens({ rounds: 3 })

describe('lanes and stops', () => {
  test('an 8 × 1.2 m bed takes four stops of a 2 × 1.2 m pen; a wider plot two lanes, up one and down the next', () => {
    expect(lanesOf(8, 1.2, 2, 1.2)).toMatchObject({ lanes: 1, places: 4 })
    expect(lanesOf(8, 1.2, 1.2, 2)).toMatchObject({ lanes: 1, places: 4 })
    const stops = stopsOf({ ...hens, rounds: 1 }, 6, 2.4, 100)
    expect(stops.map((stop) => [stop.lane, stop.place])).toEqual([
      [0, 0],
      [0, 1],
      [0, 2],
      [1, 2],
      [1, 1],
      [1, 0],
    ])
    expect(stops.map((stop) => stop.startDay)).toEqual([100, 102, 104, 106, 108, 110])
  })
  test('a round starts after all stops of the last and its rest; only the last has grain scattered', () => {
    const stops = stopsOf(hens, 8, 1.2, 0)
    expect(stops).toHaveLength(12)
    expect(stops[4].startDay).toBe(4 * 2 + 7)
    expect(stops.map((stop) => stop.scratchFeed)).toEqual([...Array(8).fill(false), ...Array(4).fill(true)])
  })
  test('a slower last round starts after its rest and takes its own days; a single round has the usual ones', () => {
    const slow = { ...hens, rounds: 2, lastDaysPerStop: 4 }
    const stops = stopsOf(slow, 8, 1.2, 0)
    expect(stops.map((stop) => stop.startDay)).toEqual([0, 2, 4, 6, 15, 19, 23, 27])
    expect(stops.at(-1)!.endDay).toBe(31)
    expect(stopsOf({ ...slow, rounds: 1 }, 8, 1.2, 0).at(-1)!.endDay).toBe(8)
  })
  test('a pen wider than the bed stands in the middle of it', () =>
    expect(stopsOf({ ...hens, rounds: 1 }, 8, 0.8, 0)[0].acrossM).toBeCloseTo(-0.2, 9))
  test('the last stop stays on the plot', () => {
    const last = stopsOf({ ...hens, rounds: 1 }, 7.5, 1.2, 0).at(-1)!
    expect(last.atM + last.lengthM).toBeLessThanOrEqual(7.5 + 1e-9)
  })
})

describe('eating and uprooting', () => {
  test('animal-days per m² are head × days ÷ pen; fenced animals have the plot', () => {
    expect(pressure(hens, 9.6)).toBeCloseTo(8 / 2.4, 9)
    expect(penM2({ ...hens, penLengthM: null }, 9.6)).toBe(9.6)
  })
  test('by hand: 8 hen-days on 2.4 m² eat 0.115 kg a day, a quarter of it green', () => {
    const wanted = (8 / 2.4) * 115 * 0.25
    expect(eatenG(hens, 9.6, 1e9)).toBeCloseTo(wanted, 3)
    expect(takenShare(hens, 9.6, 300)).toBeCloseTo(1 - Math.exp((-wanted * 2.5) / 300), 9)
    expect(eatenG(hens, 9.6, 20)).toBeLessThanOrEqual(20)
    expect(broughtFeedKg(hens, 24, 2)).toBeCloseTo(4 * 24 * 0.115 - 2, 9)
  })
  test('by hand: rounds of 2 and 4 days bring 10 hen-days per m², and 1.5 g nitrogen each, 70 % of which stays', () => {
    const slow = { ...hens, rounds: 2, lastDaysPerStop: 4 }
    expect(animalDays(slow, 9.6)).toBeCloseTo((4 * 2 + 4 * 4) / 2.4, 9)
    expect(droppings(slow, 9.6, 1).nitrogenG).toBeCloseTo(((4 * 4) / 2.4) * 1.5 * 0.7, 9)
    expect(scratchGrainKg(slow, 4)).toBeCloseTo(4 * 4 * 4 * 0.02, 9)
    expect(scratchGrainKg({ ...slow, kind: 'ducks' }, 4)).toBe(0)
  })
  test('grasses bear three times as much scratching; grain makes it stronger', () => {
    const soft = stopSurvival(hens, 9.6, 'pea', 40, 1e9, 0)
    const grass = stopSurvival(hens, 9.6, 'winter cereal', 40, 1e9, 0)
    expect(Math.log(soft)).toBeCloseTo((-0.35 * 8) / 2.4, 3)
    expect(Math.log(grass)).toBeCloseTo((-0.35 * 8) / 2.4 / 3, 3)
    expect(stopSurvival(hens, 9.6, 'pea', 40, 300, 2)).toBeLessThan(
      stopSurvival(hens, 9.6, 'pea', 40, 300, 0),
    )
  })
  test('more birds, or longer stops, never finish later nor leave more', () => {
    const { run, ensemble } = stillStand(
      [
        { speciesId: 'field-pea', bbch: 45, massG: 200 },
        { speciesId: 'oats', bbch: 31, massG: 150 },
      ],
      { members: 12 },
    )
    const plot = { lengthM: 8, widthM: 1.2 }
    for (let member = 0; member < run.members; member++) {
      let lastDay = Infinity
      let lastShare = 1
      for (let head = 1; head <= 14; head++) {
        const setup = {
          passes: 1,
          under: 'flat' as const,
          target: 0.1,
          animals: { ...hens, head, rounds: 5 },
          plot,
        }
        const { deadDay, survival } = endingOf('hens', run, ensemble, member, 5, setup)
        const day = Number.isNaN(deadDay) ? Infinity : deadDay
        expect(day).toBeLessThanOrEqual(lastDay)
        if (day === lastDay) expect(survival).toBeLessThanOrEqual(lastShare + 1e-12)
        lastDay = day
        lastShare = survival
      }
      expect(lastDay).toBeLessThan(Infinity)
    }
  })
})

describe('sanity of a plan', () => {
  test('a tight pen, too much manure and too little growth are said with the fix', () => {
    expect(stockingDoubts({ ...hens, head: 9 }, 9.6, 300)).toContainEqual(
      expect.objectContaining({ code: 'too tight', mostHead: 4, kind: 'hens' }),
    )
    expect(stockingDoubts({ ...hens, daysPerStop: 8 }, 9.6, 300)).toContainEqual(
      expect.objectContaining({ code: 'too much manure', mostG: 17 }),
    )
    const sheep: AnimalPlan = {
      ...hens,
      kind: 'sheep',
      head: 6,
      penLengthM: 10,
      penWidthM: 5,
      daysPerStop: 3,
    }
    expect(stockingDoubts(sheep, 50, 100)).toContainEqual({ code: 'too little growth' })
    expect(stockingDoubts({ ...hens, daysPerStop: 1, rounds: 2 }, 9.6, 300)).toEqual([])
  })
  test('the plan to start from is calm and whole days', () => {
    const plan = usualPlan({ kind: 'hens', head: 4, penLengthM: 2, penWidthM: 1.2 }, 9.6)
    expect(plan).toMatchObject({ daysPerStop: 2, lastDaysPerStop: 4, rounds: 2 })
    expect(stockingDoubts(plan, 9.6, 300)).toEqual([])
    expect(usualPlan({ kind: 'pigs', head: 2, penLengthM: null, penWidthM: null }, 100)).toMatchObject({
      rounds: 1,
    })
  })
})
