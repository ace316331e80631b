import { useMemo } from 'react'
import { Link } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { followedBy } from '../../core/planting/followed'
import { weight } from '../../text/amounts'
import { longDate, percent } from '../../text/format'
import { standWithPlace } from '../../text/bed'
import { endingWords, standName } from '../../text/names'
import { Scroll } from '../../parts/Scroll'
import { useGarden } from '../../state/garden'

/** How covers were ended, and what the crops after them came to, side by side. */
export function FollowedTable() {
  const { data } = useGarden()
  const { units } = data.garden
  const rows = useMemo(() => followedBy(data.beds, data.stands), [data.beds, data.stands])
  if (rows.length === 0) return null
  return (
    <section className="mt-6" aria-label="What followed" data-testid="followed">
      <h2>How covers were ended, and what followed</h2>
      <Scroll label="Covers, endings and crops">
        <table className="table table-sm">
          <thead>
            <tr>
              <th>Bed</th>
              <th>Cover</th>
              <th>Ended</th>
              <th>Stood again</th>
              <th>Crop</th>
              <th>Wait</th>
              <th>Yield</th>
              <th>Note</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ cover, crop, bed, end, stoodAgain, waitedDays, yieldKgM2 }) => (
              <tr key={`${cover.id} ${crop.id}`}>
                <td>{bed.label}</td>
                <td>
                  <Link className="link" to={`/plant/${cover.id}`}>
                    {standName(cover)}
                  </Link>
                </td>
                <td>
                  {endingWords(end)}, {longDate(dayNumber(end.date))}
                </td>
                <td>{stoodAgain === null ? 'not counted' : percent(stoodAgain)}</td>
                <td>{standWithPlace(crop, units, bed)}</td>
                <td>{waitedDays} days</td>
                <td>
                  {yieldKgM2 === null ? '–' : weight(yieldKgM2 * 1000, units)}
                  {crop.outcome?.verdict ? `, ${crop.outcome.verdict}` : ''}
                </td>
                <td>{crop.outcome?.note ?? ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
    </section>
  )
}
