import { describe, expect, test } from '@jest/globals'
import type { AnimalPlan } from '../ending/animals'
import { dayNumber } from '../foundations/day'
import { USUAL_RULES } from '../garden/rules'
import { ensembleOf } from '../season/weatherSpec'
import { NOTHING_OBSERVED } from '../site/record'
import { standRun, type StandCase } from '../season/run'
import { testBed, testCover, testHens, testTool } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { aftermathOf, aftermathOn, weeksHeld, type Aftermath } from './aftermath'
import { cutting, dryStarts } from './cutting'
import { cutOutcomeOn, growsBack } from './growsBack'
import { moving } from './moving'
import { compareWays } from './ways'

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
const caseOf = (speciesId: string, sownOn: string): StandCase => ({
  bed: testBed,
  stand: testCover(speciesId, sownOn),
  upper: null,
  checks: [],
  nextStartDay: null,
})
const ryeCase = caseOf('cereal-rye', '2025-09-25')
const vetchCase = caseOf('hairy-vetch', '2025-09-20')
const rye = standRun(ryeCase, ensemble, false)!
const vetch = standRun(vetchCase, ensemble, false)!
const target = { plantingDay: dayNumber('2026-06-15'), establishment: 'transplant' as const, waitDays: 7 }
const tools = (['scythe', 'hand shears', 'wheelbarrow', 'spade or fork'] as const).map((kind) =>
  testTool(kind),
)
const end = (method: 'chop' | 'bury' | 'pull' | 'turn') => ({ method, passes: 1 })
const may20 = dayNumber('2026-05-20')

describe('what a way leaves', () => {
  test('a chop leaves mulch, burial none on top but more nitrogen sooner, pulling neither', () => {
    const [chopped, buried, pulled] = (['chop', 'bury', 'pull'] as const).map((method) =>
      aftermathOf(vetch, vetchCase, end(method), may20, target.plantingDay),
    )
    expect(chopped.mulchG).toBeGreaterThan(100)
    expect(buried.mulchG).toBeLessThan(0.2 * chopped.mulchG)
    expect(buried.nitrogen4G + buried.nitrogen10G).toBeGreaterThan(0)
    expect(pulled.nitrogen10G).toBeLessThan(0.35 * chopped.nitrogen10G)
    expect(pulled.mulchG).toBeLessThan(0.2 * chopped.mulchG)
  })
  test('mass and nitrogen that were buried or carried off are still accounted for', () => {
    for (const method of ['bury', 'pull'] as const) {
      const share = method === 'bury' ? { buried: 1 } : { removed: 0.95 }
      const run = vetch.again([{ day: may20, kind: 'end', topLeft: 0.03, ...share, survival: () => 0.05 }])
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
    const brought = standRun({ ...vetchCase, brought: [load] }, ensemble, false)!.run
    const at = may20 - brought.startDay
    expect(brought.residueG[at] - vetch.run.residueG[at]).toBeGreaterThan(280)
    expect(brought.residueG[at + 60] - vetch.run.residueG[at + 60]).toBeLessThan(250)
    const { massIn, massOut, nitrogenIn, nitrogenOut } = brought.accounts
    expect(Math.abs(massIn[0] - massOut[0])).toBeLessThan(1e-6 * massIn[0])
    expect(Math.abs(nitrogenIn[0] - nitrogenOut[0])).toBeLessThan(1e-6 * nitrogenIn[0])
  })
  test('between two starts everything is straight; beyond them the nearest holds', () => {
    const at = (day: number, mulchG: number): Aftermath => ({
      day,
      mulchG,
      holdsWeeks: 0,
      nitrogen4G: 0,
      nitrogen10G: 0,
      standing: 0,
    })
    const points = [at(10, 100), at(20, 200)]
    expect(aftermathOn(points, 15)!.mulchG).toBe(150)
    expect(aftermathOn(points, 0)!.mulchG).toBe(100)
    expect(aftermathOn(points, 99)!.mulchG).toBe(200)
    expect(aftermathOn([], 5)).toBeNull()
  })
  test('a heavier mulch never holds weeds for less long', () => {
    const late = aftermathOf(rye, ryeCase, end('chop'), dayNumber('2026-05-28'), target.plantingDay)
    const early = aftermathOf(rye, ryeCase, end('chop'), today, target.plantingDay)
    expect(late.mulchG).toBeGreaterThan(early.mulchG)
    expect(late.holdsWeeks).toBeGreaterThanOrEqual(early.holdsWeeks)
    expect(weeksHeld(rye.run, rye.run.startDay)).toBe(0)
  })
})

/** Rye cut once at the ground. */
const question = {
  standCase: ryeCase,
  target,
  tools,
  method: 'chop' as const,
  passes: 1 as const,
  heightM: 0,
}

describe('it keeps growing back', () => {
  const points = growsBack(question, rye, today)
  test('rye cut at pollen stands again far less than rye cut early, and wants less finishing', () => {
    const [early, late] = [points[0], points.at(-3)!]
    expect(early.stems.mid).toBeGreaterThan(3 * late.stems.mid)
    expect(early.finishMinutes).toBeGreaterThan(late.finishMinutes)
    expect(late.mulchG).toBeGreaterThan(early.mulchG)
  })
  test('a second cut never leaves more stems, and takes twice the time', () => {
    const twice = growsBack({ ...question, passes: 2 }, rye, today)
    twice.forEach((point, i) => {
      expect(point.stems.mid).toBeLessThanOrEqual(points[i].stems.mid + 1e-6)
      expect(point.cutMinutes).toBeCloseTo(2 * points[i].cutMinutes, 9)
    })
  })
  test('a crimp before heading leaves more than one in milk, and wants a board', () => {
    const crimp = { ...question, method: 'crimp' as const, tools: [testTool('crimp board', 1.2)] }
    const pressed = growsBack(crimp, rye, today)
    const [early, milk] = [pressed[0], pressed.find((point) => point.bbch[0] >= 75)!]
    expect(early.bbch[0]).toBeLessThan(51)
    expect(early.stems.mid).toBeGreaterThan(5 * milk.stems.mid)
    expect(milk).toMatchObject({ tool: 'crimp board', cutMinutes: expect.closeTo(6, 9) })
    expect(growsBack({ ...crimp, tools }, rye, today).every(({ tool }) => tool === null)).toBe(true)
  })
  test('higher stubble never leaves fewer stems on the same date', () => {
    const high = growsBack({ ...question, heightM: 0.2 }, rye, today)
    high.forEach((point, i) => expect(point.stems.mid).toBeGreaterThanOrEqual(points[i].stems.mid - 1e-6))
  })
  test('without a cutting tool nothing is planted in time; with none left to try the list is empty', () => {
    expect(
      growsBack({ ...question, tools: [] }, rye, today).every(
        (point) => point.tool === null && point.chance === 0,
      ),
    ).toBe(true)
    expect(growsBack({ ...question, target: { ...target, plantingDay: today } }, rye, today)).toEqual([])
  })
})

test('a date between two that were run lies between them', () => {
  const [a, b] = growsBack(question, rye, today)
  const middle = cutOutcomeOn([a, b], (a.day + b.day) / 2)
  expect(middle.stems.mid).toBeCloseTo((a.stems.mid + b.stems.mid) / 2, 9)
  expect(middle.chance).toBeCloseTo((a.chance + b.chance) / 2, 9)
  expect(cutOutcomeOn([a, b], a.day - 9)).toEqual(a)
  expect(cutOutcomeOn([a, b], b.day + 9)).toEqual(b)
})

describe('cuts that are not endings', () => {
  const cut = { date: '2026-05-01', heightCm: 8, groundShare: 1, fate: 'carried off' as const }
  const day = dayNumber(cut.date)
  test('what is carried off is what the stand lost; it grows again from what is left', () => {
    const answer = cutting(rye, ryeCase, cut, day)
    expect(answer.takenG.mid).toBeGreaterThan(50)
    expect(answer.massKg).toBeCloseTo((answer.takenG.mid * 12) / 1000, 6)
    const [after] = answer.regrowth
    expect(after.after[2].massG).toBeGreaterThan(after.after[0].massG)
    expect(after.after[0].massG).toBeLessThan(after.uncutG)
  })
  test('half the ground takes about half; a higher cut takes less', () => {
    const whole = cutting(rye, ryeCase, cut, day).takenG.mid
    expect(cutting(rye, ryeCase, { ...cut, groundShare: 0.5 }, day).takenG.mid).toBeLessThan(0.7 * whole)
    expect(cutting(rye, ryeCase, { ...cut, heightCm: 30 }, day).takenG.mid).toBeLessThan(whole)
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
          fact: {
            date: '2025-09-20',
            covering: 'raked',
            passes: 2,
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
    const season = standRun(mix, ensemble, false)!
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
        standCase: vetchCase,
        method: 'hens',
        plan: testHens({ restDays: 10, ...own }),
        startDay: today,
        target,
      },
      vetch,
    )
  test('each round finds less than stood before, growth between rounds is simulated, feed is brought for the rest', () => {
    const answer = ask({})
    expect(answer.stops).toHaveLength(10)
    expect(answer.rounds[1].standing.mid).toBeLessThan(answer.rounds[0].standing.mid)
    expect(answer.eatenKg + answer.feedKg).toBeCloseTo(4 * 20 * 0.115, 6)
    expect(answer.animalDaysM2).toBeCloseTo((8 / 2.4) * 2, 9)
  })
  test('a slower last round leaves fewer, ends later, and wants its grain', () => {
    const [usual, slow] = [ask({}), ask({ lastDaysPerStop: 4 })]
    expect(slow.survivors!.mid).toBeLessThan(usual.survivors!.mid)
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
        expect(answer.finish.mid).toBeLessThanOrEqual(finish)
        finish = answer.finish.mid
      }
      chance = answer.chance
    }
  })
})

describe('every way compared', () => {
  test('each comes once, told one by one; those that can be done have starts and what they leave', () => {
    const told: number[] = []
    const ways = compareWays(
      { standCase: vetchCase, target, tools, livestock: [], rules: USUAL_RULES, own: {} },
      vetch,
      today,
      (share, soFar) => told.push(soFar.length) && expect(share).toBeLessThanOrEqual(1),
    )
    expect(told).toEqual(ways.map((_, i) => i + 1))
    expect(new Set(ways.map(({ judged }) => judged.name)).size).toBe(ways.length)
    const chop = ways.find(({ judged }) => judged.name === 'Chop and drop')!
    expect(chop.judged.byStart.length).toBeGreaterThan(10)
    expect(chop.after.length).toBeGreaterThanOrEqual(4)
    expect(ways.find(({ judged }) => judged.method === 'hens')!.judged.obstacle).toMatch(/Needs hens/)
  })
})
