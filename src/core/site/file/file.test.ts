import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../../foundations/day'
import { guessMapping } from './guess'
import { fileReader, swapped } from './read'

const rowsOf = (text: string, by = ',') =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(by))

/** Reads a table as the app would: guessed columns, header left out, rows counted from 1. */
function read(
  text: string,
  by = ',',
  change = (mapping: NonNullable<ReturnType<typeof guessMapping>>) => mapping,
) {
  const rows = rowsOf(text, by)
  const mapping = change(guessMapping(rows)!)
  const reader = fileReader(mapping, rows[mapping.headerRows - 1] ?? [])
  rows.forEach((row, i) => i >= mapping.headerRows && reader.row(row, i + 1))
  return { mapping, ...reader.finish() }
}

describe('guessing the columns', () => {
  test.each([
    ['names in any order', 'rain_mm,date,TMAX,TMIN\n0.2,2024-03-01,9.1,-1.5\n0,2024-03-02,8,2', ','],
    [
      'no header: the lower of two columns is the low',
      '01.03.2024;-1,5;9,1;0,2\n02.03.2024;2;8;0\n14.03.2024;4;12;0',
      ';',
    ],
    [
      'month first, seen by a day past twelve',
      'Day,High,Low,Precipitation\n3/1/2024,9.1,-1.5,0.2\n3/14/2024,9,1,0',
      ',',
    ],
    ['year, month and day apart', 'year,month,day,tn,tx,rr\n2024,3,1,-1.5,9.1,0.2\n2024,3,2,0,9,1', ','],
    ['compact dates', 'STN,YYYYMMDD,TN,TX,RR\n7,20240301,-1.5,9.1,0.2\n7,20240302,0,5,0', ','],
  ])('%s', (_name, text, by) => {
    const { days, problems } = read(text, by)
    expect(problems).toEqual([])
    expect(days[0]).toEqual({
      day: dayNumber('2024-03-01'),
      tMinC: -1.5,
      tMaxC: 9.1,
      rainMm: 0.2,
      source: 'imported',
    })
  })
  test('units by the header and by the values', () => {
    const fahrenheit = read('date,tmin_f,tmax_f,rain (in)\n2024-07-01,50,86,0.5')
    expect(fahrenheit.days[0]).toMatchObject({ tMinC: 10, tMaxC: 30, rainMm: 12.7 })
    const tenths = read('date,tmin,tmax,prcp\n2024-07-01,101,302,55\n2024-07-02,120,280,0')
    expect(tenths.mapping.temperature).toBe('c10')
    expect(tenths.days[0]).toMatchObject({ tMinC: 10.1, tMaxC: 30.2, rainMm: 5.5 })
    expect(guessMapping(rowsOf('date,low,high\n2024-07-01,61,92\n2024-07-02,60,88'))!.temperature).toBe('f')
  })
  test('a table without dates is not guessed at', () => {
    expect(guessMapping(rowsOf('a,b\n1,2\n3,4'))).toBeNull()
    expect(guessMapping([])).toBeNull()
  })
})

describe('reading', () => {
  test('bad rows are named with row and column, the others come in', () => {
    const { days, problems, counts } = read(
      `date,tmin,tmax,rain
      2023-02-27,1,8,0
      2023-02-29,1,8,0
      2023-03-01,1,95,0
      2023-03-02,1,x,0
      2023-03-03,9,2,0
      2023-02-27,1,8,3
      2024-02-29,1,8,0
      2023-03-04,1,8,-999`,
    )
    expect(days.map(({ day }) => isoDate(day))).toEqual(['2023-02-27', '2023-03-04', '2024-02-29'])
    expect(days[1].rainMm).toBeNull()
    expect(problems.map(({ message }) => message)).toEqual([
      'Row 3, date: 29 February 2023 does not exist, 2023 is no leap year.',
      'Row 4, tmax: high of 95 °C is not between -50 and 57; the unit may be another one.',
      'Row 5, tmax: “x” is not a number.',
      'Row 6, tmin: the low (9 °C) is above the high (2 °C).',
      'Row 7, date: 2023-02-27 was already in row 2; the first one is kept.',
    ])
    expect(counts).toEqual({ date: 1, range: 1, number: 1, reversed: 1, duplicate: 1 })
  })
  test('year gaps are found', () => {
    const { gaps } = read('date,tmin,tmax,rain\n2020-12-31,1,8,0\n2023-01-01,1,8,0')
    expect(gaps).toEqual([{ fromDay: dayNumber('2021-01-01'), toDay: dayNumber('2022-12-31') }])
  })
  const july = Array.from({ length: 20 }, (_, i) => `2024-07-${String(i + 1).padStart(2, '0')}`)
  test('a whole file in the wrong unit is advised about, and right in the right one', () => {
    const text = `date,tmin,tmax,rain\n${july.map((date) => `${date},68,95,0`).join('\n')}`
    const wrong = read(text, ',', (mapping) => ({ ...mapping, temperature: 'c' }))
    expect(wrong.days).toEqual([])
    expect(wrong.advice[0]).toMatchObject({ kind: 'fahrenheit' })
    expect(read(text).days).toHaveLength(20)
  })
  test('reversed columns are advised about and can be swapped', () => {
    const text = `date,low,high\n${july.map((date) => `${date},25,12`).join('\n')}`
    const wrong = read(text)
    expect(wrong.advice[0]).toMatchObject({ kind: 'reversed' })
    expect(wrong.days).toEqual([])
    expect(read(text, ',', swapped).days[0]).toMatchObject({ tMinC: 12, tMaxC: 25 })
  })
  test('hourly files and files without rows are told as such', () => {
    const hourly = july.flatMap((date) => [
      `${date} 00:00,5,9,0`,
      `${date} 06:00,5,9,0`,
      `${date} 12:00,5,9,0`,
    ])
    expect(read(`date,tmin,tmax,rain\n${hourly.join('\n')}`).advice[0]).toMatchObject({ kind: 'hourly' })
    expect(
      fileReader(guessMapping(rowsOf('date,tmin,tmax\n2024-01-01,1,2'))!).finish().advice[0],
    ).toMatchObject({ kind: 'empty' })
  })
})
