import { leftOnTop, METHODS } from '../../core/termination/methods'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'

const SOIL = ['left alone', 'little moved', 'loosened', 'turned']

/** Every way of ending a cover: what it needs, what it costs, what it leaves, and what to mind. */
export function MethodsReference() {
  return (
    <section className="mt-8" aria-label="Ways of ending" data-testid="ways-reference">
      <h2>Ways of ending</h2>
      <Scroll label="Table of ways">
        <table className="table table-sm">
          <thead>
            <tr>
              <th>Way</th>
              <th>Tools, one of each group</th>
              <th>Needs</th>
              <th>Minutes per m²</th>
              <th>Stays on top, buried, taken off</th>
              <th>Soil</th>
              <th>Mind</th>
            </tr>
          </thead>
          <tbody>
            {METHODS.map((method) => (
              <tr key={method.id} className="align-top">
                <td className="min-w-40">
                  <strong>{method.name}</strong>
                </td>
                <td className="text-sm">
                  {method.tools.map((group) => group.join(' or ')).join('; ') || 'none'}
                </td>
                <td className="text-sm">{method.needs.join(', ')}</td>
                <td>{method.minutesPerM2 === 0 ? '–' : method.minutesPerM2}</td>
                <td className="text-sm">
                  {[leftOnTop(method), method.buried, method.removed]
                    .map((share) => `${Math.round(share * 100)} %`)
                    .join(', ')}
                  {method.animals && ' of what they leave'}
                </td>
                <td className="text-sm">{SOIL[method.disturbance]}</td>
                <td className="text-sm">{method.cautions.join(' ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      <p className="mt-2 max-w-prose text-sm">
        None of these ends bindweed, couch, nutsedge and other creeping weeds: they come back from the ground,
        and turning spreads them.
      </p>
      <Why>
        Minutes and shares are judgement, ± a half. Survival by plant and stage stands with each stand’s End
        room, beside your own counts; the tables are printed in the documents that come with Kilim.
      </Why>
    </section>
  )
}
