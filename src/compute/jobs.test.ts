import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../core/foundations/day'
import { scenarioOf } from '../core/scenario/fromGarden'
import type { StandCase } from '../core/season/cases'
import { asItStands, beforeOn, standCaseOf } from '../core/season/standCase'
import { aliveShareOn, bandOn } from '../core/season/standForecast'
import { testRecord } from '../core/testing/weather'
import { marlpitLane } from '../demo/marlpitLane'
import { weatherSpecOf } from '../state/season'
import { finish, isSteps } from '../core/foundations/steps'
import { jobs as inSteps, type Jobs } from './jobs'
import { records } from './grown'
import { readWeatherFile } from './weatherFile'
import type { Answer, JobKind } from './protocol'

type AtOnce = { [K in Exclude<JobKind, 'readWeatherFile'>]: (...args: Parameters<Jobs[K]>) => Answer<K> }
/** The jobs, each done at one go. */
const jobs = Object.fromEntries(
  Object.entries(inSteps).map(([kind, job]) => [
    kind,
    (...args: unknown[]) => {
      const result = (job as (...all: unknown[]) => unknown)(...args)
      return isSteps(result) ? finish(result) : result
    },
  ]),
) as unknown as AtOnce

describe('jobs on the demo garden', () => {
  const data = marlpitLane()
  const today = dayNumber('2026-04-20')
  const spec = { ...weatherSpecOf(data, today), members: 16 }
  const standCase = standCaseOf(data, data.stands[0])!

  test('forecast, comparison and gates answer for the first bed', () => {
    const forecast = jobs.forecast(spec, standCase)!
    expect(forecast.stages.find((stage) => stage.bbch === 61)!.date.chance).toBeGreaterThan(0.9)
    const scenario = scenarioOf(data, data.stands[0], today)!
    const told: number[] = []
    const { options, best } = jobs.compare(spec, scenario, { startDay: null }, (_share, soFar) =>
      told.push(soFar?.options.length ?? 0),
    )
    expect(told).toEqual(options.map((_, i) => i + 1))
    expect(options.filter(({ latestSafeDay }) => latestSafeDay !== null).length).toBeGreaterThan(3)
    expect(best!.chance).toBeGreaterThan(0.5)
    const { outcome, after } = jobs.evaluate(spec, scenario)!
    expect(outcome.criteria.map(({ detail }) => detail.id)).toEqual([
      'ground',
      'established',
      'dead',
      'wait',
      'tie-up',
      'soil',
      'frost',
    ])
    expect(after!.mulchG.p50).toBeGreaterThan(100)
  })
  test('a stand’s forecast, picture and plan are the same before and after all its endings were looked at', () => {
    for (const stand of data.stands.slice(0, 12)) {
      const own = standCaseOf(data, stand)
      const scenario = own && scenarioOf(data, stand, today)
      if (!scenario) continue
      const told = () => [jobs.forecast(spec, own), jobs.portrait(spec, own), jobs.evaluate(spec, scenario)]
      const before = told()
      jobs.compare(spec, scenario, { startDay: null })
      expect(told()).toEqual(before)
    }
  })
  test('the outlook of the weeks is the same for the same weather', () => {
    expect(jobs.outlook(spec, today, 4)).toEqual(jobs.outlook(spec, today, 4))
    expect(jobs.outlook(spec, today, 4)).toHaveLength(4)
  })
  test('two questions that overtake each other while the weather is made make it once, and are answered as if alone', () => {
    const other = { ...spec, seed: spec.seed + 1, members: 90 }
    const alone = jobs.outlook(other, today, 4)
    const fresh = { ...other, seed: spec.seed + 2 }
    const [first, second] = [
      inSteps.outlook(fresh, today, 4),
      inSteps.outlook({ ...fresh, members: 30 }, today, 4),
    ]
    const ended: unknown[] = []
    const left = new Set([first, second])
    let steps = 0
    while (left.size > 0)
      for (const asked of left) {
        steps++
        const step = asked.next()
        if (!step.done) continue
        left.delete(asked)
        ended.push(step.value)
      }
    const again = inSteps.outlook(fresh, today, 4)
    let more = 0
    while (!again.next().done) more++
    expect(more).toBe(0)
    expect(steps).toBeLessThan(20)
    expect(ended).toEqual([jobs.outlook({ ...fresh, members: 30 }, today, 4), jobs.outlook(fresh, today, 4)])
    expect(ended[1]).not.toEqual(alone)
  })
  test('a question that is left while the weather is made spoils it for nobody', () => {
    const fresh = { ...spec, seed: spec.seed + 3, members: 90 }
    const given = inSteps.outlook(fresh, today, 4)
    given.next()
    given.next()
    given.return([])
    const found = jobs.outlook(fresh, today, 4)
    for (const [i, seed] of [4, 5, 6, 7].entries())
      jobs.outlook({ ...fresh, seed: spec.seed + seed }, today, 4 + i)
    expect(jobs.outlook(fresh, today, 4)).toEqual(found)
  })
  test('what is to be ended or cut today and is not yet, still stands today, and no loss is told', () => {
    const day = isoDate(today)
    const end = { date: day, method: 'turn' as const, passes: 2, note: '' }
    const withEnd = (date: string): StandCase => ({
      ...standCase,
      stand: { ...standCase.stand, end: { plan: { ...end, date }, actual: null } },
    })
    const stands = jobs.forecast(spec, {
      ...standCase,
      stand: { ...standCase.stand, end: { plan: null, actual: null } },
    })!
    const due = jobs.forecast(spec, withEnd(day))!
    for (const name of ['cover', 'massG', 'heightM'] as const)
      expect(bandOn(due[name], today)).toEqual(bandOn(stands[name], today))
    expect(bandOn(stands.cover, today)!.p50).toBeGreaterThan(0.05)
    expect(aliveShareOn(due, today)).toBeCloseTo(aliveShareOn(stands, today), 6)
    // A day later it is down; what it comes to is told by the day it is planned for.
    expect(bandOn(due.heightM, today + 1)!.p50).toBeLessThan(0.6 * bandOn(stands.heightM, today)!.p50)
    const evaluated = jobs.forecast(spec, withEnd(isoDate(today + 1)))!
    expect(due.ended!.p50).toBeLessThan(evaluated.ended!.p50)
    const drawn = jobs.portrait(spec, asItStands(withEnd(day), today))!
    expect(drawn.cover.p50[today - drawn.startDay]).toBeCloseTo(bandOn(stands.cover, today)!.p50, 1)
  })
  test('observed days change the forecast; a record that never arrived is said', () => {
    const { days } = testRecord(spec.site, 3, spec.startDay, today)
    const colder = days.map((day) => ({ ...day, tMinC: day.tMinC! - 3, tMaxC: day.tMaxC! - 3 }))
    records.keep('mild', { days, forecast: [] })
    records.keep('cold', { days: colder, forecast: [] })
    const cold = jobs.forecast({ ...spec, recordKey: 'cold' }, standCase)!
    const usual = jobs.forecast({ ...spec, recordKey: 'mild' }, standCase)!
    const flower = (forecast: typeof cold) =>
      forecast.stages.find((stage) => stage.bbch === 61)!.date.quantiles!.p50
    expect(flower(cold)).toBeGreaterThan(flower(usual))
    expect(() => jobs.outlook({ ...spec, recordKey: 'never' }, today, 1)).toThrow(/did not reach/)
  })
  test('a file of days is read in pieces, with progress, whatever marks its start', async () => {
    const rows = Array.from(
      { length: 40 },
      (_, i) =>
        `2024-0${1 + Math.floor(i / 28)}-${String((i % 28) + 1).padStart(2, '0')};${i % 7};${10 + (i % 7)};0,5`,
    )
    const shares: number[] = []
    const reading = await readWeatherFile(
      new Blob([`\uFEFFday;low;high;rain\n# a note\n${rows.join('\n')}\n`]),
      {
        headerRows: 1,
        date: { column: 0, form: 'iso' },
        columns: { tMinC: 1, tMaxC: 2, rainMm: 3 },
        temperature: 'c',
        rain: 'mm',
      },
      (share) => shares.push(share),
    )
    expect(reading.days).toHaveLength(40)
    expect(reading.problems).toEqual([])
    expect(reading.days[3]).toMatchObject({ tMinC: 3, tMaxC: 13, rainMm: 0.5 })
    expect(shares.at(-1)).toBe(1)
  })
  test('sowing days, windows, casts and a plant’s year answer', () => {
    const sowings = jobs.sowingDays(spec, 'loam', today, 5)
    expect(sowings.map((entry) => entry.day)).toEqual([0, 1, 2, 3, 4].map((ahead) => today + ahead))
    const planned = data.stands.find(({ content, start }) => content.kind === 'cover' && !start.actual)
    const scenario = planned && scenarioOf(data, planned, today)
    if (scenario)
      expect(jobs.sowingOutlook(spec, scenario, [today + 40]).map(({ day }) => day)).toEqual([today + 40])
    expect(
      jobs.castPattern(1.2, 200, { castWidthM: 1.5, unevenness: 0.45 }).map((entry) => entry.passes),
    ).toEqual([1, 2, 3])
    expect(jobs.plantYear(spec, 'moss', [today])).toEqual([])
    expect(jobs.plantYear(spec, 'oats', [today])[0].covered.chance).toBeGreaterThan(0.8)
  })
  test('the ground of a bed is told where its past is known', () => {
    const bed = data.beds.find(({ id }) =>
      data.stands.some((stand) => stand.bedId === id && stand.start.actual),
    )!
    const summary = jobs.ground(spec, beforeOn(data, bed, { kind: 'whole' }, today, null), bed, today)!
    expect(summary.mineralG.p10).toBeGreaterThan(0)
    expect(summary.waterShare.p90).toBeLessThanOrEqual(1)
    expect(jobs.ground(spec, [], bed, today)).toBeNull()
  })
  test('crops have no forecast', () => {
    const crop = data.stands.find((stand) => stand.content.kind === 'crop')!
    expect(jobs.forecast(spec, standCaseOf(data, crop)!)).toBeNull()
    expect(jobs.compare(spec, scenarioOf(data, crop, today)!, { startDay: null }).options).toEqual([])
  })
})
