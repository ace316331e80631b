import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { spreadOf } from '../foundations/statistics'
import type { WeatherEnsemble } from '../site/weather'
import { growStand } from '../testing/stands'
import { testBed as bed, testTool as tool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { compareEndings, SAFE_CHANCE } from './compare'
import { END_METHODS, findMethod, methodObstacle } from './methods'
import { DEAD_SHARE, endingOf, sheetDose } from './outcome'
import { chopSurvival, crimpSurvival, tarpSurvival } from './survival'

const ALL_TOOLS = [tool('scythe'), tool('crimp board', 1.2), tool('black tarp', 2, 12)]

/** Weather of one steady mean temperature. */
function steady(meanC: number, days = 120): WeatherEnsemble {
  const flat = (value: number) => new Float64Array(days).fill(value)
  return {
    startDay: 0,
    days,
    known: new Uint8Array(days),
    daylightHours: flat(14),
    members: [
      {
        tMinC: flat(meanC - 5),
        tMaxC: flat(meanC + 5),
        rainMm: flat(0),
        radiationMjM2: flat(15),
        et0Mm: flat(3),
        soilTempC: flat(meanC),
        snowMm: flat(0),
        waterMm: flat(0),
      },
    ],
  }
}

describe('survival tables', () => {
  test('cereals: a later stage never raises crimp survival', () => {
    let last = 1
    for (let bbch = 0; bbch <= 99; bbch++) {
      const now = crimpSurvival('winter cereal', bbch)
      expect(now).toBeLessThanOrEqual(last)
      last = now
    }
    expect([39, 51, 61, 69, 75].map((bbch) => crimpSurvival('winter cereal', bbch))).toEqual(
      [0.8, 0.55, 0.15, 0.08, 0.04].map((share) => expect.closeTo(share, 9)),
    )
  })
  test('a low cut kills bolting buckwheat and leaves tillering rye', () => {
    expect(chopSurvival('buckwheat', 61)).toBeLessThan(0.05)
    expect(chopSurvival('winter cereal', 39)).toBeGreaterThan(0.8)
  })
  test('longer or warmer under a sheet never raises survival', () => {
    for (let dose = 0; dose < 900; dose += 50)
      expect(tarpSurvival('ryegrass', dose + 50, true)).toBeLessThan(tarpSurvival('ryegrass', dose, true))
    expect(tarpSurvival('winter cereal', 450, true)).toBeCloseTo(0.05, 6)
    expect(tarpSurvival('winter cereal', 450, false)).toBeGreaterThan(0.1)
  })
  test.each([
    [24, 15, 17],
    [16, 20, 24],
    [10, 28, 35],
    [4, 45, 65],
  ])('mown rye at %i °C reaches 5 %% under a sheet in %i–%i days', (meanC, low, high) => {
    const ensemble = steady(meanC)
    let days = 0
    while (tarpSurvival('winter cereal', sheetDose(ensemble, 0, 0, days), true) > 0.05) days++
    expect(days).toBeGreaterThanOrEqual(low)
    expect(days).toBeLessThanOrEqual(high)
  })
})

describe('obstacles', () => {
  const [chop, crimp, tarp] = END_METHODS
  test('a missing tool, a short tarp and kept plants are named', () => {
    expect(methodObstacle(chop, bed, [])).toMatch(/none is on your list of tools/)
    expect(methodObstacle(tarp, bed, [tool('black tarp', 2, 6)])).toMatch(
      /No tarp of yours covers 1.2 × 10 m/,
    )
    expect(
      methodObstacle(
        tarp,
        { ...bed, fixtures: [{ id: 'f', kind: 'kept plant', label: 'Rhubarb', areaM2: 1 }] },
        ALL_TOOLS,
      ),
    ).toMatch(/Kept plants/)
    expect(methodObstacle(crimp, bed, ALL_TOOLS)).toBeNull()
    expect(findMethod('harvest')).toBeNull()
  })
})

describe('comparison for rye planted into on 30 June', () => {
  const { run, ensemble } = growStand(TEST_SITES.pennsylvania, 'cereal-rye', '2025-09-25', { members: 40 })
  const target = { plantingDay: dayNumber('2026-06-30'), establishment: 'transplant' as const, waitDays: 7 }
  const options = compareEndings(run, ensemble, bed, 12, ALL_TOOLS, target, dayNumber('2026-04-20'))
  const find = (name: string) => options.find((option) => option.name === name)!

  test('crimping is hopeless before heading and safe after pollen', () => {
    const crimp = find('Crimp')
    expect(crimp.byStart.find((point) => point.day === dayNumber('2026-05-01'))!.chance).toBeLessThan(0.05)
    expect(crimp.latestSafeDay).toBeGreaterThan(dayNumber('2026-05-20'))
    expect(crimp.latestSafeDay).toBeLessThan(target.plantingDay - 10)
  })
  test('a tarp works from the first day on', () => {
    expect(find('Black tarp').byStart[0].chance).toBeGreaterThan(0.95)
  })
  test('winter-kill does not end hardy rye', () => {
    expect(find('Winter-kill').chance).toBeLessThan(0.1)
  })
  test('two chops leave fewer than one, and take longer', () => {
    expect(find('Chop and drop, twice').survivors!.mid).toBeLessThan(
      find('Chop and drop').survivors!.mid + 0.2,
    )
    expect(find('Chop and drop, twice').days!.mid).toBeGreaterThan(find('Chop and drop').days!.mid)
  })
  test('an earlier planting date never raises a chance', () => {
    const earlier = compareEndings(
      run,
      ensemble,
      bed,
      12,
      ALL_TOOLS,
      { ...target, plantingDay: target.plantingDay - 14 },
      dayNumber('2026-04-20'),
    )
    const best = (option: (typeof options)[number]) =>
      Math.max(...option.byStart.map((point) => point.chance))
    for (const option of earlier)
      expect(best(option)).toBeLessThanOrEqual(
        best(options.find((other) => other.name === option.name)!) + 1e-9,
      )
  })
  test('what is safe reaches the wanted chance', () => {
    for (const option of options)
      if (option.latestSafeDay !== null)
        expect(
          option.byStart.find((point) => point.day === option.latestSafeDay)!.chance,
        ).toBeGreaterThanOrEqual(SAFE_CHANCE)
  })
})

test('winter-kill ends oats before spring', () => {
  const { run, ensemble } = growStand(TEST_SITES.pennsylvania, 'oats', '2025-08-20', {
    members: 30,
    days: 240,
  })
  const days = Array.from(
    { length: 30 },
    (_, m) =>
      endingOf('winter-kill', run, ensemble, m, run.startDay, {
        passes: 1,
        flattened: true,
        target: DEAD_SHARE.transplant,
      }).deadDay,
  )
  const spread = spreadOf(days)!
  expect(spread.mid).toBeGreaterThan(dayNumber('2025-11-01'))
  expect(spread.mid).toBeLessThan(dayNumber('2026-03-01'))
})
