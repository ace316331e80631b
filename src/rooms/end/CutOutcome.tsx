import { useTold } from '../../state/useTold'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Bed, CutDetails } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import { HOLDING_G } from '../../core/residue/mulch'
import { DRYING_DAYS, type CutAnswer } from '../../core/scenario/cutting'
import { dryMatter, nitrogen, type Told } from '../../text/amounts'
import { centimetres, area, chanceText, kilos, percent, shortDate, type Units } from '../../text/format'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'

const WHERE: Record<CutDetails['fate'], string> = {
  dropped: 'lies on the bed as mulch',
  'carried off': 'leaves this bed',
  eaten: 'is eaten',
  grazed: 'is grazed; part comes back as droppings',
}

/** What a cut takes, where that arrives, what grows again, and when it would dry. */
export function CutOutcome({
  answer,
  cut,
  target,
  units,
  told,
  drying,
}: {
  answer: CutAnswer
  cut: CutDetails
  target: Bed | null
  units: Units
  /** How amounts of the cut ground are told. */
  told: Told
  drying: boolean
}) {
  const best = answer.dryStarts.reduce<CutAnswer['dryStarts'][number] | null>(
    (a, b) => (!a || b.chance > a.chance ? b : a),
    null,
  )
  return (
    <div className="mt-3 grid max-w-4xl gap-x-8 gap-y-3 md:grid-cols-2" data-testid="cut-outcome">
      <div>
        <p>
          About <strong>{dryMatter(answer.takenG.p50, told)}</strong> ({kilos(answer.massKg, units)} dry in
          all) with <strong>{nitrogen(answer.nitrogenG.p50, told)}</strong> of nitrogen {WHERE[cut.fate]}. It
          stands {centimetres(answer.heightM, units)} high that day.
        </p>
        {cut.fate === 'carried off' && (
          <p className="mt-1">
            {target ? (
              <Arrives answer={answer} bed={target} />
            ) : (
              <>
                It mulches {area(answer.massKg / (HOLDING_G / 1000), units)} thickly enough to hold most weeds
                for a while.
              </>
            )}
          </p>
        )}
        {drying && best && (
          <p className="mt-1">
            To dry it wants {DRYING_DAYS} days without rain: {chanceText(answer.dryStarts[0].chance)} from
            that day, best from {shortDate(best.day)}, {chanceText(best.chance)}. Turn it once a day; store it
            when stems snap.
          </p>
        )}
      </div>
      <Scroll label="Regrowth">
        <table className="table table-sm self-start" aria-label="What grows again">
          <thead>
            <tr>
              <th>Plant</th>
              <th>Uncut that day</th>
              {answer.regrowth[0]?.after.map(({ days }) => (
                <th key={days}>{days} days after</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {answer.regrowth.map((row) => (
              <tr key={row.speciesId}>
                <td>{findSpecies(row.speciesId)?.name ?? row.speciesId}</td>
                <td>{dryMatter(row.uncutG, told)}</td>
                {row.after.map((point) => (
                  <td key={point.days}>
                    {dryMatter(point.massG, told)}
                    <div className="quiet text-sm">{percent(point.alive)} alive</div>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      <div className="md:col-span-2">
        <Why>
          More of a stand’s growth sits high than low; what lies above the cut is taken. Plants die by the
          table for a chop at that height, the others grow on from the leaf that is left; a deep cut sets
          their stage back. Nitrogen is that of the growth taken.
        </Why>
      </div>
    </div>
  )
}

function Arrives({ answer, bed }: { answer: CutAnswer; bed: Bed }) {
  const told = useTold(bed)
  const areaM2 = segmentAreaM2(bed, { kind: 'whole' })
  return (
    <>
      On {bed.label} it makes a mulch of <strong>{dryMatter((answer.massKg * 1000) / areaM2, told)}</strong>{' '}
      and brings {nitrogen(answer.nitrogenTotalG / areaM2, told)} of nitrogen, freed as it rots.
    </>
  )
}
