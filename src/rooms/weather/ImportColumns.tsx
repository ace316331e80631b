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
import type { DayValue } from '../../core/garden/dayLimits'
import { longDate } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { SelectField } from '../../parts/SelectField'

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
  const named = columns.map((name, i) => [String(i), name] as const)
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
            <SelectField
              label="Date"
              className="select-sm w-40"
              value={String(now.date.column)}
              onChange={(column) => setDate({ column: Number(column) })}
              options={named}
            />
            <SelectField
              label="Written as"
              className="select-sm w-60"
              value={now.date.form}
              onChange={(form) => setDate({ form })}
              options={Object.entries(DATE_FORMS) as [DateForm, string][]}
            />
          </>
        ) : (
          <p className="mt-6 text-sm">Date from the columns for year, month and day.</p>
        )}
        {LABELS.map(([value, label]) => (
          <SelectField
            key={value}
            label={label}
            className="select-sm w-36"
            value={String(now.columns[value] ?? '')}
            onChange={(column) =>
              onChange({
                ...now,
                columns: { ...now.columns, [value]: column === '' ? null : Number(column) },
              })
            }
            options={[['', 'not in the file'], ...named]}
          />
        ))}
        <SelectField
          label="Temperatures in"
          className="select-sm w-32"
          value={now.temperature}
          onChange={(temperature) => onChange({ ...now, temperature })}
          options={Object.entries(TEMPERATURE_UNITS) as [TemperatureUnit, string][]}
        />
        <SelectField
          label="Rain in"
          className="select-sm w-32"
          value={now.rain}
          onChange={(rain) => onChange({ ...now, rain })}
          options={Object.entries(RAIN_UNITS) as [RainUnit, string][]}
        />
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
