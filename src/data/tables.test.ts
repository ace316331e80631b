import { expect, test } from '@jest/globals'
import { parse } from 'csv-parse/sync'
import { emptyYear } from '../core/garden/weatherDays'
import { marlpitLane } from '../demo/marlpitLane'
import { csvOf, tablesOf } from './tables'

const demo = marlpitLane()
const year = emptyYear(demo.garden.id, 2026)
year.tMaxC[0] = 4.5
year.source[0] = 'hand'
const tables = tablesOf({ ...demo, weather: [year] })
/** A CSV by another reader than the one that writes it. */
const rowsOf = (text: string) => parse<Record<string, string>>(text, { columns: true })
const read = (name: string) => {
  const table = tables.find((one) => one.name === name)!
  const data = rowsOf(csvOf(table))
  expect(data).toHaveLength(table.rows.length)
  return data
}

const results = demo.stands.reduce(
  (sum, { followUps = [], finishings = [], outcome }) =>
    sum + followUps.length + finishings.length + (outcome ? 1 : 0),
  0,
)

test('every kind of record is a table with a row for each', () => {
  expect(tables.map(({ name, rows }) => [name, rows.length])).toEqual([
    ['beds', 14],
    ['covers-and-crops', demo.stands.length],
    ['checks', demo.checks.length],
    ['seed', demo.lots!.length],
    ['weather', 1],
    ['results', results],
  ])
})

test('numbers, dates and names come back as they are', () => {
  expect(read('beds')[0]).toMatchObject({
    bed: 'L1',
    section: 'Long field',
    length_m: '18',
    shade_share: '0',
  })
  expect(read('weather')).toEqual([
    { date: '2026-01-01', low_c: '', high_c: '4.5', rain_mm: '', source: 'hand' },
  ])
  const rye = read('covers-and-crops').find(({ what }) => what.startsWith('Cereal rye'))!
  expect(rye.start_done).toMatch(/^\d{4}-\d{2}-\d{2}$/)
  expect(
    read('results').some(({ result, standing }) => result === 'count after the end' && standing !== ''),
  ).toBe(true)
  expect(read('results').find(({ result }) => result === 'yield')?.yield_kg).toMatch(/^[\d.]+$/)
})

test('names and notes full of commas, quotes, line breaks and formulas stay text', () => {
  const nasty = ['=1+1', '+cmd', '-2', '@sum', 'a, "b"\nc', '\t=x']
  const beds = demo.beds.slice(0, nasty.length).map((bed, i) => ({ ...bed, label: nasty[i] }))
  const text = csvOf(tablesOf({ ...demo, beds })[0])
  const data = rowsOf(text)
  expect(data).toHaveLength(nasty.length)
  data.forEach(({ bed }, i) => {
    expect(bed).not.toMatch(/^[=+\-@\t\r]/)
    expect(bed.replace(/^'/, '')).toBe(nasty[i])
  })
})

test('of an empty garden the tables are empty', () =>
  expect(csvOf(tablesOf({ garden: demo.garden, beds: [], stands: [], checks: [] })[0])).toBe(''))
