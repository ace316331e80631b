import {
  DATE_FORMS,
  RAIN_UNITS,
  TEMPERATURE_UNITS,
  type DateForm,
  type Mapping,
  type RainUnit,
  type TemperatureUnit,
} from '../../core/site/file/cells'
import { fileReader } from '../../core/site/file/read'
import type { DayValue } from '../../core/garden/weatherYear'
import { Field } from '../../parts/Field'
import { longDate } from '../../parts/format'
import { Scroll } from '../../parts/Scroll'

/** Rows of the file shown as they stand and as they would be read. */
const PREVIEW_ROWS = 5
const LABELS: [DayValue, string][] = [
  ['tMinC', 'Low'],
  ['tMaxC', 'High'],
  ['rainMm', 'Rain'],
]
const START: Mapping = {
  headerRows: 1,
  date: { column: 0, form: 'iso' },
  columns: { tMinC: null, tMaxC: null, rainMm: null },
  temperature: 'c',
  rain: 'mm',
}

/** What each column is, with the first rows as they would be read. */
export function ImportColumns({
  sample,
  mapping,
  onChange,
}: {
  sample: string[][]
  mapping: Mapping | null
  onChange: (mapping: Mapping) => void
}) {
  const now = mapping ?? START
  const header = now.headerRows > 0 ? (sample[now.headerRows - 1] ?? []) : []
  const width = Math.max(...sample.map((row) => row.length))
  const columns = Array.from({ length: width }, (_, i) => header[i]?.trim() || `column ${i + 1}`)
  const setDate = (part: { column?: number; form?: DateForm }) => {
    const old = 'column' in now.date ? now.date : { column: 0, form: 'iso' as const }
    onChange({ ...now, date: { ...old, ...part } })
  }
  return (
    <div className="mt-2">
      {!mapping && (
        <p role="alert" className="font-semibold text-error">
          No column looks like a date. Say below which one it is and how it is written.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-start gap-3">
        {'column' in now.date ? (
          <>
            <Field label="Date">
              <select
                className="select select-sm w-40"
                value={now.date.column}
                onChange={(event) => setDate({ column: Number(event.target.value) })}
              >
                {columns.map((name, i) => (
                  <option key={i} value={i}>
                    {name}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="Written as">
              <select
                className="select select-sm w-56"
                value={now.date.form}
                onChange={(event) => setDate({ form: event.target.value as DateForm })}
              >
                {Object.entries(DATE_FORMS).map(([form, words]) => (
                  <option key={form} value={form}>
                    {words}
                  </option>
                ))}
              </select>
            </Field>
          </>
        ) : (
          <p className="mt-6 text-sm">Date from the columns for year, month and day.</p>
        )}
        {LABELS.map(([value, label]) => (
          <Field key={value} label={label}>
            <select
              className="select select-sm w-36"
              value={now.columns[value] ?? ''}
              onChange={(event) =>
                onChange({
                  ...now,
                  columns: {
                    ...now.columns,
                    [value]: event.target.value === '' ? null : Number(event.target.value),
                  },
                })
              }
            >
              <option value="">not in the file</option>
              {columns.map((name, i) => (
                <option key={i} value={i}>
                  {name}
                </option>
              ))}
            </select>
          </Field>
        ))}
        <Field label="Temperatures in">
          <select
            className="select select-sm w-32"
            value={now.temperature}
            onChange={(event) => onChange({ ...now, temperature: event.target.value as TemperatureUnit })}
          >
            {Object.entries(TEMPERATURE_UNITS).map(([unit, words]) => (
              <option key={unit} value={unit}>
                {words}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Rain in">
          <select
            className="select select-sm w-32"
            value={now.rain}
            onChange={(event) => onChange({ ...now, rain: event.target.value as RainUnit })}
          >
            {Object.entries(RAIN_UNITS).map(([unit, words]) => (
              <option key={unit} value={unit}>
                {words}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <Preview sample={sample} mapping={now} header={header} columns={columns} />
    </div>
  )
}

function Preview({
  sample,
  mapping,
  header,
  columns,
}: {
  sample: string[][]
  mapping: Mapping
  header: string[]
  columns: string[]
}) {
  const rows = sample.slice(mapping.headerRows, mapping.headerRows + PREVIEW_ROWS)
  return (
    <Scroll label="First rows">
      <table className="table table-sm mt-3 w-auto" data-testid="import-preview">
        <thead>
          <tr>
            {columns.map((name, i) => (
              <th key={i}>{name}</th>
            ))}
            <th>read as</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {columns.map((_, column) => (
                <td key={column}>{row[column] ?? ''}</td>
              ))}
              <td className="font-semibold">{asRead(row, mapping, header)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}

function asRead(row: string[], mapping: Mapping, header: string[]): string {
  const reader = fileReader(mapping, header)
  reader.row(row, 1)
  const { days, problems } = reader.finish()
  if (days.length === 0) return problems[0]?.message.replace(/^Row 1, /, '') ?? 'nothing'
  const [{ day, tMinC, tMaxC, rainMm }] = days
  const part = (value: number | null, unit: string) => (value === null ? 'not known' : `${value} ${unit}`)
  return `${longDate(day)}: low ${part(tMinC, '°C')}, high ${part(tMaxC, '°C')}, rain ${part(rainMm, 'mm')}`
}
