import { useMemo, useState } from 'react'
import { isoDate } from '../../core/foundations/day'
import type { SowingOutlook } from '../../core/choosing/plantYear'
import type { Species } from '../../core/plants/parameters'
import { bandOn } from '../../core/season/standForecast'
import { dryMatter } from '../../text/amounts'
import { dateRangeText, monthName, percent, shortDate } from '../../text/format'
import { plainCase } from '../../core/portrait/plainCase'
import { tallestM } from '../../core/portrait/scene'
import type { WeatherSpec } from '../../core/season/weatherSpec'
import { DayPicture } from '../../parts/bedPicture/DayPicture'
import { Drawn } from '../../parts/bedPicture/Drawn'
import { PictureWhy } from '../../parts/bedPicture/PictureWhy'
import { usePortrait } from '../../parts/bedPicture/usePortrait'
import { SelectField } from '../../parts/SelectField'
import { Scroll } from '../../parts/Scroll'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import type { Strip } from '../../parts/weave/paint'
import { StripCanvas } from '../../parts/weave/StripCanvas'
import { useGarden } from '../../state/garden'
import { useDark } from '../../state/useDark'
import { useAnswer } from '../../compute/useAnswer'
import { WHOLE_CLOTH } from '../../parts/weave/standsOnCloth'

const SOWINGS = 12
const STRIP_WIDTH = 44
const STRIP_HEIGHT = 330
const STRIP_DAYS = 330
/** Below this share of covered ground, in the middle of years, no picks are woven worth the name. */
const NEVER_COVERS = 0.3

/** The first of each of the twelve months from this one on. */
function monthStarts(today: number): number[] {
  const days: number[] = []
  for (let day = today; days.length < SOWINGS; day++) if (isoDate(day).endsWith('-01')) days.push(day)
  return days
}

/** The cover's year at this place: sown on the first of each month, as woven and in dates. */
export function PlantYear({ plant }: { plant: Species }) {
  const { data, today, spec } = useGarden()
  const dark = useDark()
  const sowDays = useMemo(() => monthStarts(today), [today])
  const args = useMemo(
    (): [typeof spec, string, number[]] => [{ ...spec, days: spec.days + 220 }, plant.id, sowDays],
    [spec, plant.id, sowDays],
  )
  const answer = useAnswer('plantYear', args)
  const [asked, setAsked] = useState('')
  const { units } = data.garden
  return (
    <section aria-label="Sown month by month">
      <h2>Sown month by month</h2>
      <p>
        Sown on the first of each month and left to stand; eleven months downwards, dense where it covers the
        ground.
      </p>
      <Waiting
        what="Growing it from twelve sowing days"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {answer.value && (
        <>
          <Scroll label="Sowings as woven">
            <div
              className="mt-3 flex gap-2"
              role="img"
              aria-label={`Ground covered by ${plant.name.toLowerCase()} sown in each month, as woven; the table below has the dates`}
            >
              {answer.value.map((sowing) => (
                <figure key={sowing.sowDay} className="m-0">
                  <figcaption className="text-center text-xs">{monthName(sowing.sowDay)}</figcaption>
                  <StripCanvas
                    strip={stripOf(plant, sowing)}
                    width={STRIP_WIDTH}
                    height={STRIP_HEIGHT}
                    dark={dark}
                  />
                </figure>
              ))}
            </div>
          </Scroll>
          <Scroll label="Sowings in dates">
            <table className="table table-sm mt-3 w-auto" data-testid="plant-year">
              <thead>
                <tr>
                  <th>Sown</th>
                  <th>Half the ground green</th>
                  <th>{plant.group === 'grass' ? 'Pollen' : 'First flower'}</th>
                  <th>After 90 days</th>
                  <th>Survives or ripens</th>
                </tr>
              </thead>
              <tbody>
                {answer.value.map((sowing) => (
                  <tr key={sowing.sowDay}>
                    <td>{shortDate(sowing.sowDay)}</td>
                    <td>{often(sowing.covered)}</td>
                    <td>{often(sowing.flower)}</td>
                    <td>{sowing.mass90 ? dryMatter(sowing.mass90.p50, units) : '–'}</td>
                    <td>{percent(sowing.lives)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Scroll>
          <SelectField
            label="Drawn as sown on"
            className="w-40"
            value={asked === '' ? String(fullest(answer.value)) : asked}
            onChange={setAsked}
            options={sowDays.map((day) => [String(day), shortDate(day)])}
          />
          <PlantPicture
            plant={plant}
            sowDay={asked === '' ? fullest(answer.value) : Number(asked)}
            spec={args[0]}
          />
          <Why>
            Thirty seasons of this garden’s weather on loam of medium fertility, at the broadcast rate, not
            watered and not ended. Dates are the middle and the range of 8 in 10 years; a dash where fewer
            than half get there.
          </Why>
        </>
      )}
    </section>
  )
}

const often = ({ chance, quantiles }: SowingOutlook['flower']) =>
  quantiles && chance >= 0.5 ? dateRangeText(quantiles) : '–'

function stripOf(plant: Species, sowing: SowingOutlook): Strip {
  const end = sowing.sowDay + STRIP_DAYS
  const best = Math.max(...sowing.cover.p50)
  return {
    firstDay: sowing.sowDay,
    days: STRIP_DAYS,
    today: sowing.sowDay + STRIP_DAYS,
    bands: [
      {
        standId: plant.id,
        kind: 'cover',
        startDay: sowing.sowDay,
        end: { p10: end, p50: end, p90: end },
        groups: [plant.group],
        across: WHOLE_CLOTH,
        cover: (day) => (best < NEVER_COVERS ? 0 : (bandOn(sowing.cover, day)?.p50 ?? 0)),
        residue: () => 0,
      },
    ],
  }
}

/** The sowing after which most has grown in ninety days. */
const fullest = (sowings: readonly SowingOutlook[]): number =>
  sowings.reduce((best, sowing) => ((sowing.mass90?.p50 ?? 0) > (best.mass90?.p50 ?? 0) ? sowing : best))
    .sowDay

/** A straight stand of it from the side, on any day after a sowing. */
function PlantPicture({ plant, sowDay, spec }: { plant: Species; sowDay: number; spec: WeatherSpec }) {
  const { today, data } = useGarden()
  const { units } = data.garden
  const standCase = useMemo(() => plainCase(plant, sowDay), [plant, sowDay])
  return (
    <div className="max-w-2xl">
      <Drawn view={usePortrait(standCase, 'portrait plain', spec)} following={null}>
        {(of) => (
          <DayPicture
            key={sowDay}
            of={of}
            opens="flower"
            told={units}
            today={today}
            tallestM={tallestM(of.portrait, null)}
            label={plant.name}
          />
        )}
      </Drawn>
      <PictureWhy units={units} />
    </div>
  )
}
