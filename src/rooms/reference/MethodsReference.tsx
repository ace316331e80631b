import { useEffect } from 'react'
import { useLocation } from 'react-router'
import { inUnits } from '../../text/inUnits'
import { usualMinutes } from '../../core/termination/workRates'
import { leftOnTop, METHODS, type Method } from '../../core/termination/methods'
import { area, minutes, type Units } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'

/** An ordinary bed that minutes are told for. */
const BED = { areaM2: 10, widthM: 1.2 }

const waysMinutes = (method: Method) => {
  const spent = usualMinutes(method, BED)
  return spent === 0 ? '–' : minutes(spent)
}

const SOIL = ['left alone', 'little moved', 'loosened', 'turned']

/** Every way of ending a cover: what it needs, what it costs, what it leaves, and what to mind. */
export function MethodsReference({ units }: { units: Units }) {
  const { hash } = useLocation()
  useEffect(() => {
    if (hash.startsWith('#method-'))
      document.getElementById(hash.slice(1))?.scrollIntoView({ block: 'center' })
  }, [hash])
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
              <th>Minutes on a bed of {area(BED.areaM2, units)}</th>
              <th>Stays on top, buried, taken off</th>
              <th>Soil</th>
              <th>Mind</th>
            </tr>
          </thead>
          <tbody>
            {METHODS.map((method) => (
              <tr
                key={method.id}
                id={`method-${method.id}`}
                className={`scroll-mt-4 align-top ${hash === `#method-${method.id}` ? 'bg-base-200' : ''}`}
              >
                <td className="min-w-40">
                  <strong>{method.name}</strong>
                </td>
                <td className="text-sm">
                  {method.tools.map((group) => group.join(' or ')).join('; ') || 'none'}
                </td>
                <td className="text-sm">{inUnits(method.needs.join(', '), units)}</td>
                <td>{waysMinutes(method)}</td>
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
        Minutes are for the tool that most people have, with getting ready; your own rates and records in the
        Shed and under End go before them. They and the shares are judgement, ± a half. Survival by plant and
        stage stands with each stand’s End, beside your own counts; the tables are printed in the documents
        that come with Kilim.
      </Why>
    </section>
  )
}
