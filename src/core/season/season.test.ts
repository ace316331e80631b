import { FRESH_CHECK, FRESH_STAND } from '../garden/fresh'
import { describe, expect, test } from '@jest/globals'
import { cropContent } from '../garden/newStands'
import { dayNumber, isoDate } from '../foundations/day'
import { stand as standSchema, type Stand } from '../garden/schema'
import { testBed, testCase, testHens } from '../testing/beds'
import { firstUnknownDay } from '../site/weather'
import { NOTHING_OBSERVED } from '../site/record'
import { TEST_SITES } from '../testing/sites'
import { testRecord } from '../testing/weather'
import { quantilesOn } from '../stand/summary'
import { forecastOf } from './forecast'
import { aliveShareOn, bandOn, justBefore, stageReached } from './standForecast'
import { standRun } from '../bed/standRun'
import type { StandCase } from './cases'
import { eventsFromEnd } from './events'
import { endedRun } from './run'
import { leadComponent } from '../garden/lead'
import { EMPTY_OBSERVATION, OBSERVATION_ERROR, observationsOf } from '../tracking/observations'
import { sownSpecies } from './input'
import { ensembleOf, type WeatherSpec } from './weatherSpec'
import { placeIn } from '../stand/series'

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
const record = testRecord(spec.site, 4, today - 300, today)
const ensemble = ensembleOf(spec, record)

function cover(speciesId: string, sown: string, extra: Partial<Stand> = {}): Stand {
  const component = { speciesId, share: 1, germination: 0.9, grams: null }
  const start = {
    date: sown,
    covering: 'raked' as const,
    passes: 2,
    keptMoistDays: 0,
    sownBetween: null,
    components: [component],
    note: '',
  }
  return {
    id: `${speciesId} ${sown}`,
    gardenId: 'g',
    bedId: 'b',
    segment: { kind: 'whole' },
    ...FRESH_STAND,
    content: { kind: 'cover', components: [component], purposes: [] },
    start: { plan: null, actual: start },
    end: { plan: null, actual: null },
    ...extra,
  }
}
const caseOf = testCase
const forecast = (standCase: StandCase) => forecastOf(standCase, standRun(standCase, ensemble)!)

describe('what is sown', () => {
  test('grams weighed decide; without them the recipe does', () => {
    const stand = cover('cereal-rye', '2025-09-20')
    const [recipe] = sownSpecies(stand, testBed)
    const weighed = {
      ...stand,
      start: {
        plan: null,
        actual: {
          ...stand.start.actual!,
          components: [{ speciesId: 'cereal-rye', share: 1, germination: 0.9, grams: 100 }],
        },
      },
    }
    const [thin] = sownSpecies(weighed, testBed)
    expect(thin.seedsPerM2).toBeCloseTo((100 * 0.9) / 12 / 0.028, 0)
    expect(recipe.seedsPerM2).toBeGreaterThan(thin.seedsPerM2)
  })
  test('crops and unknown species are not run', () => {
    const crop = cover('oats', '2025-09-20', {
      content: cropContent('leek', 'transplant'),
    })
    expect(sownSpecies(crop, testBed)).toEqual([])
    expect(standRun(caseOf(crop), ensemble)).toBeNull()
    expect(standRun(caseOf(cover('moss', '2025-09-20')), ensemble)).toBeNull()
  })
  test('sowings outside the weather are not run', () => {
    expect(standRun(caseOf(cover('oats', '2020-09-20')), ensemble)).toBeNull()
  })
  test('the lead species has the largest share', () => {
    const mix = cover('oats', '2025-09-01', {
      content: {
        kind: 'cover',
        purposes: [],
        components: [
          { speciesId: 'oats', share: 0.4, germination: 1, grams: null },
          { speciesId: 'hairy-vetch', share: 0.7, germination: 1, grams: null },
        ],
      },
    })
    expect(leadComponent(mix)).toBe(1)
  })
})

describe('forecast', () => {
  const rye = cover('cereal-rye', '2025-09-20')
  const free = forecast(caseOf(rye))

  test('bands are in order and stages follow one another', () => {
    free.cover.p50.forEach((mid, i) => {
      expect(free.cover.p10[i]).toBeLessThanOrEqual(mid)
      expect(free.cover.p90[i]).toBeGreaterThanOrEqual(mid)
    })
    const dates = free.stages.flatMap((stage) => (stage.date.quantiles ? [stage.date.quantiles.p50] : []))
    expect(dates).toEqual([...dates].sort((a, b) => a - b))
  })
  test('plants are told species by species, also of a stand with no end, and a day asked for is told as it is', () => {
    expect(free.plantsPerM2).toHaveLength(1)
    expect(free.plantsPerM2[0].p50).toBeGreaterThan(50)
    const day = free.cover.startDay + 61
    const season = standRun(caseOf(rye), ensemble)!
    const exact = forecastOf(caseOf(rye), season, null, day)
    expect(bandOn(exact.massG, day)).toEqual(quantilesOn(season.run, 'massG', day))
  })
  test('values between steps lie between their neighbours; outside there are none', () => {
    const day = free.cover.startDay + 61
    const at = bandOn(free.cover, day)!
    const ends = [bandOn(free.cover, day - 1)!.p50, bandOn(free.cover, day + 2)!.p50]
    expect(at.p50).toBeGreaterThanOrEqual(Math.min(...ends) - 1e-9)
    expect(at.p50).toBeLessThanOrEqual(Math.max(...ends) + 1e-9)
    expect(bandOn(free.cover, free.cover.startDay - 1)).toBeNull()
  })
  test('a planned crimp after pollen is dead some weeks later, and residue follows', () => {
    const end = { date: '2026-06-05', method: 'crimp' as const, passes: 1, note: '' }
    const ended = forecast(
      caseOf({ ...rye, end: { plan: end, actual: null } }, { nextStartDay: dayNumber('2026-07-05') }),
    )
    expect(ended.ended!.p50 - dayNumber('2026-06-05')).toBeGreaterThan(7)
    expect(ended.ended!.p50 - dayNumber('2026-06-05')).toBeLessThan(30)
    expect(bandOn(ended.residueG, dayNumber('2026-06-10'))!.p50).toBeGreaterThan(150)
    expect(bandOn(ended.cover, dayNumber('2026-07-10'))!.p50).toBeLessThan(0.05)
  })
  test('a check narrows the date of pollen', () => {
    const pollen = (of: typeof free) => of.stages.find((stage) => stage.bbch === 61)!.date.quantiles!
    const check = {
      ...FRESH_CHECK,
      id: 'c',
      gardenId: 'g',
      standId: rye.id,
      date: '2026-04-19',
      stageBbch: Math.round(31),
      cover: null,
      heightCm: null,
      note: '',
    }
    const seen = forecast(caseOf(rye, { checks: [check] }))
    expect(pollen(seen)).not.toEqual(pollen(free))
    expect(observationsOf(rye.id, [check, { ...check, id: 'd', standId: 'other' }], ['cereal-rye'])).toEqual([
      { ...EMPTY_OBSERVATION, coverError: OBSERVATION_ERROR.cover, day: dayNumber('2026-04-19'), bbch: 31 },
    ])
  })
  test('plants seen lost are gone from that day on, unless the check is set aside', () => {
    const day = dayNumber('2026-04-19')
    const check = {
      ...FRESH_CHECK,
      id: 'c',
      gardenId: 'g',
      standId: rye.id,
      date: '2026-04-19',
      stageBbch: null,
      cover: null,
      heightCm: null,
      note: '',
      damage: [{ kind: 'slugs' as const, lost: 0.7, what: '', speciesId: null }],
    }
    const hurt = forecast(caseOf(rye, { checks: [check] }))
    expect(aliveShareOn(free, day + 6)).toBeGreaterThan(0.6)
    expect(aliveShareOn(hurt, day + 6)).toBeCloseTo(0.3, 1)
    expect(bandOn(hurt.massG, day + 6)!.p50).toBeLessThan(0.6 * bandOn(free.massG, day + 6)!.p50)
    const aside = { ...check, setAside: true }
    expect(forecast(caseOf(rye, { checks: [aside] })).massG).toEqual(free.massG)
  })
  test('a check on the day of a planned ending is set against what still stood', () => {
    const end = { date: '2026-04-20', method: 'chop' as const, passes: 1, note: '' }
    const ending = { ...rye, end: { plan: end, actual: null } }
    const check = {
      ...FRESH_CHECK,
      id: 'c',
      gardenId: 'g',
      standId: rye.id,
      date: '2026-04-20',
      stageBbch: null,
      cover: 0.9,
      heightCm: null,
      note: '',
    }
    const before = bandOn(forecast(caseOf(ending)).cover, dayNumber('2026-04-17'))!.p50
    const after = bandOn(forecast(caseOf(ending, { checks: [check] })).cover, dayNumber('2026-04-17'))!.p50
    expect(Math.abs(after - 0.9)).toBeLessThanOrEqual(Math.abs(before - 0.9) + 0.02)
  })
  test('latitude, soil fertility and shade each change what grows', () => {
    const massOn = (standCase: StandCase, weather = ensemble) =>
      quantilesOn(standRun(standCase, weather)!.run, 'massG', dayNumber('2026-05-15'))!.p50
    const base = massOn(caseOf(rye))
    expect(massOn(caseOf(rye, { bed: { ...testBed, fertility: 'low' } }))).toBeLessThan(base)
    expect(massOn(caseOf(rye, { bed: { ...testBed, shade: 0.5 } }))).toBeLessThan(base)
    const north = ensembleOf({ ...spec, site: { ...spec.site, latitude: 60 } }, record)
    expect(massOn(caseOf(rye), north)).not.toBeCloseTo(base, 0)
  })
  test('winter kills buckwheat by itself before a spring ending', () => {
    const end = { date: '2026-04-25', method: 'chop' as const, passes: 1, note: '' }
    expect(
      forecast(caseOf(cover('buckwheat', '2025-08-10', { end: { plan: end, actual: null } }))).diesAlone,
    ).toBeGreaterThan(0.95)
  })
})

test('the station is observed to today and no further', () => {
  expect(firstUnknownDay(ensemble, spec.startDay)).toBe(today)
  expect(firstUnknownDay(ensembleOf(spec, NOTHING_OBSERVED), spec.startDay)).toBe(spec.startDay)
})

test('a stand is described as it was just before a cut that is planned for that day, not after it', () => {
  const day = dayNumber('2026-05-06')
  const plan = { date: '2026-05-06', method: 'chop' as const, passes: 1, note: '' }
  const standing = cover('cereal-rye', '2025-09-20')
  const planned = { ...standing, end: { plan, actual: null } }
  const forecastFor = (stand: Stand) => {
    const standCase: StandCase = testCase(stand)
    return forecastOf(standCase, standRun(standCase, ensemble)!)
  }
  const before = justBefore(forecastFor(planned), day)!
  const uncut = justBefore(forecastFor(standing), day)!
  expect(before.heightM).toBeCloseTo(uncut.heightM, 6)
  expect(before.bbch).toBeCloseTo(uncut.bbch, 6)
  expect(bandOn(forecastFor(planned).heightM, day + 3)!.p50).toBeLessThan(0.5 * uncut.heightM)
  expect(justBefore(forecastFor(planned), dayNumber('2025-09-20'))).toBeNull()
  expect(stageReached(forecastFor(standing), 0, dayNumber('2026-06-15'))).toBeGreaterThanOrEqual(61)
  expect(stageReached(forecastFor(standing), 4, day)).toBe(0)
})

test('bands are never read across the work of a day, and a ripe stand that dies is not hurt', () => {
  const plan = { method: 'chop' as const, passes: 2, note: '' }
  const standing = cover('cereal-rye', '2025-09-20')
  const forecastFor = (stand: Stand) => {
    const standCase: StandCase = testCase(stand)
    return forecastOf(standCase, standRun(standCase, ensemble)!)
  }
  const uncut = forecastFor(standing)
  // Wherever the day lies between two steps.
  for (const date of ['2026-05-06', '2026-05-07', '2026-05-08']) {
    const day = dayNumber(date)
    const cut = forecastFor({ ...standing, end: { plan: { ...plan, date }, actual: null } })
    for (const before of [day - 2, day - 1])
      expect(bandOn(cut.cover, before)!.p50).toBeCloseTo(bandOn(uncut.cover, before)!.p50, 1)
    expect(bandOn(cut.cover, day)!.p50).toBeLessThan(0.2 * bandOn(uncut.cover, day)!.p50)
  }
  const late = uncut.stages.find(({ bbch }) => bbch === 85)!.date.quantiles!.p50 + 60
  expect(bandOn(uncut.alive[0], late)!.p50).toBeLessThan(0.5)
  expect(aliveShareOn(uncut, late)).toBe(1)
})

describe('what was done and seen after an ending', () => {
  const ended = (done: Partial<Stand['end']['actual'] & object>, own: Partial<Stand> = {}) => {
    const stand = {
      ...cover('cereal-rye', '2025-09-20'),
      end: {
        plan: null,
        actual: { date: '2026-04-20', method: 'chop' as const, passes: 1, note: '', ...done },
      },
      ...own,
    }
    const standCase: StandCase = testCase(stand)
    const run = standRun(standCase, ensemble)!
    return { run: endedRun(standCase, run), forecast: forecastOf(standCase, run) }
  }
  const aliveOn = ({ run }: ReturnType<typeof ended>, date: string) =>
    run.species[0].alive[placeIn(run, 0, dayNumber(date) - run.startDay)]
  const count = (date: string, standing: number) => ({
    id: date,
    date,
    standing,
    before: 50,
    groundM2: 1,
    note: '',
  })

  test('a count decides what the cut left, above the table or below it; later ones what is left then', () => {
    const table = aliveOn(ended({}), '2026-05-10')
    expect(aliveOn(ended({}, { followUps: [count('2026-05-04', 50)] }), '2026-05-03')).toBeGreaterThan(table)
    const pulled = ended({}, { followUps: [count('2026-05-04', 20), count('2026-05-11', 2)] })
    expect(aliveOn(pulled, '2026-05-03')).toBeCloseTo(0.4, 1)
    expect(aliveOn(pulled, '2026-05-12')).toBeCloseTo(0.04, 2)
  })
  test('a count in the first days decides nothing yet', () =>
    expect(aliveOn(ended({}, { followUps: [count('2026-04-24', 1)] }), '2026-05-10')).toBeCloseTo(
      aliveOn(ended({}), '2026-05-10'),
      9,
    ))
  test('few counted is dead by that day; many is not dead, whatever the table says', () => {
    expect(ended({}, { followUps: [count('2026-05-10', 3)] }).forecast.ended!.p50).toBeLessThanOrEqual(
      dayNumber('2026-05-10'),
    )
    expect(ended({ method: 'tarp' }, { followUps: [count('2026-05-30', 25)] }).forecast.ended).toBeNull()
  })
  test('a sheet taken off early leaves more alive, and the stand is not dead until it has ripened', () => {
    const lying = ended({ method: 'tarp' })
    const early = ended({ method: 'tarp', liftedOn: '2026-04-27' })
    expect(lying.forecast.ended).not.toBeNull()
    expect(early.forecast.ended?.p50 ?? Infinity).toBeGreaterThan(lying.forecast.ended!.p50 + 20)
    expect(aliveOn(early, '2026-05-10')).toBeGreaterThan(3 * aliveOn(lying, '2026-05-10'))
  })
})

describe('what is done to a stand', () => {
  const animals = testHens({ rounds: 2 })
  const followUps = [
    { id: 'f', date: '2026-06-20', standing: 3, before: 60, groundM2: 1, speciesId: 'cereal-rye', note: '' },
  ]
  const ends: [string, Partial<Stand>][] = [
    ['a sheet', { end: { plan: { date: '2026-05-01', method: 'tarp', passes: 1, note: '' }, actual: null } }],
    [
      'hens',
      { end: { plan: { date: '2026-05-01', method: 'hens', passes: 1, note: '', animals }, actual: null } },
    ],
    [
      'a crimp that was counted and pulled after',
      {
        end: { plan: null, actual: { date: '2026-05-20', method: 'crimp', passes: 2, note: '' } },
        followUps,
        finishings: [{ id: 'p', date: '2026-06-21', act: 'pull' }],
      },
    ],
  ]
  test.each(ends)('%s is plain data, and does the same once it was written down and read', (_, extra) => {
    const standCase = {
      ...caseOf(cover('cereal-rye', '2025-09-20', extra)),
      nextStartDay: dayNumber('2026-07-01'),
    }
    const events = eventsFromEnd(standCase)
    const read = JSON.parse(JSON.stringify(events)) as typeof events
    expect(read).toEqual(events)
    const season = standRun(standCase, ensemble)!
    const day = dayNumber('2026-04-30')
    const [first, again] = [events, read].map((list) => season.branch(day, list))
    expect(again.massG).toEqual(first.massG)
    expect(first.massG.at(-1)).toBe(0)
    expect(season.run.massG.at(-1)).toBeGreaterThan(0)
  })
})

describe('a cover of which the day of sowing is not known', () => {
  const between = { from: '2025-08-25', to: '2025-10-19' }
  const unsure = cover('cereal-rye', '2025-09-22')
  const stand = {
    ...unsure,
    start: { plan: null, actual: { ...unsure.start.actual!, sownBetween: between } },
  }
  const seenOn = (date: string, green: number, error: number) => ({
    ...FRESH_CHECK,
    id: date,
    gardenId: 'g',
    standId: stand.id,
    date,
    cover: green,
    coverBy: { kind: 'glance' as const, error },
  })
  const [first, last] = [dayNumber(between.from), dayNumber(between.to)]
  const known = forecast(caseOf(unsure))
  const wide = forecast(caseOf(stand))
  const widthOn = (of: typeof wide, date: string) => {
    const { p10, p90 } = bandOn(of.cover, dayNumber(date))!
    return p90 - p10
  }

  test('is as if each member had been sown on a day of its own among them', () => {
    const season = standRun(caseOf(stand), ensemble)!
    expect(Math.min(...season.sownOn!)).toBeGreaterThanOrEqual(first)
    expect(Math.max(...season.sownOn!)).toBeLessThanOrEqual(last)
    // A member is just what it is when sown on its day for sure.
    for (const member of [0, 7, 15]) {
      const own = cover('cereal-rye', isoDate(season.sownOn![member]))
      const sure = standRun(caseOf(own), ensemble)!.run
      const at = dayNumber('2026-01-10')
      const up = (run: typeof sure) =>
        run.startDay +
        Math.floor(
          run.species[0].bbch.findIndex((bbch, i) => i % run.members === member && bbch >= 9) / run.members,
        )
      // The soil has been followed from another day on: a day either way.
      expect(Math.abs(up(season.run) - up(sure))).toBeLessThanOrEqual(1)
      const massOf = (run: typeof sure) => run.massG[placeIn(run, member, at - run.startDay)]
      // What the soil frees meanwhile is there for those sown later.
      expect(Math.abs(Math.log(massOf(season.run) / massOf(sure)))).toBeLessThan(0.25)
    }
    expect(season.run.massG.every(Number.isFinite)).toBe(true)
    expect(known.sownOn).toBeNull()
    expect(wide.sownOn!.p90 - wide.sownOn!.p10).toBeGreaterThan(30)
    expect(widthOn(wide, '2025-11-20')).toBeGreaterThan(widthOn(known, '2025-11-20') + 0.1)
  })
  test('looks narrow the day: much green early says sown early, little says late', () => {
    const early = forecast(caseOf(stand, { checks: [seenOn('2025-10-25', 0.85, 0.12)] }))
    const late = forecast(caseOf(stand, { checks: [seenOn('2025-10-25', 0.03, 0.06)] }))
    expect(early.sownOn!.p50).toBeLessThan(wide.sownOn!.p50)
    expect(late.sownOn!.p50).toBeGreaterThan(wide.sownOn!.p50)
    for (const told of [early, late]) {
      expect(told.sownOn!.p90 - told.sownOn!.p10).toBeLessThan(wide.sownOn!.p90 - wide.sownOn!.p10)
      expect(widthOn(told, '2025-11-20')).toBeLessThan(widthOn(wide, '2025-11-20'))
    }
  })
  test('a range that ends before it begins, or is wider than a season, is refused with the fix', () => {
    const refused = (sownBetween: { from: string; to: string }) =>
      standSchema.safeParse({
        ...stand,
        start: { plan: null, actual: { ...stand.start.actual, sownBetween } },
      }).error?.issues[0].message
    expect(refused({ from: between.to, to: between.from })).toMatch(/Exchange the two/)
    expect(refused({ from: '2025-01-01', to: '2025-10-01' })).toMatch(/wider than a season/)
    expect(refused(between)).toBeUndefined()
  })
})
