import { ownCount, PRIOR_PLANTS, STAGE_BANDS, stageBand, withOwn } from '../../core/termination/ownResults'
import { actSurvival } from '../../core/termination/survival'
import { findMethod, METHODS, type MethodId } from '../../core/termination/methods'
import { percent } from '../../text/format'
import { plantsOf } from '../../text/names'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'
import type { EndView } from './useEnd'

/** A BBCH code in the middle of each band. */
const MIDDLES = [35, 55, 65, 75] as const

/** Ways whose one act the tables speak of. */
const SHOWN: readonly MethodId[] = ['chop', 'crimp', 'tarp', 'bury', 'turn']

/** What the table says of these plants and each single act, by stage, with the garden's own counts beside it. */
export function OwnTable({ end }: { end: EndView }) {
  const { stand, view } = end
  const own = view.standCase.own ?? {}
  const plants = plantsOf(stand)
  return (
    <details className="mt-4" data-testid="own-table" open={Object.keys(own).length > 0}>
      <summary className="cursor-pointer font-semibold">
        What stands again after one pass: tables and own counts
      </summary>
      <Scroll label="Tables and own counts">
        <table className="table table-sm mt-1 max-w-4xl">
          <thead>
            <tr>
              <th>Plant and way</th>
              {STAGE_BANDS.map((band) => (
                <th key={band}>{band}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plants.flatMap((plant) =>
              METHODS.filter(
                (method) =>
                  SHOWN.includes(method.id) || (method.id === 'biofumigate' && plant.biofumigant >= 2),
              ).map((method) => (
                <tr key={`${plant.id} ${method.id}`}>
                  <td>
                    {plant.name}, {findMethod(method.id)!.name.toLowerCase()}
                  </td>
                  {MIDDLES.map((bbch) => {
                    const prior = method.sheet ? 0.05 : actSurvival(method.acts[0], plant.endingClass, bbch)
                    const count = ownCount(own, method.id, plant.endingClass, bbch)
                    return (
                      <td key={bbch} className="whitespace-nowrap">
                        {percent(prior)}
                        {count && (
                          <span className="font-semibold" title={stageBand(bbch)}>
                            {' '}
                            → {percent(withOwn(prior, count))}
                            <span className="quiet block text-sm font-normal">
                              own {percent(count.standing / count.before)}, {count.endings}{' '}
                              {count.endings === 1 ? 'ending' : 'endings'}
                            </span>
                          </span>
                        )}
                      </td>
                    )
                  })}
                </tr>
              )),
            )}
          </tbody>
        </table>
      </Scroll>
      <div className="mt-1 text-sm">
        First the table, then what it is taken to be with your own counts; sheets are shown at their full
        dose.{' '}
        <Why>
          The table counts as {PRIOR_PLANTS} plants seen before (a Beta prior). Your counts are added: (20 ×
          table + standing) ÷ (20 + counted). One ending never counts for more than 20 plants, as they shared
          their luck. Counts of the third to fifth week tell; earlier ones see stems that are still dying.
        </Why>
      </div>
    </details>
  )
}
