import { useMemo, useState } from 'react'
import { partAreaM2 } from '../../core/garden/area'
import { findSpecies } from '../../core/plants/catalogue'
import { cansFor, litresFor, sprinklerFrom } from '../../core/seeding/water'
import { chanceText, dateSpreadText, rain, shortDate, type Units } from '../../parts/format'
import { Scroll } from '../../parts/Scroll'
import { TextField } from '../../parts/SelectField'
import { Failed, Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useEngine } from '../../state/useEngine'
import type { StandView } from '../../state/useStand'
import { typedNumber } from '../../parts/typed'

const LOOK_DAYS = 21
const BEST_SHOWN = 7
const CAN_LITRES = 10

/** Which of the coming days suit the seed: soil warm enough, early enough before frost, moist without watering. */
export function WhenToSow({ view, units }: { view: StandView; units: Units }) {
  const { spec, today } = useGarden()
  const { bed, stand } = view
  const ids = useMemo(
    () => (stand.content.kind === 'cover' ? stand.content.components.map((part) => part.speciesId) : []),
    [stand.content],
  )
  const windowArgs = useMemo((): [typeof spec, string[]] => [spec, ids], [spec, ids])
  const dayArgs = useMemo(
    (): [typeof spec, typeof bed.soil, number, number] => [spec, bed.soil, today, LOOK_DAYS],
    [spec, bed, today],
  )
  const windows = useEngine('sowingWindows', windowArgs)
  const days = useEngine('sowingDays', dayArgs)
  const areaM2 = partAreaM2(bed, stand.part)
  const best = [...(days.value ?? [])]
    .sort((a, b) => b.moistChance - a.moistChance || a.day - b.day)
    .slice(0, BEST_SHOWN)
  return (
    <details className="no-print mt-5" open>
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">When, and water</summary>
      <Waiting
        what="Looking at the coming days"
        running={days.running}
        progress={days.progress}
        error={days.error}
        onCancel={days.cancel}
        onRetry={days.retry}
      />
      <Failed what="Looking for the last sensible sowing" failure={windows} />
      {windows.value && (
        <ul className="mt-1" data-testid="sowing-windows">
          {ids.map((speciesId) => {
            const window = windows.value?.[speciesId]
            if (!window) return null
            return (
              <li key={speciesId}>
                <strong>{findSpecies(speciesId)?.name}</strong>: soil warm enough{' '}
                {window.warmFrom
                  ? window.warmFrom.high <= today
                    ? 'now'
                    : `from ${dateSpreadText(window.warmFrom)}`
                  : 'not in sight'}
                ; last sensible sowing {window.latest ? dateSpreadText(window.latest) : 'not set by frost'}.
                Today: {chanceText(window.todayChance)}.
              </li>
            )
          })}
        </ul>
      )}
      {best.length > 0 && (
        <Scroll label="Sowing days">
          <table className="table table-sm mt-2 w-auto" data-testid="sowing-days">
            <thead>
              <tr>
                <th>Best days</th>
                <th>Moist for twelve days by itself</th>
                <th>Rain</th>
                <th>Else water, in all</th>
              </tr>
            </thead>
            <tbody>
              {best.map((entry) => (
                <tr key={entry.day}>
                  <td>{shortDate(entry.day)}</td>
                  <td>{chanceText(entry.moistChance)}</td>
                  <td>
                    {rain(entry.rainMm.low, units)} to {rain(entry.rainMm.high, units)}
                  </td>
                  <td>{waterText(entry.needMm.mid, areaM2, units)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroll>
      )}
      <Sprinkler needMm={best[0]?.needMm.mid ?? 0} units={units} />
      <Why>
        The seed layer (0 to 5 cm) followed day by day with rain, evaporation and this soil’s hold of water,
        in a hundred seasons that start from the forecast where there is one. Warm: five days at two degrees
        above the seed’s base. Last sensible: back from the first hard frost by the days to root (18 hardy
        cereals, 30, 42 small legumes; extension) and the warmth to come up.
      </Why>
    </details>
  )
}

function waterText(mm: number, areaM2: number, units: Units): string {
  if (mm < 1) return 'none'
  const litres = litresFor(mm, areaM2)
  return `${rain(mm, units)}, ${Math.round(litres)} litres or ${cansFor(litres, CAN_LITRES)} cans`
}

/** Minutes for an own sprinkler, from what it puts into some cups. */
function Sprinkler({ needMm, units }: { needMm: number; units: Units }) {
  const [cups, setCups] = useState('')
  const [minutes, setMinutes] = useState('30')
  const found = sprinklerFrom(
    cups
      .split(/[\s;]+/)
      .filter(Boolean)
      .map(typedNumber),
    Number(minutes),
  )
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-sm">Minutes for my sprinkler</summary>
      <div className="mt-1 flex flex-wrap items-start gap-3">
        <TextField
          label="Water in each cup, mm"
          hint="three cups or more, spaces between"
          className="w-56"
          value={cups}
          onChange={setCups}
        />
        <TextField label="After minutes" className="w-28" value={minutes} onChange={setMinutes} />
      </div>
      {cups.trim() !== '' &&
        (found ? (
          <p>
            It gives {rain(found.mmPerHour, units)} an hour, {Math.round(found.evenness * 100)} % even
            {found.evenness < 0.7 ? '; move it about' : ''}.{' '}
            {needMm >= 1 && `${Math.round((needMm / found.mmPerHour) * 60)} minutes in all, in several goes.`}
          </p>
        ) : (
          <p role="alert" className="font-semibold text-error">
            Cups: give at least three amounts in mm, and the minutes.
          </p>
        ))}
    </details>
  )
}
