import { useMemo, useState } from 'react'
import { planAisle } from '../../actions/cutStand'
import { useAnswer } from '../../compute/useAnswer'
import { neighboursOf, type AisleMowing } from '../../core/scenario/aisle'
import { Scroll } from '../../parts/Scroll'
import { SelectField } from '../../parts/SelectField'
import { useOnce } from '../../parts/once'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useAct, useGarden } from '../../state/garden'
import { centimetres, grams, kilos, shortDate } from '../../text/format'
import type { EndView } from './useEnd'

/** A living aisle: mown before it outgrows the crop beside it, with what its cuttings bring to the strips. */
export function Aisle({ end }: { end: EndView }) {
  const { view, spec, today } = end
  const { expected } = useGarden()
  const { bed } = view
  const neighbours = useMemo(() => neighboursOf(bed, expected.stands), [bed, expected.stands])
  const answer = useAnswer(
    'aisle',
    useMemo(
      (): Parameters<typeof useAnswer<'aisle'>>[1] => [spec, withoutCuts(view.standCase), neighbours, today],
      [spec, view.standCase, neighbours, today],
    ),
    `aisle ${view.stand.id}`,
  )
  const mowings = answer.value ?? answer.last
  return (
    <section className="mb-6" aria-label="Living aisle" data-testid="aisle">
      <h2>A living aisle</h2>
      <Waiting
        what="Growing it between its mowings"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {mowings?.length === 0 && <p>It outgrows nothing in the months ahead: no mowing is due.</p>}
      {mowings && mowings.length > 0 && <Mowings end={end} mowings={mowings} />}
    </section>
  )
}

/** The stand as it grew until now: what is planned is what is asked for here. */
const withoutCuts = (standCase: EndView['view']['standCase']) => ({
  ...standCase,
  stand: { ...standCase.stand, cuts: standCase.stand.cuts.filter(({ cut }) => cut.actual) },
  nextStartDay: null,
})

function Mowings({ end, mowings }: { end: EndView; mowings: AisleMowing[] }) {
  const { units } = end.garden
  const { stand, view } = end
  const act = useAct()
  const [to, setTo] = useState<'bed' | 'aisle'>('bed')
  const { run: plan } = useOnce(() => act(planAisle(stand, mowings, to === 'bed' ? view.bed.id : null)))
  return (
    <>
      <p>
        Mown {mowings.length} times in the months ahead, to {centimetres(mowings[0].cutToM, units)}. Keep{' '}
        {centimetres(0.2, units)} clear around stems.{' '}
        <Why>
          It is kept below a third of the crop beside it (judgement, a quarter to a half), never lower than it
          lives on, and below {centimetres(0.4, units)} where no crop stands. Each mowing grows on from the
          one before, in forty seasons of this garden.
        </Why>
      </p>
      <Scroll label="Mowings">
        <table className="table table-sm mt-1 w-auto">
          <thead>
            <tr>
              <th>About</th>
              <th>Grown to</th>
              <th>Beside</th>
              <th className="text-right">Cuttings, dry</th>
              <th className="text-right">Nitrogen in them</th>
            </tr>
          </thead>
          <tbody>
            {mowings.map((mowing) => (
              <tr key={mowing.day}>
                <td>{shortDate(mowing.day)}</td>
                <td>{centimetres(mowing.reachedM, units)}</td>
                <td>{mowing.beside?.toLowerCase() ?? 'no crop'}</td>
                <td className="text-right">{kilos(mowing.massKg, units)}</td>
                <td className="text-right">{grams(mowing.nitrogenG, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="The cuttings land"
          className="w-48"
          value={to}
          onChange={setTo}
          options={[
            ['bed', `on ${view.bed.label}`],
            ['aisle', 'in the aisle'],
          ]}
        />
        <button className="btn btn-primary" onClick={plan}>
          Plan these mowings
        </button>
      </div>
    </>
  )
}
