import { describe, expect, test } from '@jest/globals'
import type { EndDetails } from '../../core/garden/ending'
import type { TerminationOption } from '../../core/scenario/compare'
import type { TerminationStart } from '../../core/scenario/starts'
import { testBed, testCover } from '../../core/testing/beds'
import { marlpitLane } from '../../demo/marlpitLane'
import { flatBands, flatForecast } from '../../core/testing/forecasts'
import { recordEnd, type EndingDone } from '../../actions/endStand'
import { dayNumber } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import type { StandForecast } from '../../core/season/standForecast'
import { bySafetyThenWork, shownOf, worthPlanning, type ShownMethod } from './shown'

/** A way that is begun on a day with a chance and some work. */
const shown = (name: string, chance: number, minutes: number): ShownMethod => {
  const start = { day: 40, chance, worth: chance, minutes } as TerminationStart
  const option = { method: 'chop', passes: 1, shown: start, after: null } as TerminationOption
  return { ...shownOf(option), name }
}

describe('ways in the order they are shown', () => {
  test('safe ones first, the least work on top, then the others by their chance; the hopeless are not planned', () => {
    const methods = [
      shown('hopeless', 0.01, 5),
      shown('sure, much work', 1, 90),
      shown('half', 0.5, 5),
      shown('sure, little work', 0.9, 20),
      shown('less than half', 0.3, 1),
    ]
    expect(methods.sort(bySafetyThenWork).map(({ name }) => name)).toEqual([
      'sure, little work',
      'sure, much work',
      'half',
      'less than half',
      'hopeless',
    ])
    expect(methods.filter((method) => !worthPlanning(method)).map(({ name }) => name)).toEqual(['hopeless'])
  })
})

describe('an ending as it is stored', () => {
  const done: EndingDone = {
    method: 'crimp',
    passes: 2,
    day: dayNumber('2026-05-20'),
    note: 'Even.',
    by: '  Ada ',
    minutes: 35.5,
    materials: '',
  }
  const stored = (part: Partial<EndingDone>, stand: Stand, forecast: StandForecast | null) => {
    const { writes } = recordEnd(marlpitLane(), testBed, stand, { ...done, ...part }, forecast)
    return (writes[0] as { put: Stand }).put.end.actual!
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
    stagesByComponent: [
      [
        { bbch: 51, date: { chance: 1, quantiles: { p10: 20_500, p50: 20_510, p90: 20_520 } } },
        { bbch: 65, date: { chance: 1, quantiles: { p10: 20_700, p50: 20_710, p90: 20_720 } } },
      ],
      [],
    ],
  })
  test('who, how long and the stages of every species are noted; empty fields are left out', () => {
    const actual = stored({}, mix, forecast)
    expect(actual).toMatchObject({ date: '2026-05-20', method: 'crimp', passes: 2, by: 'Ada', minutes: 35.5 })
    expect(actual).not.toHaveProperty('materials')
    // Vetch leads by its share; rye has headed by then and not yet bloomed.
    expect(actual.bbch).toBe(62)
    expect(actual.stages).toEqual({ 'cereal-rye': 51, 'hairy-vetch': 62 })
  })
  test('a plan’s animals are kept', () => {
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
    const planned = { ...mix, end: { plan, actual: null } }
    const actual = stored({ method: 'hens', passes: 1 }, planned, null)
    expect(actual).toMatchObject({ method: 'hens', passes: 1, animals: { head: 6 } })
    expect(actual).not.toHaveProperty('bbch')
  })
  test('a planned stubble is cut as planned', () => {
    const plan: EndDetails = { date: '2026-05-10', method: 'chop', passes: 1, note: '', stubbleCm: 12 }
    const planned = { ...mix, end: { plan, actual: null } }
    expect(stored({ method: 'chop' }, planned, null).stubbleCm).toBe(12)
    expect(stored({ method: 'tarp' }, planned, null)).not.toHaveProperty('stubbleCm')
  })
})
