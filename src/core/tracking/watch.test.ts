import { FRESH_CHECK } from '../garden/fresh'
import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { check as checkSchema, type Check } from '../garden/check'
import type { Stand } from '../garden/schema'
import { findSpecies, SPECIES } from '../plants/catalogue'
import { seedlingOf } from '../plants/seedlings'
import { stagesOf } from '../stand/stage'
import { testBed, testCover } from '../testing/beds'
import { flatBands, flatForecast } from '../testing/forecasts'
import { troublesIn, troublesOf } from './decisions'
import { outliersOf } from './outliers'
import { observationsOf, ringMean, sampleMass } from './observations'
import { sampleResult } from './sample'
import { guideOf, STAGE_GUIDE, stageMeaning, type GuideKind } from './stageGuide'

const today = dayNumber('2026-05-10')
const look = (own: Partial<Check> = {}): Check => ({
  ...FRESH_CHECK,
  id: 'c',
  gardenId: 'g',
  standId: 's',
  date: '2026-05-10',
  ...own,
})

describe('the stage guide', () => {
  test.each(Object.keys(STAGE_GUIDE) as GuideKind[])(
    '%s: every answer leads on, every question is reached',
    (kind) => {
      const questions = STAGE_GUIDE[kind]
      const reached = new Set([questions[0].id])
      for (const { answers } of questions)
        for (const { leads } of answers) if ('question' in leads) reached.add(leads.question)
      expect([...reached].sort()).toEqual(questions.map(({ id }) => id).sort())
    },
  )
  test.each(['grass', 'legume', 'broadleaf'] as const)(
    '%s: codes rise, and every named stage but one or two can be found',
    (kind) => {
      const codes = STAGE_GUIDE[kind].flatMap(({ answers }) =>
        answers.flatMap(({ leads }) => ('bbch' in leads ? [leads.bbch] : [])),
      )
      expect([...codes].sort((a, b) => a - b)).toEqual(codes)
      for (const { bbch } of stagesOf(kind)) expect(codes).toContain(bbch)
    },
  )
  test('perennials that were cut are asked about their regrowth', () => {
    expect(guideOf(findSpecies('red-clover')!, true)).toBe('regrowth')
    expect(guideOf(findSpecies('red-clover')!, false)).toBe('legume')
    expect(guideOf(findSpecies('cereal-rye')!, true)).toBe('grass')
  })
  test('boot: days to pollen lie between the dates of the forecast, and a crimp leaves most of it', () => {
    const at = (day: number) => ({ chance: 1, quantiles: { p10: day - 3, p50: day, p90: day + 3 } })
    const stages = [
      { bbch: 31, date: at(today - 20) },
      { bbch: 51, date: at(today + 8) },
      { bbch: 61, date: at(today + 16) },
    ]
    const meaning = stageMeaning(findSpecies('cereal-rye')!, 45, stages)
    // 14 of 20 steps from 31 to 51 are 19.6 of 28 days; 36 − 19.6.
    expect(meaning.daysToEnd).toBe(16)
    expect(meaning.crimpLeaves).toBeGreaterThan(0.6)
    expect(stageMeaning(findSpecies('cereal-rye')!, 65, stages).daysToEnd).toBeNull()
  })
})

describe('checks that do not fit', () => {
  const forecast = flatForecast(today - 100, {
    cover: flatBands(today - 100, 0.8, 0.72, 0.88),
    bbch: flatBands(today - 100, 45, 42, 48),
    massG: flatBands(today - 100, 400, 320, 480),
  })
  const never = () => false
  test('what fits is not questioned', () => {
    expect(outliersOf(look({ cover: 0.7, stageBbch: 51 }), forecast, [], never)).toEqual([])
  })
  test('cover, stage and mass far off are', () => {
    const odd = look({ cover: 0.2, stageBbch: 71, sample: { areaM2: 0.25, freshG: 150, dryG: 20 } })
    expect(outliersOf(odd, forecast, [], never).map(({ kind }) => kind)).toEqual(['cover', 'stage', 'mass'])
  })
  test('a stage that went back is, unless it was cut since', () => {
    const before = look({ id: 'b', date: '2026-05-01', stageBbch: 61 })
    const back = look({ stageBbch: 45 })
    expect(outliersOf(back, null, [before], never)).toMatchObject([{ kind: 'stage back', before: 61 }])
    expect(outliersOf(back, null, [before], () => true)).toEqual([])
  })
  test('cover that fell is, unless damage explains it', () => {
    const before = look({ id: 'b', date: '2026-05-01', cover: 0.9 })
    const fell = look({ cover: 0.5 })
    expect(outliersOf(fell, null, [before], never)).toMatchObject([{ kind: 'cover fell' }])
    const damage = [{ kind: 'slugs' as const, lost: 0.4, what: '', speciesId: null }]
    expect(outliersOf({ ...fell, damage }, null, [before], never)).toEqual([])
  })
})

describe('stands that ask for a decision', () => {
  const plants = (counts: number[], gapShare = 0) => ({ speciesId: null, ringM: 0.3, counts, gapShare })
  test('thin, lost and weedy, each from the newest look at it', () => {
    const checks = [
      look({ id: 'a', plants: plants([4, 5, 3]) }),
      look({ id: 'b', damage: [{ kind: 'frost', lost: 0.5, what: '', speciesId: null }] }),
      look({ id: 'c', cover: 0.5, weeds: { cover: 0.3, which: [] } }),
    ]
    expect(troublesIn(checks, 200, 0, today).map(({ kind }) => kind)).toEqual(['thin', 'losses', 'weeds'])
  })
  test('a full stand, few losses and few weeds ask for none', () => {
    const checks = [
      look({
        plants: plants([14, 15, 13]),
        damage: [{ kind: 'birds', lost: 0.1, what: '', speciesId: null }],
      }),
      look({ id: 'w', cover: 0.8, weeds: { cover: 0.05, which: ['chickweed'] } }),
    ]
    expect(troublesIn(checks, 200, 0, today)).toEqual([])
  })
  test('losses by the forecast ask until somebody has looked', () => {
    expect(troublesIn([], 200, 0, today, 0.4)).toMatchObject([{ kind: 'losses', checkId: null }])
    expect(troublesIn([], 200, 0, today, 0.9)).toEqual([])
    const seen = look({ damage: [{ kind: 'frost', lost: 0.1, what: '', speciesId: null }] })
    expect(troublesIn([seen], 200, 0, today, 0.4)).toEqual([])
  })
  test('counts before it should be up tell nothing', () => {
    expect(troublesIn([look({ plants: plants([0, 1]) })], 200, today + 3, today)).toEqual([])
  })
  test('once decided it is asked no more, until a newer look', () => {
    const thin = look({ id: 'a', date: '2026-05-01', plants: plants([3, 3]), decision: 'accept' })
    expect(troublesIn([thin], 200, 0, today)).toEqual([])
    expect(troublesIn([thin, look({ id: 'b', plants: plants([2, 3]) })], 200, 0, today)).toHaveLength(1)
  })
})

describe('a stand of a garden', () => {
  const rye = testCover('cereal-rye', '2025-09-20')
  const up = [{ chance: 1, quantiles: { p10: today - 200, p50: today - 198, p90: today - 195 } }]
  const winter = flatForecast(today - 300, { up, alive: [flatBands(today - 300, 0.4)] })
  const of = (stand: Stand, checks: Check[] = []) => troublesOf(stand, testBed, checks, winter, today)
  test('half lost over the winter asks for a decision; one meant to die of it, ended, or a plan does not', () => {
    expect(of(rye)).toMatchObject([{ kind: 'losses', share: expect.closeTo(0.6) }])
    const killed = { date: '2026-03-01', method: 'winter-kill' as const, passes: 1, note: '' }
    expect(of({ ...rye, end: { plan: killed, actual: null } })).toEqual([])
    expect(of({ ...rye, end: { plan: null, actual: { ...killed, method: 'chop' } } })).toEqual([])
    expect(of({ ...rye, start: { plan: rye.start.actual, actual: null } })).toEqual([])
  })
  test('checks of other stands tell nothing about it', () => {
    const weedy = look({ standId: 'other', cover: 0.5, weeds: { cover: 0.4, which: [] } })
    expect(of(rye, [weedy]).map(({ kind }) => kind)).toEqual(['losses'])
    expect(of(rye, [{ ...weedy, standId: rye.id }]).map(({ kind }) => kind)).toEqual(['losses', 'weeds'])
  })
})

describe('what was counted and weighed', () => {
  test('plants per m² of rings', () => {
    // 30 cm across is 0.0707 m²; 10.5 plants a ring are 148.5 per m².
    expect(ringMean([10, 11], 0.3).perM2).toBeCloseTo(148.5, 1)
    expect(ringMean([10, 11, 9, 10], 0.3).error).toBeLessThan(ringMean([10, 11], 0.3).error)
  })
  test('a dried sample over the ground, and one that still dries', () => {
    expect(sampleResult({ areaM2: 0.25, freshG: 500, dryG: 100 }, 0.03)).toEqual({
      massG: 400,
      errorG: 80,
      dryShare: 0.2,
      nitrogenG: 12,
    })
    expect(sampleMass({ areaM2: 0.25, freshG: 500, dryG: null })).toEqual({ massG: 360, error: 0.35 })
  })
  test('weeds are taken off the green, gaps off the plants; what is set aside tells nothing', () => {
    const seen = look({
      cover: 0.7,
      weeds: { cover: 0.2, which: [] },
      plants: { speciesId: 'oats', ringM: 0.3, counts: [10], gapShare: 0.5 },
    })
    const [told] = observationsOf('s', [seen], ['field-pea', 'oats'])
    expect(told.cover).toBeCloseTo(0.5)
    expect(told.plants).toMatchObject({ component: 1, perM2: expect.closeTo(70.7, 0) })
    expect(observationsOf('s', [{ ...seen, setAside: true }], [])).toEqual([])
  })
  test('a dry weight above the fresh one is refused with the fix', () => {
    const swapped = checkSchema.safeParse(look({ sample: { areaM2: 0.25, freshG: 90, dryG: 500 } }))
    expect(swapped.error?.issues[0].message).toMatch(/Exchange the two/)
    expect(checkSchema.safeParse(look()).error?.issues[0].message).toMatch(/The check is empty/)
    expect(checkSchema.safeParse(look({ cover: 1.3 })).error?.issues[0].message).toMatch(/between 0 and 1/)
  })
})

test('every cover has a seedling and what it is taken for', () => {
  for (const plant of SPECIES) {
    const { own, lookalikes } = seedlingOf(plant)
    expect(own.name).not.toMatch(/weed/)
    expect(lookalikes.length).toBeGreaterThan(0)
    expect(lookalikes).not.toContain(own)
  }
})
