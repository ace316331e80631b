import { describe, expect, test } from '@jest/globals'
import type { EndDetails } from '../../core/garden/ending'
import type { JudgedWay } from '../../core/ending/weigh'
import { testCover } from '../../core/testing/beds'
import { flatBands, flatForecast } from '../../core/testing/forecasts'
import type { Aftermath } from '../../core/weighing/aftermath'
import { endFact, type EndForm } from './form'
import { bySafetyThenWork, shownOf } from './shown'

const target = { plantingDay: 100, establishment: 'transplant' as const, waitDays: 7 }

/** A way whose every start kills in `takes` days in a share of the members. */
function judged(name: string, takes: number, share: number, minutes: number): JudgedWay {
  const reached = Math.round(share * 10)
  return {
    method: 'chop',
    passes: 1,
    name,
    obstacle: null,
    leftOut: null,
    ranks: 10,
    settleDays: 0,
    disturbance: 0,
    manureAfterDays: null,
    needs: [],
    byStart: [40, 50, 60, 70, 80, 90].map((day) => ({
      day,
      dead: Array.from({ length: reached }, (_, i) => day + takes + i / 10),
      deadFree: null,
      survivors: { low: 0, mid: 0.05, high: 0.1 },
      minutes,
      flies: null,
    })),
  }
}
const after = (day: number): Aftermath => ({
  day,
  mulchG: day,
  holdsWeeks: 0,
  nitrogen4G: 0,
  nitrogen10G: 0,
  standing: 0,
})
const shown = (way: JudgedWay, start: number | null = null) =>
  shownOf({ judged: way, after: [after(40), after(90)] }, target, start)

describe('ways in the order they are shown', () => {
  test('safe ones first, the least work on top, then the others by their chance', () => {
    const ways = [
      shown(judged('late and sure', 60, 1, 5)),
      shown(judged('sure, much work', 10, 1, 90)),
      shown(judged('half', 10, 0.5, 5)),
      shown(judged('sure, little work', 10, 1, 20)),
      shown(judged('less than half', 10, 0.3, 1)),
    ]
    expect(ways.sort(bySafetyThenWork).map(({ option }) => option.name)).toEqual([
      'sure, little work',
      'sure, much work',
      'half',
      'less than half',
      'late and sure',
    ])
  })
  test('each at its latest safe start, with what it leaves then; or at the start asked for', () => {
    const way = judged('way', 10, 1, 20)
    expect(shown(way).option.bestStartDay).toBe(80)
    expect(shown(way).after!.mulchG).toBeCloseTo(80, 9)
    expect(shown(way, 52).option.bestStartDay).toBe(50)
    expect(shown(way, 52).option.days!.mid).toBeCloseTo(10.45, 1)
    expect(shown(judged('never', 90, 1, 5)).after).toBeNull()
  })
})

describe('an ending as it is stored', () => {
  const form: EndForm = {
    plantingDate: '2026-06-20',
    establishment: 'transplant',
    startDate: '',
    doneOn: '2026-05-20',
    method: 'crimp',
    passes: 2,
    note: 'Even.',
    by: '  Ada ',
    minutes: '35,5',
    materials: '',
  }
  const components = ['cereal-rye', 'hairy-vetch'].map((speciesId, i) => ({
    speciesId,
    share: i === 0 ? 0.4 : 0.7,
    germination: 0.9,
    grams: null,
  }))
  const mix = testCover('cereal-rye', '2025-09-20', { content: { kind: 'cover', components, purposes: [] } })
  const forecast = flatForecast(20_000, {
    bbch: flatBands(20_000, 62),
    stagesByPart: [
      [
        { bbch: 51, date: { chance: 1, spread: { low: 20_500, mid: 20_510, high: 20_520 } } },
        { bbch: 65, date: { chance: 1, spread: { low: 20_700, mid: 20_710, high: 20_720 } } },
      ],
      [],
    ],
  })
  test('who, how long and the stages of every species are noted; empty fields are left out', () => {
    const fact = endFact(form, 'crimp', mix, {}, forecast)
    expect(fact).toMatchObject({ date: '2026-05-20', method: 'crimp', passes: 2, by: 'Ada', minutes: 35.5 })
    expect(fact).not.toHaveProperty('materials')
    // Vetch leads by its share; rye has headed by then and not yet bloomed.
    expect(fact.bbch).toBe(62)
    expect(fact.stages).toEqual({ 'cereal-rye': 51, 'hairy-vetch': 62 })
  })
  test('another way than the one filled in is done once, and a plan’s animals are kept', () => {
    const animals = {
      kind: 'hens' as const,
      head: 6,
      penLengthM: 2,
      penWidthM: 1,
      daysPerStop: 3,
      rounds: 2,
      restDays: 4,
    }
    const plan: EndDetails = { date: '2026-05-10', method: 'hens', passes: 1, note: '', animals }
    const planned = { ...mix, end: { plan, fact: null } }
    const fact = endFact(form, 'hens', planned, { animals: { ...animals, head: 2 } }, null)
    expect(fact).toMatchObject({ method: 'hens', passes: 1, animals: { head: 6 } })
    expect(fact).not.toHaveProperty('bbch')
  })
})
