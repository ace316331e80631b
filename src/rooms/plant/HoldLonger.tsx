import { useState } from 'react'
import { HOLDING_G } from '../../core/residue/mulch'
import { chipsToHoldUntil, toHoldUntil, type Aftermath } from '../../core/scenario/after'
import { BroughtIn } from '../../parts/BroughtIn'
import { SelectField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import { weight } from '../../text/amounts'
import { centimetres, kilos, type Units } from '../../text/format'

const WEEKS = ['4', '6', '8', '10', '12', '16'] as const
/** Dry straw of one small bale, kg (12–18). */
const BALE_KG = 15

/** What to lay on top for the mulch to hold weeds until a week of the grower's choosing. */
export function HoldLonger({ after, areaM2, units }: { after: Aftermath; areaM2: number; units: Units }) {
  const [weeks, setWeeks] = useState<(typeof WEEKS)[number]>('8')
  const addG = toHoldUntil(after, Number(weeks))
  const addKg = (addG * areaM2) / 1000
  const bales = addKg / BALE_KG
  return (
    <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-1" data-testid="hold-longer">
      <SelectField
        label="Hold weeds for, weeks"
        className="w-24"
        value={weeks}
        onChange={setWeeks}
        options={WEEKS.map((week) => [week, week] as const)}
      />
      <div className="max-w-prose">
        {addKg < 0.5 ? (
          'What lies there is enough.'
        ) : (
          <>
            Add <strong>{kilos(addKg, units)}</strong> of dry straw
            {bales >= 0.75 ? ` (${bales.toFixed(0)} small ${bales < 1.5 ? 'bale' : 'bales'})` : ''}, or{' '}
            {centimetres(chipsToHoldUntil(after, Number(weeks)), units)} of chips.{' '}
          </>
        )}{' '}
        <Why>
          Three quarters of the small annual weeds are held back by {weight(HOLDING_G, units)} of dry mulch (
          {weight(600, units)} to {weight(1000, units)}, by weeds and weather). It rots by warmth and rain,
          straw as fast as what lies there, chips hardly in a season. A small bale is taken as{' '}
          {kilos(BALE_KG, units)}.
        </Why>
      </div>
      {addKg >= 0.5 && <BroughtIn what="straw or hay" />}
    </div>
  )
}
