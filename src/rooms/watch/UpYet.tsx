import { useTold } from '../../state/useTold'
import { useState } from 'react'
import { dayNumber } from '../../core/foundations/day'
import type { SeedlingForm } from '../../core/plants/seedlingForms'
import { seedlingOf } from '../../core/plants/seedlings'
import { bandOn, type StandForecast } from '../../core/season/standForecast'
import { comingUp, type ComingUp } from '../../core/tracking/comingUp'
import { SeedlingDrawing } from '../../parts/drawings/SeedlingDrawing'
import { dryMatter } from '../../text/amounts'
import { percent, shortDate } from '../../text/format'
import { plantsOf } from '../../text/names'
import { Scroll } from '../../parts/Scroll'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import type { StandView } from '../../state/useStand'
import { Failed } from '../../parts/Waiting'

/** How long after sowing seedlings are looked for, unless the ground has closed before. */
const LOOK_DAYS = 45
const CLOSED = 0.6

/** From sowing to a full stand: what should be up by today, how to tell it apart, and whether to sow again. */
export function UpYet({ view, forecast }: { view: StandView; forecast: StandForecast }) {
  const { today } = useGarden()
  const { stand } = view
  const sownOn = stand.start.actual && !stand.end.actual ? dayNumber(stand.start.actual.date) : null
  const cover = bandOn(forecast.cover, today)
  if (sownOn === null || today - sownOn > LOOK_DAYS || (cover && cover.p10 > CLOSED)) return null
  const plants = plantsOf(stand)
  const rows = comingUp(forecast, today)
  return (
    <section aria-label="Slow to come up" className="mb-5" data-testid="up-yet" data-help="up-yet">
      <h2>Slow to come up?</h2>
      <p>
        Day {today - sownOn} since sowing.{' '}
        {forecast.covered30.quantiles && forecast.covered30.chance > 0.5
          ? `A third of the ground should be green about ${shortDate(forecast.covered30.quantiles.p50)}.`
          : ''}
      </p>
      <DayByDay rows={rows} names={plants.map(({ name }) => name)} sownOn={sownOn} today={today} />
      <ul className="mt-3 flex flex-col gap-3">
        {rows.map((row) => {
          const plant = plants[row.component]
          if (!plant) return null
          const { own, lookalikes } = seedlingOf(plant)
          return (
            <li key={plant.id}>
              <p>
                <strong>{plant.name}</strong> {stateText(row)}
              </p>
              <div className="mt-1 flex flex-wrap gap-3">
                <Seedling form={own} heading="looks like this" />
                {lookalikes.map((form) => (
                  <Seedling key={form.id} form={form} heading="not this" />
                ))}
              </div>
            </li>
          )
        })}
      </ul>
      <SowAgainLine view={view} />
    </section>
  )
}

function stateText({ state, due, waitUntil }: ComingUp): string {
  const range = `${shortDate(due.p10)} to ${shortDate(due.p90)}`
  switch (state) {
    case 'not due':
      return `is not due yet: ${range}. Keep the top moist.`
    case 'due':
      return `comes up these days, ${range}. Keep the top moist.`
    case 'should be up':
      return `should be up by now (${range}). Look closely; wait until ${shortDate(waitUntil)} before calling it missing.`
    case 'late':
      return `was due ${range}. What is not up now will hardly come: count a ring and decide.`
  }
}

function Seedling({ form, heading }: { form: SeedlingForm; heading: string }) {
  return (
    <figure className="m-0 w-44 border border-base-300 p-2">
      <SeedlingDrawing form={form} size={84} />
      <figcaption className="text-sm leading-snug">
        <span className="quiet">{heading}: </span>
        <strong>{form.name}.</strong> {form.tell}
      </figcaption>
    </figure>
  )
}

/** Each species' days of coming up on a line of days, with today on it. */
function DayByDay({
  rows,
  names,
  sownOn,
  today,
}: {
  rows: ComingUp[]
  names: string[]
  sownOn: number
  today: number
}) {
  const last = Math.max(today + 3, ...rows.map((row) => row.waitUntil))
  const days = Array.from({ length: last - sownOn + 1 }, (_, i) => sownOn + i)
  return (
    <Scroll label="Coming up, day by day">
      <table className="mt-2 border-separate border-spacing-0 text-sm">
        <thead>
          <tr>
            <th />
            {days.map((day) => (
              <th
                key={day}
                scope="col"
                className={`min-w-4 px-0 text-center text-xs font-normal ${day === today ? 'bg-secondary font-bold text-secondary-content' : ''}`}
              >
                {day === today || (day - sownOn) % 5 === 0 ? (
                  day - sownOn
                ) : (
                  <span className="sr-only">{day - sownOn}</span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.component}>
              <th scope="row" className="pr-3 text-left font-semibold whitespace-nowrap">
                {names[row.component]}
              </th>
              {days.map((day) => {
                const due = day >= Math.floor(row.due.p10) && day <= row.due.p90
                const waiting = day > row.due.p90 && day <= row.waitUntil
                const middle = day === Math.round(row.due.p50)
                return (
                  <td
                    key={day}
                    className={`h-5 border-b border-base-300 text-center leading-none ${due ? 'bg-primary text-primary-content' : waiting ? 'bg-accent/40' : ''} ${day === today ? 'border-x-2 border-x-secondary' : ''}`}
                  >
                    {middle ? '•' : ''}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet mt-1 text-xs">
        Days since sowing. Around the dot: the days it comes up in 8 of 10 members; after them: still worth
        waiting.
      </p>
    </Scroll>
  )
}

/** Whether sowing the failed spots again still pays: both ways run to the same day. */
function SowAgainLine({ view }: { view: StandView }) {
  const { spec } = useGarden()
  const [wanted, setWanted] = useState(false)
  const told = useTold(view.bed, view.stand.segment)
  const { standCase } = view
  const found = useAnswer('sowAgain', wanted ? [spec, standCase] : null)
  if (!wanted)
    return (
      <button type="button" className="btn mt-3" onClick={() => setWanted(true)}>
        Does sowing again still pay?
      </button>
    )
  if (found.error) return <Failed what="Growing both ways" failure={found} />
  if (!found.value) return <p role="status">Growing both ways …</p>
  const { byDay, leave, again } = found.value
  const behind = leave.massG.p50 > 0 ? again.massG.p50 / leave.massG.p50 : 1
  const worth = again.cover.p50 >= 0.5 || behind > 0.4
  return (
    <div className="mt-3" data-testid="sow-again">
      By {shortDate(byDay)} a spot sown again today would stand at {percent(again.cover.p50)} cover and{' '}
      {dryMatter(again.massG.p50, told)}; where this sowing came up it stands at {percent(leave.cover.p50)}{' '}
      and {dryMatter(leave.massG.p50, told)}.{' '}
      <strong>
        {worth
          ? 'Bare spots are worth sowing again.'
          : 'Sowing again brings little; choose something quicker or mulch the spots.'}
      </strong>{' '}
      <Why>
        Both are grown through the same two hundred seasons from today to the end planned here, with this
        bed’s soil, light and weather; bare spots as at a full rate.
      </Why>
    </div>
  )
}
