import { placeIn } from '../stand/series'
import { describe, expect, test } from '@jest/globals'
import type { AnimalPlan } from '../garden/ending'
import { dayNumber } from '../foundations/day'
import { ensembleOf } from '../season/weatherSpec'
import { NOTHING_OBSERVED } from '../site/record'
import { standRun } from '../bed/standRun'
import type { StandCase } from '../season/cases'
import { testCase, testCover, testHens, testTool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { HOLDING_G, mulchDepthM } from '../residue/mulch'
import { aftermathOf, chipsToHoldUntil, toHoldUntil, weeksHeld } from './after'
import { compareTerminations } from './compare'
import { evaluateWith } from './evaluate'
import { wayOf } from '../testing/comparison'
import type { Scenario } from './types'
import { BARE_FACTS, testMeans } from '../testing/questions'
import { cutting, dryStarts } from './cutting'
import { cutOutcomeOn, regrowth } from './regrowth'
import { moving } from './moving'

const today = dayNumber('2026-04-25')
const ensemble = ensembleOf(
  {
    site: TEST_SITES.maryland,
    recordKey: '',
    today,
    startDay: dayNumber('2025-08-01'),
    days: 460,
    members: 12,
    seed: 5,
  },
  NOTHING_OBSERVED,
)
const caseOf = (speciesId: string, sownOn: string): StandCase => testCase(testCover(speciesId, sownOn))
const ryeCase = caseOf('cereal-rye', '2025-09-25')
const vetchCase = caseOf('hairy-vetch', '2025-09-20')
const rye = standRun(ryeCase, ensemble)!
const vetch = standRun(vetchCase, ensemble)!
const plantingDay = dayNumber('2026-06-15')
const tools = (['scythe', 'hand shears', 'wheelbarrow', 'spade or fork'] as const).map((kind) =>
  testTool(kind),
)
/** A plan for a stand, dead by a day, with ordinary tools. */
const planOf = (standCase: StandCase, by = plantingDay, owned = tools): Scenario => ({
  standCase,
  follows: { kind: 'deadline', day: by, establishment: 'transplant' },
  means: testMeans({ tools: owned }),
  ground: BARE_FACTS,
  today,
})
const leftBy = (season: typeof rye, standCase: StandCase, method: 'chop' | 'bury' | 'pull', date: string) => {
  const plan = planOf(standCase)
  return aftermathOf(plan, evaluateWith(plan, season, { date, method, passes: 1, note: '' }))!
}
const may20 = dayNumber('2026-05-20')

describe('what a way leaves', () => {
  test('a chop leaves mulch, burial none on top but more nitrogen sooner, pulling neither', () => {
    const [chopped, buried, pulled] = (['chop', 'bury', 'pull'] as const).map((method) =>
      leftBy(vetch, vetchCase, method, '2026-05-20'),
    )
    expect(chopped.mulchG.p50).toBeGreaterThan(100)
    expect(buried.mulchG.p50).toBeLessThan(0.2 * chopped.mulchG.p50)
    expect(buried.nitrogen4.p50 + buried.nitrogen10.p50).toBeGreaterThan(0)
    expect(pulled.nitrogen10.p50).toBeLessThan(0.35 * chopped.nitrogen10.p50)
    expect(pulled.mulchG.p50).toBeLessThan(0.2 * chopped.mulchG.p50)
  })
  test('mass and nitrogen that were buried or carried off are still accounted for', () => {
    for (const method of ['bury', 'pull'] as const) {
      const share = method === 'bury' ? { buried: 1 } : { removed: 0.95 }
      const run = vetch.again([
        { day: may20, kind: 'end', topLeft: 0.03, ...share, fate: { by: 'share', share: 0.05 } },
      ])
      for (let m = 0; m < run.members; m++) {
        const { massIn, massOut, nitrogenIn, nitrogenOut } = run.accounts
        expect(Math.abs(massIn[m] - massOut[m])).toBeLessThan(1e-6 * Math.max(1, massIn[m]))
        expect(Math.abs(nitrogenIn[m] - nitrogenOut[m])).toBeLessThan(1e-6 * Math.max(1, nitrogenIn[m]))
      }
      const off = run.carriedOff.massG[0]
      if (method === 'pull') expect(off).toBeGreaterThan(50)
      else expect(off).toBe(0)
    }
  })
  test('mulch brought from elsewhere lies on the bed, rots there, and is accounted for', () => {
    const load = { day: may20, massG: 300, nitrogenG: 6 }
    const brought = standRun({ ...vetchCase, brought: [load] }, ensemble)!.run
    const at = placeIn(brought, 0, may20 - brought.startDay)
    const later = placeIn(brought, 0, may20 + 60 - brought.startDay)
    expect(brought.residueG[at] - vetch.run.residueG[at]).toBeGreaterThan(280)
    expect(brought.residueG[later] - vetch.run.residueG[later]).toBeLessThan(250)
    const { massIn, massOut, nitrogenIn, nitrogenOut } = brought.accounts
    expect(Math.abs(massIn[0] - massOut[0])).toBeLessThan(1e-6 * massIn[0])
    expect(Math.abs(nitrogenIn[0] - nitrogenOut[0])).toBeLessThan(1e-6 * nitrogenIn[0])
  })
  test('a heavier mulch never holds weeds for less long', () => {
    const late = leftBy(rye, ryeCase, 'chop', '2026-05-28')
    const early = leftBy(rye, ryeCase, 'chop', '2026-04-25')
    expect(late.mulchG.p50).toBeGreaterThan(early.mulchG.p50)
    expect(late.holdsWeeks.p50).toBeGreaterThanOrEqual(early.holdsWeeks.p50)
    expect(late.holdsWeeks.p10).toBeLessThanOrEqual(late.holdsWeeks.p90)
    // Unaided it is weeks, not a season; more holds longer, and what is to be added grows with the weeks asked for.
    expect(late.holdsWeeks.p90).toBeLessThan(12)
    expect(toHoldUntil(late, 12)).toBeGreaterThan(toHoldUntil(late, 6))
    // Chips make up for what is gone by then, and no more than a whole mulch of them.
    expect(chipsToHoldUntil(late, 12)).toBeGreaterThan(chipsToHoldUntil(late, 6))
    expect(chipsToHoldUntil({ ...late, mulchG: { p10: 0, p50: 0, p90: 0 } }, 12)).toBe(mulchDepthM(HOLDING_G))
    expect(chipsToHoldUntil({ ...late, mulchG: { p10: 9e3, p50: 9e3, p90: 9e3 } }, 2)).toBe(0)
    expect(toHoldUntil(early, 6)).toBeGreaterThan(toHoldUntil(late, 6))
    expect(weeksHeld(rye.run, rye.run.startDay).p90).toBe(0)
  })
})

/** Rye cut once at the ground. */
const question = {
  scenario: planOf(ryeCase),
  method: 'chop' as const,
  passes: 1 as const,
  heightM: 0,
}

describe('it keeps growing back', () => {
  const points = regrowth(question, ensemble)
  test('rye cut at pollen stands again far less than rye cut early, and wants less finishing', () => {
    const [early, late] = [points[0], points.at(-3)!]
    expect(early.stems.p50).toBeGreaterThan(3 * late.stems.p50)
    expect(early.finishMinutes).toBeGreaterThan(late.finishMinutes)
    expect(late.mulchG).toBeGreaterThan(early.mulchG)
  })
  test('a second cut never leaves more stems, and takes twice the time', () => {
    const twice = regrowth({ ...question, passes: 2 }, ensemble)
    twice.forEach((point, i) => {
      expect(point.stems.p50).toBeLessThanOrEqual(points[i].stems.p50 + 1e-6)
      expect(point.cutMinutes).toBeCloseTo(2 * points[i].cutMinutes, 9)
    })
  })
  test('a crimp before heading leaves more than one in milk, and wants a board', () => {
    const crimp = {
      ...question,
      method: 'crimp' as const,
      scenario: planOf(ryeCase, plantingDay, [testTool('crimp board', 1.2)]),
    }
    const pressed = regrowth(crimp, ensemble)
    const [early, milk] = [pressed[0], pressed.find((point) => point.bbch[0] >= 75)!]
    expect(early.bbch[0]).toBeLessThan(55)
    expect(early.stems.p50).toBeGreaterThan(5 * milk.stems.p50)
    expect(milk).toMatchObject({ tool: 'crimp board', cutMinutes: expect.closeTo(6 + 2, 9) })
    expect(
      regrowth({ ...crimp, scenario: planOf(ryeCase) }, ensemble).every(({ tool }) => tool === null),
    ).toBe(true)
  })
  test('higher stubble never leaves fewer stems on the same date', () => {
    const high = regrowth({ ...question, heightM: 0.2 }, ensemble)
    high.forEach((point, i) => expect(point.stems.p50).toBeGreaterThanOrEqual(points[i].stems.p50 - 1e-6))
  })
  test('without a cutting tool nothing is planted in time; with none left to try the list is empty', () => {
    expect(
      regrowth({ ...question, scenario: planOf(ryeCase, plantingDay, []) }, ensemble).every(
        (point) => point.tool === null && point.chance === 0,
      ),
    ).toBe(true)
    expect(regrowth({ ...question, scenario: planOf(ryeCase, today) }, ensemble)).toEqual([])
  })
})

test('a date between two that were run lies between them', () => {
  const [a, b] = regrowth(question, ensemble)
  const middle = cutOutcomeOn([a, b], (a.day + b.day) / 2)
  expect(middle.stems.p50).toBeCloseTo((a.stems.p50 + b.stems.p50) / 2, 9)
  expect(middle.chance).toBeCloseTo((a.chance + b.chance) / 2, 9)
  expect(cutOutcomeOn([a, b], a.day - 9)).toEqual(a)
  expect(cutOutcomeOn([a, b], b.day + 9)).toEqual(b)
})

describe('cuts that are not endings', () => {
  const cut = { date: '2026-05-01', heightCm: 8, groundShare: 1, fate: 'carried off' as const }
  const day = dayNumber(cut.date)
  test('what is carried off is what the stand lost; it grows again from what is left', () => {
    const answer = cutting(rye, ryeCase, cut, day)
    expect(answer.takenG.p50).toBeGreaterThan(50)
    expect(answer.massKg).toBeCloseTo((answer.takenG.p50 * 12) / 1000, 6)
    const [after] = answer.regrowth
    expect(after.after[2].massG).toBeGreaterThan(after.after[0].massG)
    expect(after.after[0].massG).toBeLessThan(after.uncutG)
  })
  test('half the ground takes about half; a higher cut takes less', () => {
    const whole = cutting(rye, ryeCase, cut, day).takenG.p50
    expect(cutting(rye, ryeCase, { ...cut, groundShare: 0.5 }, day).takenG.p50).toBeLessThan(0.7 * whole)
    expect(cutting(rye, ryeCase, { ...cut, heightCm: 30 }, day).takenG.p50).toBeLessThan(whole)
  })
  test('one partner of a mix is cut, the other goes on', () => {
    const mix: StandCase = {
      ...ryeCase,
      stand: testCover('cereal-rye', '2025-09-20', {
        content: {
          kind: 'cover',
          purposes: [],
          components: ['cereal-rye', 'hairy-vetch'].map((speciesId) => ({
            speciesId,
            share: 0.5,
            germination: 0.9,
            grams: null,
          })),
        },
        start: {
          plan: null,
          actual: {
            date: '2025-09-20',
            covering: 'raked',
            passes: 2,
            keptMoistDays: 0,
            sownBetween: null,
            note: '',
            components: ['cereal-rye', 'hairy-vetch'].map((speciesId) => ({
              speciesId,
              share: 0.5,
              germination: 0.9,
              grams: null,
            })),
          },
        },
      }),
    }
    const season = standRun(mix, ensemble)!
    const answer = cutting(
      season,
      mix,
      { ...cut, heightCm: 3, speciesId: 'cereal-rye' },
      dayNumber('2026-05-18'),
    )
    const [ryeAfter, vetchAfter] = answer.regrowth
    expect(ryeAfter.after[0].alive).toBeLessThan(0.7)
    expect(vetchAfter.after[0].alive).toBeGreaterThan(0.95)
  })
  test('dry days in a row: the chance of four falls with every wet member', () => {
    const starts = dryStarts(ensemble, today + 20)
    expect(starts).toHaveLength(14)
    for (const { chance } of starts) {
      expect(chance).toBeGreaterThanOrEqual(0)
      expect(chance).toBeLessThanOrEqual(1)
    }
    const wet = {
      ...ensemble,
      members: ensemble.members.map((m) => ({ ...m, rainMm: new Float64Array(460).fill(4) })),
    }
    expect(dryStarts(wet, today).every(({ chance }) => chance === 0)).toBe(true)
  })
})

describe('animals over a plot', () => {
  const ask = (own: Partial<AnimalPlan>) =>
    moving(
      {
        scenario: planOf(vetchCase),
        method: 'hens',
        plan: testHens({ restDays: 10, ...own }),
        startDay: today,
      },
      ensemble,
    )!
  test('each round finds less than stood before, growth between rounds is simulated, feed is brought for the rest', () => {
    const answer = ask({})
    expect(answer.stops).toHaveLength(10)
    expect(answer.rounds[1].standing.p50).toBeLessThan(answer.rounds[0].standing.p50)
    expect(answer.eatenKg + answer.feedKg).toBeCloseTo(4 * 20 * 0.115, 6)
    expect(answer.animalDaysM2).toBeCloseTo((8 / 2.4) * 2, 9)
  })
  test('a slower last round leaves fewer, ends later, and wants its grain', () => {
    const [usual, slow] = [ask({}), ask({ lastDaysPerStop: 4 })]
    expect(slow.survivors!.p50).toBeLessThan(usual.survivors!.p50)
    expect(slow.rounds[1].endDay).toBe(usual.rounds[1].endDay + 10)
    expect(slow.rounds[1].eatenKg).toBeGreaterThan(usual.rounds[1].eatenKg)
    expect(slow.grainKg).toBeCloseTo(2 * usual.grainKg, 9)
    expect(slow.animalDaysM2).toBeCloseTo((4 * 2 + 4 * 4) / 2.4, 9)
  })
  test('more birds never give a lower chance nor a later finish', () => {
    let chance = 0
    let finish = Infinity
    for (const head of [2, 4, 8]) {
      const answer = ask({ head })
      expect(answer.chance).toBeGreaterThanOrEqual(chance)
      if (answer.finish) {
        expect(answer.finish.p50).toBeLessThanOrEqual(finish)
        finish = answer.finish.p50
      }
      chance = answer.chance
    }
  })
})

describe('every way compared', () => {
  test('each comes once, told one by one; those that can be done have starts and what they leave', () => {
    const told: number[] = []
    const methods = compareTerminations(planOf(vetchCase), vetch, { startDay: null }, (share, soFar) => {
      told.push(soFar.length)
      expect(share).toBeLessThanOrEqual(1)
    })
    expect(told).toEqual(methods.map((_, i) => i + 1))
    expect(new Set(methods.map(({ method, passes }) => `${method} ${passes}`)).size).toBe(methods.length)
    const chop = wayOf(methods, 'chop')
    expect(chop.starts.length).toBeGreaterThan(6)
    expect(chop.after!.mulchG.p50).toBeGreaterThan(0)
    expect(wayOf(methods, 'hens').obstacle).toEqual({ code: 'no animals', wanted: 'hens' })
  })
})
