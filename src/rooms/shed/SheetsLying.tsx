import { Link } from 'react-router'
import { sheetClashes, sheetUses, type SheetUse } from '../../core/scenario/sheetUse'
import { Caution } from '../../parts/Caution'
import { Scroll } from '../../parts/Scroll'
import { useGarden } from '../../state/garden'
import { placeText } from '../../text/bed'
import { metres, shortDate, type Units } from '../../text/format'
import { standName } from '../../text/names'

const sizeText = ({ sheets }: SheetUse, units: Units) =>
  (sheets ?? [])
    .map(({ widthM, lengthM }) =>
      widthM === null || lengthM === null
        ? 'of unknown size'
        : `${metres(widthM, units)} × ${metres(lengthM, units)}`,
    )
    .join(' and ')

/** Where the owned sheets and films lie and are to lie, and beds that want one at the same time. */
export function SheetsLying() {
  const { expected, today } = useGarden()
  const { units } = expected.garden
  const uses = sheetUses(expected, today)
  const placeOf = ({ stand }: SheetUse) =>
    placeText(
      expected.beds.find(({ id }) => id === stand.bedId)!,
      stand.segment,
      units,
    )
  if (uses.length === 0)
    return <p className="quiet mt-3">No sheet or film lies on a bed, and none is planned.</p>
  return (
    <div className="mt-4" data-testid="sheets-lying">
      <h3>Where the sheets lie</h3>
      <Scroll label="Where the sheets lie">
        <table className="table table-sm mt-1 w-auto">
          <thead>
            <tr>
              <th>Bed</th>
              <th>Over</th>
              <th>From</th>
              <th>Free again</th>
              <th>Sheet</th>
            </tr>
          </thead>
          <tbody>
            {uses.map((use) => (
              <tr key={use.stand.id}>
                <td className="font-semibold">
                  <Link
                    className="link link-hover"
                    to={
                      use.stand.content.kind === 'sheet' ? `/bed/${use.stand.bedId}` : `/end/${use.stand.id}`
                    }
                  >
                    {placeOf(use)}
                  </Link>
                </td>
                <td>{standName(use.stand).toLowerCase()}</td>
                <td>
                  {use.done ? 'lies since' : 'planned'} {shortDate(use.fromDay)}
                </td>
                <td>{shortDate(use.untilDay)}</td>
                <td>{use.sheets ? `${use.kind} ${sizeText(use, units)}` : <strong>none is free</strong>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {sheetClashes(uses).map(({ use, with: others }) => (
        <Caution key={use.stand.id}>
          {placeOf(use)} wants a {use.kind} from {shortDate(use.fromDay)}
          {others.length > 0
            ? ` while it lies on ${others.map(placeOf).join(', ')}. Lay it after ${shortDate(Math.min(...others.map(({ untilDay }) => untilDay)))}, end one of them another way, or write down another sheet.`
            : ', and none of yours covers it. Write down its size, or end the bed another way.'}
        </Caution>
      ))}
    </div>
  )
}
