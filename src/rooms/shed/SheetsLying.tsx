import { Link } from 'react-router'
import { sheetClashes, sheetUses, type SheetUse } from '../../core/scenario/sheetUse'
import { yearOf } from '../../core/foundations/day'
import { yearsPastLife } from '../../core/garden/tool'
import { Caution } from '../../parts/Caution'
import { Scroll } from '../../parts/Scroll'
import { useGarden } from '../../state/garden'
import { placeText } from '../../text/bed'
import { shortDate, type Units } from '../../text/format'
import { clashText, pastLifeText, pieceText } from '../../text/sheets'
import { standName } from '../../text/names'

const sheetsText = ({ sheets }: SheetUse, units: Units) =>
  (sheets ?? []).map((sheet) => pieceText(sheet, units)).join(' and ')

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
              <th>With</th>
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
                      use.stand.content.kind === 'cover' ? `/end/${use.stand.id}` : `/bed/${use.stand.bedId}`
                    }
                  >
                    {placeOf(use)}
                  </Link>
                </td>
                <td>{standName(use.stand).toLowerCase()}</td>
                <td>
                  {use.done ? 'lies since' : 'planned'} {shortDate(use.fromDay)}
                </td>
                <td>{Number.isFinite(use.untilDay) ? shortDate(use.untilDay) : 'not planned'}</td>
                <td>{use.sheets ? sheetsText(use, units) : <strong>none is free</strong>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {sheetClashes(uses).map((clash) => (
        <Caution key={clash.use.stand.id}>{clashText(clash, placeOf)}</Caution>
      ))}
      {uses.flatMap((use) =>
        (use.sheets ?? []).flatMap((sheet) => {
          const years = yearsPastLife(sheet, yearOf(use.fromDay))
          return years > 0
            ? [
                <Caution key={`${use.stand.id} ${sheet.id}`}>
                  The {sheet.kind} on {placeOf(use)} is {pastLifeText(years)} then: it lets light through and
                  leaves bits in the ground. Lift it in one piece, and take a newer one.
                </Caution>,
              ]
            : []
        }),
      )}
    </div>
  )
}
