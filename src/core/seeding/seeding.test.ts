import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber } from '../foundations/day'
import {
  GRAMS_PER_OUNCE,
  gramsPerM2,
  METRES_PER_FOOT,
  ouncesPer1000SquareFeet,
  poundsPerAcre,
} from '../foundations/units'
import { sowingRecipe } from './recipe'
import { resowGrams } from './resow'
import { generatedEnsemble } from '../site/ensemble'
import { TEST_SITES } from '../testing/sites'
import { seedLot, type SeedLot } from '../garden/seed'
import { drawDown, germinationOf, pureLiveSeed } from './lots'
import { afterRunningOut, handfulOf, lanesOf, portionsOf, ranOut, sandFor, USUAL_MEASURES } from './measures'
import { cueAt, cuesOf, elapsed, PASS_REST_MS, paused, started, STOPPED, STRETCH_REST_MS } from './pacer'
import { simulatePattern } from './pattern'
import { correctionFor, ringAreaM2, ringVerdict } from './ringCheck'
import { blendFromCounts, cheapestPacks, packetSowsM2, spreaderRate, type Pack } from './shopping'
import { cansFor, hoseLitresPerMinute, litresFor, rankSowingDays, sprinklerFrom } from './water'

const lot = (extra: Partial<SeedLot> = {}): SeedLot => ({
  id: 'l',
  gardenId: 'g',
  label: 'Rye',
  contents: [{ speciesId: 'cereal-rye', weightShare: 1 }],
  year: 2025,
  boughtGrams: 5000,
  leftGrams: 5000,
  price: 12,
  test: null,
  purity: 1,
  labelGermination: 0.9,
  treated: false,
  inoculantExpires: null,
  ...extra,
})

describe('portions', () => {
  test('of all passes and stretches are whole steps of the scale and add up to what was weighed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4000 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(0.1, 0.5, 1, 5),
        (steps, passes, stretches, scaleStepG) => {
          const passGrams = Array.from({ length: passes }, () => Math.round(steps * scaleStepG * 1000) / 1000)
          const portions = portionsOf({
            passGrams,
            lengthM: 18,
            widthM: 0.8,
            stretches,
            gramsPerHandful: 30,
            castWidthM: 1.5,
            paceM: 0.7,
            scaleStepG,
          })
          expect(portions).toHaveLength(passes * stretches)
          passGrams.forEach((grams, pass) => {
            const own = portions.filter((portion) => portion.pass === pass)
            expect(own.reduce((sum, portion) => sum + portion.grams, 0)).toBeCloseTo(grams, 6)
            for (const portion of own)
              expect(
                Math.abs(portion.grams / scaleStepG - Math.round(portion.grams / scaleStepG)),
              ).toBeLessThan(1e-6)
          })
        },
      ),
    )
  })
  test('by hand: 300 g in two passes over 18 m in three stretches is 50 g each, 1.25 handfuls of 40 g', () => {
    const portions = portionsOf({
      passGrams: [150, 150],
      lengthM: 18,
      widthM: 0.8,
      stretches: 3,
      gramsPerHandful: 40,
      castWidthM: 1.5,
      paceM: 0.75,
      scaleStepG: 1,
    })
    expect(portions.map((portion) => portion.grams)).toEqual([50, 50, 50, 50, 50, 50])
    expect(portions[0]).toMatchObject({ handfuls: 1.25, paces: 8, fromM: 0, toM: 6 })
  })
  test('lanes cover the width; handfuls are own where measured', () => {
    expect(lanesOf(1.2, 1.5)).toBe(1)
    expect(lanesOf(3.1, 1.5)).toBe(3)
    expect(handfulOf({ ...USUAL_MEASURES, gramsPerHandful: { small: 21 } }, 'small')).toBe(21)
    expect(handfulOf(USUAL_MEASURES, 'large')).toBe(42)
  })
  test('seed that ran out at 60 % lies two thirds too thick there, and 40 % of it is still wanted', () => {
    expect(ranOut(200, 0.6).overShare).toBeCloseTo(2 / 3, 9)
    expect(ranOut(200, 0.6).extraG).toBeCloseTo(80, 9)
  })
  test('running out never makes seed: what is shared over the rest is what was left, to the scale’s step', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 500 }),
        fc.integer({ min: 2, max: 6 }),
        fc.nat(),
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        (grams, stretches, at, done) => {
          const portions = portionsOf({
            passGrams: [grams, grams],
            lengthM: 12,
            widthM: 1,
            stretches,
            gramsPerHandful: 40,
            castWidthM: 1.5,
            paceM: 0.7,
            scaleStepG: 1,
          })
          const current = at % portions.length
          const left = portions.slice(current + 1).reduce((sum, portion) => sum + portion.grams, 0)
          const after = afterRunningOut(portions, current, done, 1)
          const shared = after.portions.reduce((sum, portion) => sum + portion.grams, 0)
          expect(shared).toBeLessThanOrEqual(left + 1e-6)
          expect(shared).toBeGreaterThanOrEqual(left - after.portions.length)
          expect(after.portions).toHaveLength(portions.length - current)
        },
      ),
    )
  })
  test('sand bulks small seed only', () => {
    expect(sandFor(75, 'tiny')).toEqual({ litres: 0.4, parts: 4 })
    expect(sandFor(75, 'large')).toBeNull()
  })
})

describe('the pattern of casts', () => {
  const how = { castWidthM: 1.5, unevenness: 0.45 }
  test('more passes leave less ground bare, the same seed gives the same pattern', () => {
    const bare = [1, 2, 3].map((passes) => simulatePattern(1.2, 120, how, passes, 4).bareShare)
    expect(bare[0]).toBeGreaterThan(bare[1])
    expect(bare[1]).toBeGreaterThan(bare[2])
    expect(simulatePattern(1.2, 120, how, 2, 4)).toEqual(simulatePattern(1.2, 120, how, 2, 4))
  })
  test('an even hand leaves less bare than an uneven one', () => {
    const uneven = simulatePattern(1.2, 120, how, 2, 7)
    const even = simulatePattern(1.2, 120, { ...how, unevenness: 0.1 }, 2, 7)
    expect(even.variation).toBeLessThan(uneven.variation)
    expect(even.bareShare).toBeLessThan(uneven.bareShare)
  })
})

describe('ring check', () => {
  test('a count near what was expected corrects nothing; a clear one does', () => {
    const fair = ringVerdict({ speciesId: 'oats', expected: 30, counts: [27, 33, 31] }, 0.3)
    expect(fair.ok && fair.value.correction).toBeNull()
    const thick = ringVerdict({ speciesId: 'oats', expected: 30, counts: [47, 44, 52] }, 0.3)
    if (!thick.ok) throw new Error('refused')
    expect(thick.value.ratio.low).toBeGreaterThan(1)
    expect(thick.value.correction!).toBeLessThan(1)
  })
  test('the correction conserves seed: done part and rest together come to what was weighed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 1.4, noNaN: true }),
        fc.double({ min: 0.05, max: 0.5, noNaN: true }),
        (rate, done) => {
          const factor = correctionFor(rate, done)
          const total = rate * done + factor * (1 - done)
          if (factor > 0.5 && factor < 2) expect(total).toBeCloseTo(1, 9)
        },
      ),
    )
  })
  test('nothing expected and half seeds are refused with the fix', () => {
    expect(ringVerdict({ speciesId: 'oats', expected: 0, counts: [3] }, 0)).toMatchObject({
      ok: false,
      problems: [{ path: 'expected' }],
    })
    expect(ringVerdict({ speciesId: 'oats', expected: 9, counts: [3.5] }, 0)).toMatchObject({
      ok: false,
      problems: [{ path: 'counts' }],
    })
    expect(ringAreaM2(0.3)).toBeCloseTo(0.0707, 4)
  })
})

describe('lots', () => {
  test('germination: an own test stands, a label ages, age alone is the widest', () => {
    const tested = germinationOf(
      lot({ test: { date: '2026-02-01', seeds: 50, sprouted: 40 } }),
      'Poaceae',
      2026,
    )
    expect(tested.from).toBe('test')
    expect(tested.mid).toBeCloseTo(41 / 52, 6)
    const label = germinationOf(lot(), 'Poaceae', 2028)
    expect(label.mid).toBeCloseTo(0.9 * 0.92 ** 3, 6)
    const bare = germinationOf(lot({ labelGermination: null }), 'Poaceae', 2028)
    expect(bare.high - bare.low).toBeGreaterThan(label.high - label.low)
    expect(pureLiveSeed(0.98, 0.9)).toBeCloseTo(0.882, 9)
  })
  test('what is drawn is taken from the oldest first, and what is short is told; nothing is made or lost', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 900 }), { maxLength: 5 }),
        fc.integer({ min: 1, max: 3000 }),
        (left, grams) => {
          const lots = left.map((leftGrams, i) => lot({ id: `l${i}`, year: 2030 - i, leftGrams }))
          const { lots: changed, short } = drawDown(lots, 'cereal-rye', grams)
          const before = left.reduce((sum, value) => sum + value, 0)
          const after = lots.reduce(
            (sum, entry) => sum + (changed.find((other) => other.id === entry.id) ?? entry).leftGrams,
            0,
          )
          expect(before - after + short).toBeCloseTo(grams, 6)
          expect(after).toBeGreaterThanOrEqual(0)
        },
      ),
    )
    const { lots: taken } = drawDown(
      [lot({ id: 'new', year: 2026 }), lot({ id: 'old', year: 2023, leftGrams: 100 })],
      'cereal-rye',
      250,
    )
    expect(taken.map((entry) => [entry.id, entry.leftGrams])).toEqual([
      ['old', 0],
      ['new', 4850],
    ])
  })
  test('bad lots are refused by field', () => {
    const problem = (extra: Partial<SeedLot>) => seedLot.safeParse(lot(extra)).error?.issues[0]
    expect(problem({ boughtGrams: 0 })?.message).toMatch(/^Weight bought/)
    expect(problem({ purity: 0 })?.message).toMatch(/^Purity/)
    expect(problem({ test: { date: '2026-02-01', seeds: 20, sprouted: 30 } })?.message).toMatch(
      /More seeds sprouted/,
    )
    expect(problem({})).toBeUndefined()
  })
})

describe('shopping', () => {
  const packs: Pack[] = [
    {
      id: 'small',
      label: '100 g rye',
      grams: 100,
      price: 3,
      contents: [{ speciesId: 'rye', weightShare: 1 }],
      available: null,
    },
    {
      id: 'big',
      label: '1 kg rye',
      grams: 1000,
      price: 11,
      contents: [{ speciesId: 'rye', weightShare: 1 }],
      available: 2,
    },
    {
      id: 'mix',
      label: 'mix',
      grams: 500,
      price: 8,
      contents: [
        { speciesId: 'rye', weightShare: 0.6 },
        { speciesId: 'vetch', weightShare: 0.4 },
      ],
      available: null,
    },
    {
      id: 'vetch',
      label: '250 g vetch',
      grams: 250,
      price: 5,
      contents: [{ speciesId: 'vetch', weightShare: 1 }],
      available: null,
    },
  ]
  /** Tries every count up to six of each pack. */
  function bruteForce(needs: Record<string, number>): number {
    let best = Infinity
    const counts = [0, 0, 0, 0]
    const walk = (i: number) => {
      if (i < packs.length) {
        for (counts[i] = 0; counts[i] <= Math.min(6, packs[i].available ?? 6); counts[i]++) walk(i + 1)
        counts[i] = 0
        return
      }
      const has = (species: string) =>
        packs.reduce(
          (sum, pack, k) =>
            sum +
            counts[k] *
              pack.grams *
              (pack.contents.find((component) => component.speciesId === species)?.weightShare ?? 0),
          0,
        )
      if (Object.entries(needs).every(([species, grams]) => has(species) >= grams - 1e-9))
        best = Math.min(
          best,
          packs.reduce((sum, pack, k) => sum + counts[k] * pack.price, 0),
        )
    }
    walk(0)
    return best
  }
  test('the cheapest basket is as cheap as trying all of them', () => {
    const cases: Record<string, number>[] = [
      { rye: 350 },
      { rye: 900, vetch: 120 },
      { vetch: 610 },
      { rye: 1650, vetch: 300 },
    ]
    for (const needs of cases) expect(cheapestPacks(needs, packs)!.cost).toBeCloseTo(bruteForce(needs), 6)
  })
  test('it covers the needs; nothing needed costs nothing; what cannot be had is said', () => {
    const basket = cheapestPacks({ rye: 900, vetch: 120 }, packs)!
    for (const left of Object.values(basket.leftGrams)) expect(left).toBeGreaterThanOrEqual(-1e-6)
    expect(cheapestPacks({ rye: 0 }, packs)).toEqual({ packs: [], cost: 0, leftGrams: {} })
    expect(cheapestPacks({ flax: 10 }, packs)).toBeNull()
  })
  test('a packet, a spreader, a counted blend', () => {
    expect(packetSowsM2(50, 12.5)).toBe(4)
    expect(spreaderRate(300, 20, 3)).toBe(5)
    const blend = blendFromCounts([
      { speciesId: 'rye', seeds: 100, thousandSeedG: 28 },
      { speciesId: 'clover', seeds: 400, thousandSeedG: 3.8 },
    ])
    expect(blend[0].weightShare.mid).toBeCloseTo(2.8 / (2.8 + 1.52), 6)
    expect(blend.reduce((sum, component) => sum + component.weightShare.mid, 0)).toBeCloseTo(1, 9)
    const more = blendFromCounts([
      { speciesId: 'rye', seeds: 1000, thousandSeedG: 28 },
      { speciesId: 'clover', seeds: 4000, thousandSeedG: 3.8 },
    ])
    const width = (component: (typeof blend)[number]) =>
      component.weightShare.high - component.weightShare.low
    expect(width(more[0])).toBeLessThan(width(blend[0]) / 2.5)
  })
})

describe('water and days', () => {
  const from = dayNumber('2026-04-01')
  const weather = generatedEnsemble(TEST_SITES.netherlands, from - 40, 420, 30, 2)
  test('autumn days keep seed moist more often than June days, and ask for less water', () => {
    const [june] = rankSowingDays(weather, 'loam', dayNumber('2026-06-15'), 1)
    const [october] = rankSowingDays(weather, 'loam', dayNumber('2026-10-10'), 1)
    expect(october.moistChance).toBeGreaterThan(june.moistChance)
    expect(october.needMm.p50).toBeLessThan(june.needMm.p50)
  })
  test('days outside the weather are not judged', () => {
    expect(rankSowingDays(weather, 'loam', from - 39, 3)).toEqual([])
  })
  test('water in litres and cans; a sprinkler by its cups', () => {
    expect(litresFor(8, 14)).toBe(112)
    expect(cansFor(112, 10)).toBe(12)
    const sprinkler = sprinklerFrom([4, 6, 5, 5], 30)!
    expect(sprinkler.mmPerHour).toBeCloseTo(10, 9)
    expect(sprinkler.evenness).toBeCloseTo(0.9, 9)
    expect(sprinklerFrom([4, 6], 30)).toBeNull()
    expect(sprinklerFrom([0, 0, 0], 30)).toBeNull()
  })
  test('a longer hose gives less, a short one what the tap gives', () => {
    expect(hoseLitresPerMinute(1)).toBe(20)
    // By the equation with 20 m of head to lose over 50 m of half-inch hose.
    expect(hoseLitresPerMinute(50)).toBeGreaterThan(12)
    expect(hoseLitresPerMinute(50)).toBeLessThan(16)
    expect(hoseLitresPerMinute(100)).toBeCloseTo(hoseLitresPerMinute(50) * 0.5 ** (1 / 1.852), 6)
  })
})

describe('sowing again', () => {
  test('grams for the thin part make up what is missing and nothing more', () => {
    expect(resowGrams(10, 14, 0.5, 0.4)).toBeCloseTo(10 * 14 * 0.5 * 0.6, 9)
    expect(resowGrams(10, 14, 0.5, 1.2)).toBe(0)
  })
})

describe('inverses', () => {
  test('purity and germination: half as much alive asks for twice the grams', () => {
    const recipe = (germination: number) => {
      const outcome = sowingRecipe({
        areaM2: 100,
        covering: 'raked',
        passes: 2,
        scaleStepG: 0.001,
        components: [{ speciesId: 'oats', share: 1, germination }],
      })
      if (!outcome.ok) throw new Error('refused')
      return outcome.value.totalGrams
    }
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        (germination, purity) => {
          expect(recipe(pureLiveSeed(purity, germination)) * purity).toBeCloseTo(recipe(germination), 1)
        },
      ),
    )
  })
  test('units go there and back to what is shown', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 5000, noNaN: true }), (value) => {
        expect((value / GRAMS_PER_OUNCE) * GRAMS_PER_OUNCE).toBeCloseTo(value, 9)
        expect((value / METRES_PER_FOOT) * METRES_PER_FOOT).toBeCloseTo(value, 9)
        expect(gramsPerM2(value) * 10).toBeCloseTo(value, 9)
        expect(poundsPerAcre(value) / poundsPerAcre(1)).toBeCloseTo(value, 6)
        expect(ouncesPer1000SquareFeet(value) / ouncesPer1000SquareFeet(1)).toBeCloseTo(value, 6)
      }),
    )
  })
})

describe('pacer', () => {
  const stretches = [
    { pass: 0, stretch: 0, casts: 4 },
    { pass: 0, stretch: 1, casts: 4 },
    { pass: 1, stretch: 0, casts: 2 },
  ]
  const cues = cuesOf(stretches, 1.5)
  test('casts come evenly, each stretch ends with its casts, rests lie between', () => {
    expect(cues.filter((cue) => cue.kind === 'cast')).toHaveLength(10)
    expect(cues.map((cue) => cue.kind).filter((kind) => kind !== 'cast')).toEqual(['stretch', 'pass', 'end'])
    expect(cues[5].atMs - cues[4].atMs).toBe(STRETCH_REST_MS)
    expect(cues.at(-1)!.atMs).toBe(10 * 1500 + STRETCH_REST_MS + PASS_REST_MS)
  })
  test('told by the clock it does not drift over ten minutes of uneven ticks, pauses included', () => {
    const long = cuesOf([{ pass: 0, stretch: 0, casts: 500 }], 1.2)
    let now = 1000
    let clock = started(STOPPED, now)
    let worst = 0
    let last = -1
    let pausedMs = 0
    for (let i = 0; now < 1000 + 600_000 + pausedMs; i++) {
      now += 16 + ((i * 7919) % 23)
      if (i === 5000) {
        clock = paused(clock, now)
        now += 8000
        pausedMs += 8000
        clock = started(clock, now)
      }
      const at = cueAt(long, elapsed(clock, now))
      if (at > last) {
        worst = Math.max(worst, elapsed(clock, now) - long[at].atMs)
        last = at
      }
    }
    expect(last).toBeGreaterThan(490)
    expect(worst).toBeLessThan(50)
  })
})
