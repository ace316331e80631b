import { dayNumber } from '../../core/foundations/day'
import type { Gate, Readiness } from '../../core/planting/gates'
import type { Crop } from '../../core/plants/crops'
import { weedSuppression } from '../../core/residue/pools'
import { Chance } from '../../parts/Chance'
import { dateSpreadText, dryMatter, longDate, nitrogen, percent, type Units } from '../../parts/format'
import { Why } from '../../parts/Why'

/** The gates between the cover and the crop, the nitrogen that comes, and the mulch that stays. */
export function Gates({
  answer,
  crop,
  plantingDate,
  units,
}: {
  answer: Readiness
  crop: Crop
  plantingDate: string
  units: Units
}) {
  const planting = dayNumber(plantingDate)
  return (
    <div className="mt-3">
      <h2 data-testid="ready">
        {answer.ready ? `Ready ${dateSpreadText(answer.ready)}` : 'Not ready within the forecast'}
      </h2>
      <p className="mt-1 flex flex-wrap items-center gap-3">
        Every gate open on {longDate(planting)}: <Chance share={answer.chanceByPlanting} />
      </p>
      <ul className="mt-3 divide-y divide-base-300 border-y border-base-300" data-testid="gates">
        {answer.gates.map((gate) => (
          <GateRow key={gate.id} gate={gate} />
        ))}
      </ul>
      <h2 className="mt-5">What the residue brings</h2>
      <NitrogenLine answer={answer} crop={crop} units={units} />
      {answer.mulchG && (
        <p>
          Mulch on planting day: <strong>{dryMatter(answer.mulchG.mid, units)}</strong> (
          {dryMatter(answer.mulchG.low, units)} to {dryMatter(answer.mulchG.high, units)}), holding back{' '}
          {percent(weedSuppression(answer.mulchG.mid))} of weeds at first.
        </p>
      )}
      <Why>
        Residue rots in three pools, quick, cellulose and lignin, faster when warm and wet and slower when
        strawy (after CERES-N). Microbes take nitrogen first; what is left over reaches the crop. Weeds held:
        1 − e^(−0.19 · t/ha) (after Teasdale and Mohler 2000). The need of {crop.name.toLowerCase()} is a full
        crop’s uptake, ± 30 %.
      </Why>
    </div>
  )
}

function GateRow({ gate }: { gate: Gate }) {
  return (
    <li className="grid gap-x-5 py-2 sm:grid-cols-[14rem_16rem_11rem_1fr]">
      <strong>{gate.name}</strong>
      <span>{gate.met ? dateSpreadText(gate.met) : 'not within the forecast'}</span>
      <Chance share={gate.chanceByPlanting} />
      <span className="quiet text-sm">{gate.reason}</span>
    </li>
  )
}

function NitrogenLine({ answer, crop, units }: { answer: Readiness; crop: Crop; units: Units }) {
  const { nitrogen4Weeks: early, nitrogen10Weeks: late } = answer
  if (!early || !late) return <p>Nitrogen: the forecast does not reach ten weeks past planting.</p>
  const words = (value: number) =>
    value < -0.05 ? `ties up ${nitrogen(-value, units)}` : `frees ${nitrogen(Math.max(0, value), units)}`
  const share = Math.max(0, late.mid) / crop.nitrogenG
  return (
    <p>
      Nitrogen from this residue {words(early.mid)} in the first 4 weeks and {words(late.mid)} in 10 weeks (
      {nitrogen(late.low, units)} to {nitrogen(late.high, units)}), {percent(share)} of what{' '}
      {crop.name.toLowerCase()} takes up ({nitrogen(crop.nitrogenG, units)}).
    </p>
  )
}
