import { removeLot } from '../../actions/seed'
import { findSpecies } from '../../core/plants/catalogue'
import type { SeedLot } from '../../core/garden/seed'
import { germinationOf } from '../../core/seeding/lots'
import { grams, percent, type Units } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { useAct, useGarden } from '../../state/garden'
import { useLots } from '../../state/seed'
import { AddLot } from './AddLot'
import { Labels } from './Labels'
import { Shopping } from './Shopping'
import { single } from '../../parts/once'

/** Seed that is there, and what of it the plans need. */
export function SeedAtHand() {
  const { data, today } = useGarden()
  const lots = useLots()
  const { units } = data.garden
  const year = new Date(today * 86_400_000).getUTCFullYear()
  return (
    <>
      <div className="no-print mt-2 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label="Seed at hand" className="min-w-0">
          <h3>At hand</h3>
          {lots.length === 0 ? (
            <p className="mt-1">No seed is written down yet. Add the bag you will sow from first.</p>
          ) : (
            <Scroll label="Seed lots">
              <table className="table table-sm mt-1 w-auto" data-testid="lots" data-help="lots">
                <thead>
                  <tr>
                    <th>Lot</th>
                    <th>Year</th>
                    <th className="text-right">Left</th>
                    <th>Germinates</th>
                    <th>Notes</th>
                    <th>
                      <span className="sr-only">Remove</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {lots.map((lot) => (
                    <LotRow key={lot.id} lot={lot} units={units} year={year} today={today} />
                  ))}
                </tbody>
              </table>
            </Scroll>
          )}
          <AddLot year={year} />
          {lots.length > 0 && (
            <button className="btn btn-sm mt-3" onClick={() => window.print()}>
              Print labels
            </button>
          )}
        </section>
        <section aria-label="Needed" className="min-w-0">
          <h3>Needed for all plans</h3>
          <Shopping lots={lots} />
        </section>
      </div>
      <Labels lots={lots} units={units} year={year} />
    </>
  )
}

function LotRow({ lot, units, year, today }: { lot: SeedLot; units: Units; year: number; today: number }) {
  const act = useAct()
  const plant = findSpecies(lot.contents[0].speciesId)
  const germination = germinationOf(lot, plant?.family ?? '', year)
  const expired =
    lot.inoculantExpires !== null &&
    lot.inoculantExpires < new Date(today * 86_400_000).toISOString().slice(0, 10)
  const notes = [
    lot.leftGrams === 0 ? 'used up' : null,
    lot.treated ? 'treated: never eaten, fed or handled bare' : null,
    lot.inoculantExpires ? `inoculant ${expired ? 'expired' : 'to'} ${lot.inoculantExpires}` : null,
  ].filter(Boolean)
  return (
    <tr>
      <td>
        <strong>{lot.label}</strong>
        {plant && lot.label !== plant.name ? <span className="quiet"> {plant.name}</span> : null}
      </td>
      <td>{lot.year}</td>
      <td className="text-right">{grams(lot.leftGrams, units)}</td>
      <td>
        {percent(germination.mid)}{' '}
        <span className="quiet text-sm">
          by {germination.from === 'test' ? 'own test' : germination.from}
        </span>
      </td>
      <td className="text-sm">{notes.join('; ')}</td>
      <td>
        <button
          className="btn btn-ghost btn-xs"
          aria-label={`Remove ${lot.label}`}
          onClick={single(() => act(removeLot(lot)))}
        >
          Remove
        </button>
      </td>
    </tr>
  )
}
