import { useMemo, useState } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { partAreaM2 } from '../../core/garden/area'
import { findSpecies } from '../../core/plants/catalogue'
import { sownSpecies } from '../../core/season/input'
import type { StandForecast } from '../../core/season/forecast'
import { countedStand, resowGrams, THIN_SHARE } from '../../core/seeding/resow'
import { ringAreaM2 } from '../../core/seeding/ringCheck'
import { dateSpreadText, grams, percent, shortDate } from '../../parts/format'
import { TextField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useEngine } from '../../state/useEngine'
import type { StandView } from '../../state/useStand'
import { typedCounts, typedNumber } from '../../parts/typed'

/** How long after sowing seedlings are looked for. */
const LOOK_DAYS = 45

/** From sowing to a full stand: when it should be up, until when it can be sown again, and what a count comes to. */
export function UpYet({ view, forecast }: { view: StandView; forecast: StandForecast }) {
  const { data, today, spec } = useGarden()
  const { stand, bed } = view
  const ids = useMemo(
    () => (stand.content.kind === 'cover' ? stand.content.components.map((part) => part.speciesId) : []),
    [stand.content],
  )
  const args = useMemo((): [typeof spec, string[]] => [spec, ids], [spec, ids])
  const sownOn = stand.start.fact ? dayNumber(stand.start.fact.date) : null
  const young = sownOn !== null && today - sownOn <= LOOK_DAYS
  const windows = useEngine('sowingWindows', young ? args : null)
  const [counts, setCounts] = useState('')
  const [diameter, setDiameter] = useState('30')
  const [thin, setThin] = useState('100')
  if (!young) return null
  const up = forecast.stages.find((stage) => stage.bbch === 9)?.date.spread
  const resowBy = ids.map((id) => windows.value?.[id]?.latest).filter((latest) => latest != null)
  const latest = resowBy.length > 0 ? Math.min(...resowBy.map((spread) => spread.low)) : null
  const sown = sownSpecies(stand, bed)
  const expected = sown.reduce((sum, part) => sum + part.seedsPerM2 * part.emergenceShare, 0)
  const ringM2 = ringAreaM2(typedNumber(diameter) / 100)
  const found = countedStand(typedCounts(counts), ringM2, expected)
  const areaM2 = partAreaM2(bed, stand.part)
  const weighed = stand.start.fact?.components ?? []
  return (
    <section aria-label="Up yet" className="mt-4 border-t border-base-300 pt-3" data-testid="up-yet">
      <h2>Up yet?</h2>
      <p>
        {up ? `The first should be up ${dateSpreadText(up)}` : 'When it comes up is not certain yet'}
        {up && up.high < today ? '; by now it is late' : ''}. Keep the top moist until then.{' '}
        {latest !== null
          ? `It can be sown again until about ${shortDate(latest)}.`
          : 'Frost sets no end to sowing again.'}
      </p>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <TextField label="Ring across, cm" decimal className="w-28" value={diameter} onChange={setDiameter} />
        <TextField
          label="Seedlings in each ring"
          hint="a number for each, spaces between"
          className="w-56"
          value={counts}
          onChange={setCounts}
        />
        <TextField label="Thin part of the bed, %" decimal className="w-36" value={thin} onChange={setThin} />
      </div>
      {counts.trim() !== '' && !found && (
        <p role="alert" className="font-semibold text-error">
          Seedlings: whole numbers, one for each ring; and the ring’s width in cm.
        </p>
      )}
      {found && (
        <p className="mt-1" data-testid="seedlings">
          {Math.round(found.plantsPerM2.mid)} plants per m² ({Math.round(found.plantsPerM2.low)} to{' '}
          {Math.round(found.plantsPerM2.high)}), {percent(found.share)} of the {Math.round(expected)}{' '}
          expected.{' '}
          {found.share >= THIN_SHARE || (up && up.high > today)
            ? found.share >= THIN_SHARE
              ? 'Full enough; leave it.'
              : 'More may still come; wait until it is late.'
            : latest !== null && latest < today
              ? 'Thin, and too late to sow again.'
              : `Thin: sow ${weighed
                  .map((part) => {
                    const perM2 = (part.grams ?? 0) / Math.max(0.01, areaM2)
                    return `${grams(resowGrams(perM2, areaM2, Number(thin) / 100, found.share), data.garden.units)} of ${findSpecies(part.speciesId)?.name.toLowerCase()}`
                  })
                  .join(' and ')} over the thin part.`}{' '}
          <Why>
            Expected: seed weighed, what of it germinates, and the share that comes up covered like this. The
            range is that of counting only some rings (90 %). Thin is below {Math.round(THIN_SHARE * 100)} %
            (judgement, 50 to 70).
          </Why>
        </p>
      )}
    </section>
  )
}
