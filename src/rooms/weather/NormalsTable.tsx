import { Scroll } from '../../parts/Scroll'
import type { WeatherSummary } from '../../core/site/weatherSummary'
import { monthName, rain, temperature, type Units } from '../../text/format'

/** A day in the middle of each month of a common year, for its name. */
export const monthOfYear = (month: number) => monthName(month * 30.44 + 15)

/** Twelve months: normals, and what was observed where enough days were. */
export function NormalsTable({ months, units }: { months: WeatherSummary['months']; units: Units }) {
  const anyObserved = months.some((month) => month.observed)
  return (
    <Scroll label="Normals by month">
      <table className="table table-sm mt-1 w-auto" data-testid="normals">
        <thead>
          <tr>
            <th>Month</th>
            <th>Low</th>
            <th>High</th>
            <th>Rain</th>
            {anyObserved && <th>Seen low</th>}
            {anyObserved && <th>Seen high</th>}
            {anyObserved && <th>Seen rain</th>}
          </tr>
        </thead>
        <tbody>
          {months.map(({ month, tMaxC, tMinC, rainMm, observed }) => (
            <tr key={month}>
              <td>{monthOfYear(month)}</td>
              <td>{temperature(tMinC, units)}</td>
              <td>{temperature(tMaxC, units)}</td>
              <td>{rain(rainMm, units)}</td>
              {anyObserved && <td>{observed ? temperature(observed.tMinC, units) : '–'}</td>}
              {anyObserved && <td>{observed ? temperature(observed.tMaxC, units) : '–'}</td>}
              {anyObserved && <td>{observed ? rain(observed.rainMm, units) : '–'}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}
