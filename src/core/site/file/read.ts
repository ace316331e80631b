import { isoDate } from '../../foundations/day'
import type { ObservedDay } from '../../garden/weatherDays'
import { DAY_LIMITS, type DayValue } from '../../garden/dayLimits'
import { gapsBetween, type Gap } from '../record'
import { dayFrom, numberIn, segmentsAlike, type Mapping, type RainUnit, type TemperatureUnit } from './cells'

export type RowProblem = { row: number; column: string; kind: ProblemKind; message: string }
type ProblemKind = 'date' | 'number' | 'range' | 'reversed' | 'duplicate'

export type FileReading = {
  rows: number
  days: ObservedDay[]
  /** The first problems, by row; `counts` has how many there are of each kind. */
  problems: RowProblem[]
  counts: Partial<Record<ProblemKind, number>>
  gaps: Gap[]
  /** What concerns the file as a whole, with what to do about it. */
  advice: { kind: 'empty' | 'fahrenheit' | 'reversed' | 'hourly' | 'nothing'; message: string }[]
}

/** Row problems kept for showing. */
const PROBLEMS_KEPT = 100
const cellText = (cells: readonly string[], column: number) => (cells[column] ?? '').trim()

const toCelsius: Record<TemperatureUnit, (value: number) => number> = {
  c: (value) => value,
  f: (value) => (value - 32) / 1.8,
  c10: (value) => value / 10,
}
const toMm: Record<RainUnit, (value: number) => number> = {
  mm: (value) => value,
  in: (value) => value * 25.4,
  cm: (value) => value * 10,
  mm10: (value) => value / 10,
}
const tenth = (value: number) => Math.round(value * 10) / 10

/** Reads rows one by one by a mapping; `finish` says what was found. Row numbers count from 1 as an editor shows them. */
export function fileReader(mapping: Mapping, header: readonly string[] = []) {
  const found = new Map<number, { day: ObservedDay; row: number }>()
  const problems: RowProblem[] = []
  const counts: FileReading['counts'] = {}
  let rows = 0
  let reversed = 0
  let hot = 0
  let compared = 0

  const columnName = (column: number) => header[column]?.trim() || `column ${column + 1}`
  const report = (row: number, column: string, kind: ProblemKind, message: string) => {
    counts[kind] = (counts[kind] ?? 0) + 1
    if (problems.length < PROBLEMS_KEPT)
      problems.push({ row, column, kind, message: `Row ${row}, ${column}: ${message}.` })
  }

  function dayOf(cells: readonly string[], row: number): number | null {
    const { date } = mapping
    const one = 'column' in date
    const text = one
      ? cellText(cells, date.column)
      : [date.year, date.month, date.day].map((column) => cellText(cells, column)).join('-')
    const result = dayFrom(one ? segmentsAlike(text, date.form) : text.split('-').map(Number), text)
    if (typeof result === 'number') return result
    report(row, one ? columnName(date.column) : 'date', 'date', result)
    return null
  }

  function valueOf(cells: readonly string[], value: DayValue, row: number): number | null | undefined {
    const column = mapping.columns[value]
    if (column === null) return null
    const text = cellText(cells, column)
    const number = numberIn(text)
    if (number === null) return null
    if (Number.isNaN(number)) {
      report(row, columnName(column), 'number', `“${text}” is not a number`)
      return undefined
    }
    const si = tenth(value === 'rainMm' ? toMm[mapping.rain](number) : toCelsius[mapping.temperature](number))
    const { low, high, unit, name } = DAY_LIMITS[value]
    if (si >= low && si <= high) return si
    if (value !== 'rainMm' && si > high) hot++
    report(
      row,
      columnName(column),
      'range',
      `${name.toLowerCase()} of ${si} ${unit} is not between ${low} and ${high}; the unit may be another one`,
    )
    return undefined
  }

  return {
    row(cells: readonly string[], row: number): void {
      if (cells.every((text) => text.trim() === '')) return
      rows++
      const day = dayOf(cells, row)
      const tMinC = valueOf(cells, 'tMinC', row)
      const tMaxC = valueOf(cells, 'tMaxC', row)
      const rainMm = valueOf(cells, 'rainMm', row)
      if (day === null || tMinC === undefined || tMaxC === undefined || rainMm === undefined) return
      if (tMinC !== null && tMaxC !== null) {
        compared++
        if (tMinC > tMaxC) {
          reversed++
          report(
            row,
            columnName(mapping.columns.tMinC!),
            'reversed',
            `the low (${tMinC} °C) is above the high (${tMaxC} °C)`,
          )
          return
        }
      }
      if (tMinC === null && tMaxC === null && rainMm === null) return
      const before = found.get(day)
      if (before) {
        report(
          row,
          'date',
          'duplicate',
          `${isoDate(day)} was already in row ${before.row}; the first one is kept`,
        )
        return
      }
      found.set(day, { day: { day, tMinC, tMaxC, rainMm, source: 'imported' }, row })
    },
    finish(): FileReading {
      const days = [...found.values()].map((entry) => entry.day).sort((a, b) => a.day - b.day)
      const gaps = days.length > 0 ? gapsBetween(days, days[0].day, days[days.length - 1].day + 1) : []
      const advice: FileReading['advice'] = []
      if (rows === 0)
        advice.push({
          kind: 'empty',
          message: 'The file has no rows of days. Choose a file with one row for each day.',
        })
      if (hot > Math.max(3, rows * 0.05) && mapping.temperature !== 'f')
        advice.push({
          kind: 'fahrenheit',
          message: `${hot} days are hotter than any on record. If the file is in °F or tenths of °C, say so above.`,
        })
      if (compared > 0 && reversed > compared / 2)
        advice.push({
          kind: 'reversed',
          message: `In ${reversed} of ${compared} rows the low is above the high: the two columns look reversed. Swap them.`,
        })
      if ((counts.duplicate ?? 0) > rows / 2)
        advice.push({
          kind: 'hourly',
          message:
            'Most rows repeat a day that was there already, as hourly files do. Export daily lows, highs and rain, then choose that file.',
        })
      if (rows > 0 && days.length === 0 && advice.length === 0)
        advice.push({
          kind: 'nothing',
          message: 'No row could be read. Look at the columns and the date form above.',
        })
      return { rows, days, problems, counts, gaps, advice }
    },
  }
}

/** The mapping with low and high exchanged. */
export const swapped = (mapping: Mapping): Mapping => ({
  ...mapping,
  columns: { ...mapping.columns, tMinC: mapping.columns.tMaxC, tMaxC: mapping.columns.tMinC },
})
