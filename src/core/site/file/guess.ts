import { DAY_VALUES, type DayValue } from '../../garden/dayLimits'
import { dayFrom, MISSING, numberIn, segmentsAlike, type DateForm, type Mapping } from './cells'

const NAMES: Record<DayValue, RegExp> = {
  tMinC: /(^|[^a-z])(t[ _-]?min|min|tn|tnk|low|lowest)/i,
  tMaxC: /(^|[^a-z])(t[ _-]?max|max|tx|txk|high|highest)/i,
  rainMm: /rain|prec|prcp|pcp|rsk|^rr$|niederschlag|pluie/i,
}

const share = (texts: readonly string[], test: (text: string) => boolean) => {
  const given = texts.filter((text) => !MISSING.has(text.trim().toLowerCase()))
  return given.length === 0 ? 0 : given.filter(test).length / given.length
}

function guessForm(texts: readonly string[]): DateForm | null {
  const fits = (form: DateForm) =>
    share(texts, (text) => typeof dayFrom(segmentsAlike(text, form), text) === 'number')
  const [best] = (['iso', 'dayFirst', 'monthFirst'] as const)
    .map((form) => ({ form, fit: fits(form) }))
    .sort((a, b) => b.fit - a.fit)
  return best.fit >= 0.6 ? best.form : null
}

/** What the columns of a table's first rows seem to be; null when no column looks like a date. */
export function guessMapping(sample: readonly (readonly string[])[]): Mapping | null {
  const width = Math.max(0, ...sample.map((row) => row.length))
  const isData = (row: readonly string[]) =>
    row.some((text) => /\d/.test(text)) &&
    row.filter((text) => Number.isFinite(numberIn(text) ?? 0)).length * 2 >= row.length - 1
  const firstData = sample.findIndex(isData)
  if (firstData < 0) return null
  const header = firstData > 0 ? sample[firstData - 1] : []
  const rows = sample.slice(firstData)
  const columnTexts = (column: number) => rows.map((row) => row[column] ?? '')
  const named = (pattern: RegExp) => header.findIndex((text) => pattern.test(text.trim()))

  let date: Mapping['date'] | null = null
  for (let column = 0; column < width && !date; column++) {
    const form = guessForm(columnTexts(column))
    if (form) date = { column, form }
  }
  const [year, month, day] = [
    named(/^y(ear|r)?$|jahr/i),
    named(/^m(onth|o)?$|monat/i),
    named(/^d(ay)?$|tag/i),
  ]
  if (!date && year >= 0 && month >= 0 && day >= 0) date = { year, month, day }
  if (!date) return null

  const taken = new Set('column' in date ? [date.column] : [date.year, date.month, date.day])
  const columns = { tMinC: null, tMaxC: null, rainMm: null } as Mapping['columns']
  for (const value of DAY_VALUES) {
    const column = header.findIndex((text, i) => !taken.has(i) && NAMES[value].test(text.trim()))
    if (column < 0) continue
    columns[value] = column
    taken.add(column)
  }
  const numeric = Array.from({ length: width }, (_, column) => column).filter(
    (column) =>
      !taken.has(column) &&
      share(columnTexts(column), (text) => Number.isFinite(numberIn(text) ?? NaN)) > 0.8,
  )
  if (columns.tMinC === null && columns.tMaxC === null) guessByValues(numeric, columnTexts, columns)
  const meanOf = (column: number | null) => {
    const values =
      column === null
        ? []
        : columnTexts(column)
            .map(numberIn)
            .filter((value): value is number => Number.isFinite(value))
    return values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length
  }
  const headOf = (column: number | null) => (column === null ? '' : (header[column] ?? ''))
  const heads = headOf(columns.tMaxC) + headOf(columns.tMinC)
  const mean = meanOf(columns.tMaxC)
  return {
    headerRows: firstData,
    date,
    columns,
    temperature:
      /(^|[^a-z])f([^a-z]|$)|fahr/i.test(heads) || (mean > 42 && mean < 120)
        ? 'f'
        : mean >= 120
          ? 'c10'
          : 'c',
    rain: /(^|[^a-z])in(ch|ches)?([^a-z]|$)/i.test(headOf(columns.rainMm))
      ? 'in'
      : mean >= 120
        ? 'mm10'
        : 'mm',
  }
}

/** Without names: of two columns the one that is never the greater is the low; a column never below zero is rain. */
function guessByValues(
  numeric: readonly number[],
  texts: (column: number) => string[],
  columns: Mapping['columns'],
): void {
  const values = new Map(
    numeric.map((column) => [column, texts(column).map((text) => numberIn(text) ?? NaN)]),
  )
  for (const low of numeric)
    for (const high of numeric) {
      if (low === high || columns.tMinC !== null) continue
      const pairs = values.get(low)!.map((value, i) => [value, values.get(high)![i]])
      const differs = pairs.filter(([a, b]) => b - a > 2).length > pairs.length / 2
      if (!differs || pairs.some(([a, b]) => a > b)) continue
      columns.tMinC = low
      columns.tMaxC = high
    }
  const rest = numeric.filter((column) => column !== columns.tMinC && column !== columns.tMaxC)
  columns.rainMm ??= rest.find((column) => values.get(column)!.every((value) => !(value < 0))) ?? null
}
