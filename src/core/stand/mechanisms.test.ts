import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { shareOf, quantilesOf } from '../foundations/statistics'
import type { SiteClimate } from '../garden/site'
import { findSpecies } from '../plants/catalogue'
import { generatedEnsemble } from '../site/ensemble'
import { germinationMoisture } from '../site/soilWater'
import { deriveWeather, emptyMember, snowShare, sunSeries } from '../site/weather'
import { TEST_SITES } from '../testing/sites'
import { growStand, raked } from '../testing/stands'
import { coldNightFactor, growthResponse, vernalFactor, dormancyFactor } from './development'
import { ripeningFactor } from './growth'
import { crownTemperature, nightSurvival } from './hardiness'
import { keptByAge, oldestAgeCd, shootsBeginCd } from './perennial'
import { physics } from './physics'
import { heavedShare } from './weathering'
import { quantilesOn, stageDays, valuesOn } from './summary'

/** Each mechanism by itself, against what is known of it. */

const { pennsylvania, alabama, netherlands } = TEST_SITES
const rye = findSpecies('cereal-rye')!.parameters
const oats = findSpecies('oats')!.parameters

describe('snow', () => {
  /** Snow water and water that reaches the soil under days of one mean temperature and rain each. */
  function pack(days: readonly (readonly [meanC: number, rainMm: number])[]) {
    const member = emptyMember(days.length)
    days.forEach(([mean, rain], i) => {
      member.tMinC[i] = mean - 3
      member.tMaxC[i] = mean + 3
      member.rainMm[i] = rain
    })
    deriveWeather(member, pennsylvania, sunSeries(pennsylvania, dayNumber('2026-01-01'), days.length))
    return { snow: [...member.snowMm], water: [...member.waterMm] }
  }
  test('falls whole below −1 °C, by half at 1, not at all from 3 on', () => {
    expect([-5, -1, 1, 3, 9].map(snowShare)).toEqual([1, 1, 0.5, 0, 0])
  })
  test('30 mm melt at 3 mm per degree and day: 9 mm on a day of 3 °C, gone on the fourth', () => {
    const { snow, water } = pack([
      [-4, 30],
      [3, 0],
      [3, 0],
      [3, 0],
      [3, 0],
    ])
    expect(snow.map(Math.round)).toEqual([30, 21, 12, 3, 0])
    expect(water.map(Math.round)).toEqual([0, 9, 9, 9, 3])
  })
  test('rain on snow melts more than warmth alone, and all of it is accounted for', () => {
    const dry = pack([
      [-4, 40],
      [4, 0],
    ])
    const wet = pack([
      [-4, 40],
      [4, 20],
    ])
    expect(dry.snow[1] - wet.snow[1]).toBeCloseTo(20 * 4 * 0.0125)
    expect(wet.snow[1] + wet.water[1]).toBeCloseTo(60)
  })
})

test('wet days of winter are no colder than dry ones; wet days of summer are', () => {
  const startDay = dayNumber('2025-01-01')
  const { members } = generatedEnsemble(pennsylvania, startDay, 365, 60, 5)
  const means = (from: number, until: number, wet: boolean) => {
    const days = members.flatMap(({ rainMm, tMinC, tMaxC }) =>
      [...rainMm.keys()].flatMap((i) =>
        i >= from && i < until && rainMm[i] > 0 === wet ? (tMinC[i] + tMaxC[i]) / 2 : [],
      ),
    )
    return days.reduce((sum, value) => sum + value, 0) / days.length
  }
  expect(means(0, 59, true)).toBeGreaterThan(means(0, 59, false) - 0.2)
  expect(means(181, 243, true)).toBeLessThan(means(181, 243, false) - 0.2)
})

describe('the growing point in a night of −20 °C over soil at −2', () => {
  const under = (cm: number, p = rye) => crownTemperature(-20, -2, cm / 0.4, p)
  test('is warmer the deeper the snow, and close to the soil under 20 cm', () => {
    expect(under(0)).toBeLessThan(under(5) - 1.5)
    expect(under(5)).toBeLessThan(under(20) - 1)
    expect(under(20)).toBeGreaterThan(-6)
  })
  test('upright oats stand out of the snow', () => {
    expect(under(20, oats) - under(0, oats)).toBeLessThan(7)
    expect(under(20, oats)).toBeLessThan(under(20) - 6)
  })
})

test.each(['cereal-rye', 'oats', 'hairy-vetch', 'buckwheat'])(
  '%s sown as two or four portions grows as it does sown as one: a mix has no light of its own',
  (id) => {
    const plant = findSpecies(id)!
    const massOf = (portions: number) => {
      const part = raked(plant, 1 / portions)[0]
      const sown = Array.from({ length: portions }, () => part)
      const { run, sowDay } = growStand(pennsylvania, id, '2025-08-20', { members: 120, days: 90, sown })
      return quantilesOn(run, 'massG', sowDay + 70)!.p50
    }
    const one = massOf(1)
    expect(massOf(2) / one).toBeGreaterThan(0.93)
    expect(massOf(2) / one).toBeLessThan(1.07)
    expect(massOf(4) / one).toBeGreaterThan(0.92)
    expect(massOf(4) / one).toBeLessThan(1.08)
  },
)

describe('heaving', () => {
  test('a winter of freezing nights and thawing days lifts a third of what was sown late, little of what has rooted', () => {
    const winter = (massG: number) => (1 - heavedShare(-4, 4, 0, massG)) ** 60
    expect(winter(8)).toBeGreaterThan(0.45)
    expect(winter(8)).toBeLessThan(0.75)
    expect(winter(80)).toBeGreaterThan(0.97)
  })
  test('ground that stays frozen, does not freeze or lies under snow lifts nothing', () => {
    expect(heavedShare(-9, -1, 0, 5)).toBe(0)
    expect(heavedShare(1, 9, 0, 5)).toBe(0)
    expect(heavedShare(-4, 4, 20, 5)).toBe(0)
  })
})

/** Night air, °C, in which half of hardened plants on bare ground die: published, by species. */
const HALF_DIE_AT: [string, colder: number, milder: number][] = [
  ['winter-pea', -17, -14],
  ['faba-bean', -10, -8],
  ['white-lupin', -8.5, -6],
  ['turnip', -10.5, -8],
  ['subterranean-clover', -11.5, -9],
  ['red-clover', -22, -18],
  ['common-vetch', -13, -11],
]
test.each(HALF_DIE_AT)(
  'half of hardened %s on bare ground die in a night between %d and %d °C',
  (id, colder, milder) => {
    const p = findSpecies(id)!.parameters
    // In a cold spell bare soil at 5 cm falls about a quarter as deep as the night air.
    const survivalAt = (tMinC: number) =>
      nightSurvival(crownTemperature(tMinC, tMinC / 4, 0, p), p.lt50HardyC)
    // The night at which half die, to half a degree.
    expect(survivalAt(colder - 0.5)).toBeLessThan(0.5)
    expect(survivalAt(milder + 0.5)).toBeGreaterThan(0.5)
  },
)

describe('heat and cold of growth', () => {
  test('rye sown into a hot summer stays leafy, below two tonnes, and never heads', () => {
    const { run } = growStand(alabama, 'cereal-rye', '2025-06-20', { members: 60, days: 140 })
    expect(quantilesOn(run, 'massG', dayNumber('2025-08-29'))!.p50).toBeLessThan(200)
    expect(shareOf(run.members, (m) => stageDays(run, 0, 51)[m] > 0)).toBeLessThan(0.05)
  })
  test('a spring pea dies in a southern summer, and lives at the coast of the north', () => {
    const dead = (site: SiteClimate) => {
      const { run } = growStand(site, 'field-pea', '2025-05-01', { members: 60, days: 120 })
      return 1 - quantilesOf(valuesOn(run, run.species[0].alive, dayNumber('2025-07-15')))!.p50
    }
    expect(dead(alabama)).toBeGreaterThan(0.5)
    expect(dead(netherlands)).toBeLessThan(0.1)
  })
  test('a cold night takes from the next day’s growth, a mild one nothing', () => {
    expect(coldNightFactor(rye.growBaseC + physics.coldNightC, rye.growBaseC)).toBe(0)
    expect(coldNightFactor(rye.growBaseC + physics.coldNightC + 10, rye.growBaseC)).toBe(1)
    expect(growthResponse(-5, 15, rye)).toBeLessThan(growthResponse(5, 15, rye))
  })
  test('light use falls from first flower on, to what is left at soft dough', () => {
    expect(ripeningFactor(0, 500)).toBe(1)
    expect(ripeningFactor(250, 500)).toBeCloseTo((1 + physics.ripeLightUse) / 2)
    expect(ripeningFactor(900, 500)).toBeCloseTo(physics.ripeLightUse)
  })

  test('perennials rest in short days', () => {
    expect(dormancyFactor(9)).toBeCloseTo(physics.dormantGrowth)
    expect(dormancyFactor(14)).toBe(1)
    const before = (sown: string, day: string) =>
      quantilesOn(growStand(pennsylvania, 'alfalfa', sown, { members: 40 }).run, 'massG', dayNumber(day))!.p50
    expect(before('2025-08-20', '2026-04-20')).toBeLessThan(140)
  })
})

describe('stands that stay', () => {
  const alive = (id: string, sown: string, day: string) => {
    const days = dayNumber(day) - dayNumber(sown) + 2
    const { run } = growStand(pennsylvania, id, sown, { members: 20, days })
    return quantilesOf(valuesOn(run, run.species[0].alive, dayNumber(day)))!.p50
  }
  test('short days send a clover that has flowered back to its crown, and its stage with it', () => {
    const clover = findSpecies('red-clover')!
    expect(oldestAgeCd(clover, 10.5)).toBe(shootsBeginCd(clover.parameters))
    expect(oldestAgeCd(clover, 11.5)).toBe(Infinity)
    expect(oldestAgeCd(findSpecies('crimson-clover')!, 10.5)).toBe(Infinity)
    const { run } = growStand(pennsylvania, 'red-clover', '2025-04-10', { members: 20, days: 240 })
    const stage = (day: string) => quantilesOf(valuesOn(run, run.species[0].bbch, dayNumber(day)))!.p50
    expect(stage('2025-08-25')).toBeGreaterThan(65)
    expect(stage('2025-11-20')).toBeLessThan(31)
  })
  test('white clover outlasts red; a biennial dies once its seed is ripe', () => {
    expect(alive('white-clover', '2025-04-10', '2027-06-01')).toBeGreaterThan(
      alive('red-clover', '2025-04-10', '2027-06-01') + 0.1,
    )
    expect(alive('sweetclover', '2025-04-15', '2026-06-01')).toBeGreaterThan(0.5)
    expect(alive('sweetclover', '2025-04-15', '2027-06-01')).toBeLessThan(0.05)
  })
})

describe('flowering', () => {
  const flowering = (id: string, site: SiteClimate, sown: string, days: number) => {
    const { run } = growStand(site, id, sown, { members: 40, days })
    return shareOf(run.members, (m) => stageDays(run, 0, 61)[m] > 0)
  }
  test('a biennial flowers after its winter, never before', () => {
    for (const sown of ['2025-03-01', '2025-04-15', '2025-05-20'])
      expect(flowering('sweetclover', pennsylvania, sown, 200)).toBeLessThan(0.05)
    expect(flowering('sweetclover', pennsylvania, '2025-04-15', 480)).toBeGreaterThan(0.9)
  })
  test('winter cereals sown in spring mostly do not head that year; sown in autumn they do', () => {
    expect(flowering('cereal-rye', netherlands, '2025-04-20', 134)).toBeLessThan(0.2)
    expect(flowering('cereal-rye', netherlands, '2025-09-25', 300)).toBe(1)
  })
  test('a little cold does little', () => {
    expect(vernalFactor(rye.vernalDays / 2, rye)).toBeLessThan(0.3)
    expect(vernalFactor(rye.vernalDays, rye)).toBe(1)
  })
})

test('seed that lies deeper waits less for rain: under a dried surface it goes on, on it it stops', () => {
  expect(germinationMoisture(0.05, 0.7, 0.2)).toBeLessThan(0.05)
  expect(germinationMoisture(0.05, 0.7, 2.5)).toBeGreaterThan(0.8)
  const raked = growStand(pennsylvania, 'buckwheat', '2025-05-10', { members: 60, days: 60 })
  const due = quantilesOf(stageDays(raked.run, 0, 9))!.p50 - raked.sowDay
  expect(due).toBeGreaterThanOrEqual(4)
  expect(due).toBeLessThanOrEqual(12)
})

test('what thins by its years alone is told apart: a third of red clover a year, none of an annual', () => {
  expect(keptByAge(findSpecies('red-clover')!, 365)).toBeCloseTo(0.65)
  expect(keptByAge(findSpecies('cereal-rye')!, 365)).toBe(1)
  expect(keptByAge(findSpecies('annual-ryegrass')!, 730)).toBeCloseTo(0.2)
  expect(keptByAge(findSpecies('red-clover')!, -3)).toBe(1)
})
