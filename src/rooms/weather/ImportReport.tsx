import { useState } from 'react'
import { swapped, type FileReading } from '../../core/site/file/read'
import type { Mapping } from '../../core/site/file/cells'
import { longDate } from '../../text/format'
import { completeYears, SHORT_GAP_DAYS, YEARS_TO_RESAMPLE } from '../../core/site/record'

const GAPS_LISTED = 6
const PROBLEMS_LISTED = 10

/** What was found in the file: days, gaps and rows that were left out, and the one button that stores it. */
export function ImportReport({
  reading,
  mapping,
  replaced,
  onRemap,
  onStore,
  onLeave,
}: {
  reading: FileReading
  mapping: Mapping
  replaced: number
  onRemap: (mapping: Mapping) => void
  onStore: (withNormals: boolean) => void
  onLeave: () => void
}) {
  const { days, gaps, problems, counts, advice, rows } = reading
  const [withNormals, setWithNormals] = useState(false)
  const years = completeYears(days).length
  const left = Object.values(counts).reduce((sum, count) => sum + count, 0)
  const long = gaps.filter((gap) => gap.toDay - gap.fromDay + 1 > SHORT_GAP_DAYS)
  return (
    <div className="mt-3 max-w-3xl" data-testid="import-report">
      {advice.map(({ kind, message }) => (
        <p key={kind} role="alert" className="font-semibold text-error">
          {message}{' '}
          {kind === 'reversed' && (
            <button className="btn btn-xs" onClick={() => onRemap(swapped(mapping))}>
              Swap low and high
            </button>
          )}
          {kind === 'fahrenheit' && (
            <button className="btn btn-xs" onClick={() => onRemap({ ...mapping, temperature: 'f' })}>
              Read as °F
            </button>
          )}
        </p>
      ))}
      {days.length > 0 && (
        <p>
          {days.length.toLocaleString()} days of {rows.toLocaleString()} rows, {longDate(days[0].day)} to{' '}
          {longDate(days[days.length - 1].day)};{' '}
          {years === 0 ? 'no whole year' : `${years} whole ${years === 1 ? 'year' : 'years'}`}.
          {years >= YEARS_TO_RESAMPLE && ' Days ahead will be drawn from these years.'}
          {replaced > 0 && ` ${replaced.toLocaleString()} days that are known already will be replaced.`}
        </p>
      )}
      {gaps.length > 0 && (
        <p className="mt-1">
          {gaps.length} {gaps.length === 1 ? 'gap' : 'gaps'}: up to {SHORT_GAP_DAYS} days are bridged, longer
          ones generated
          {long.length > 0 &&
            ` (${long
              .slice(0, GAPS_LISTED)
              .map((gap) => `${longDate(gap.fromDay)} to ${longDate(gap.toDay)}`)
              .join('; ')}${long.length > GAPS_LISTED ? `; ${long.length - GAPS_LISTED} more` : ''})`}
          .
        </p>
      )}
      {left > 0 && (
        <details className="mt-1" open={left <= PROBLEMS_LISTED}>
          <summary className="cursor-pointer">
            {left.toLocaleString()} {left === 1 ? 'row was' : 'rows were'} left out
          </summary>
          <ul className="list-disc pl-5 text-sm">
            {problems.slice(0, PROBLEMS_LISTED).map((problem) => (
              <li key={`${problem.row} ${problem.column}`}>{problem.message}</li>
            ))}
            {left > PROBLEMS_LISTED && <li>and {(left - PROBLEMS_LISTED).toLocaleString()} more</li>}
          </ul>
        </details>
      )}
      {years > 0 && (
        <label className="mt-2 flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={withNormals}
            onChange={(event) => setWithNormals(event.target.checked)}
          />
          Also take the normals from {years === 1 ? 'this year' : `these ${years} years`}
        </label>
      )}
      <div className="mt-3 flex gap-2">
        <button
          className="btn btn-primary btn-sm"
          disabled={days.length === 0 || advice.some(({ kind }) => kind === 'hourly')}
          onClick={() => onStore(withNormals)}
        >
          Store {days.length.toLocaleString()} days
        </button>
        <button className="btn btn-ghost btn-sm" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </div>
  )
}
