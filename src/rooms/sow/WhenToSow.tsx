import { readQuantity, unitOf, writeQuantity } from '../../text/quantity'
import { useMemo, useState } from 'react'
import { findMethod } from '../../core/termination/methods'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { segmentAreaM2 } from '../../core/garden/area'
import { latest as latestOf } from '../../core/garden/timeline'
import { plannedEnd, targetDay } from '../../core/scenario/plan'
import { bestSowingDays, latestSowing } from '../../core/scenario/sowingDays'
import type { Scenario } from '../../core/scenario/types'
import { hoseLitresPerMinute, litresFor, sprinklerFrom } from '../../core/seeding/water'
import { Chance } from '../../parts/Chance'
import { Scroll } from '../../parts/Scroll'
import { TextField } from '../../parts/SelectField'
import { Failed, Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import type { PlanView } from '../../state/usePlan'
import { useSettled } from '../../state/useSettled'
import type { StandView } from '../../state/useStand'
import { failsText } from '../../text/criteria'
import { waterText } from './waterText'
import {
  inHundred,
  chanceText,
  rain,
  shortDate,
  type Units,
  centimetres,
  litres as litresText,
} from '../../text/format'

/** Days looked at for moisture, and how near and how far the plan is evaluated for other sowing days. */
const MOIST_LOOK_DAYS = 21
const NEAR_DAYS = 18
const NEAR_STEP = 3
const FAR_STEP = 7
const FAR_WEEKS = 10
const SHOWN = 8

/** Sowing days the plan is tried on: every third of the coming ones, then weekly until the ground or the end comes. */
function triedDays(today: number, before: number): number[] {
  const near = Array.from({ length: NEAR_DAYS / NEAR_STEP + 1 }, (_, i) => today + i * NEAR_STEP)
  const far = Array.from({ length: FAR_WEEKS }, (_, i) => today + NEAR_DAYS + (i + 1) * FAR_STEP)
  return [...near, ...far].filter((day) => day < before)
}

/** The plan sown on other days: its chance on each, the last to rely on, and the water each day's seedbed would want. */
export function WhenToSow({ view, units, plan }: { view: StandView; units: Units; plan: PlanView }) {
  const { spec, today } = useGarden()
  const { bed, stand } = view
  const { scenario } = plan
  const end = plannedEnd(scenario)
  const before = Math.min(
    targetDay(scenario.follows),
    end && !findMethod(end.method)?.waits ? dayNumber(end.date) : Infinity,
  )
  const settled = useSettled(scenario)
  const outlookArgs = useMemo(
    (): [typeof spec, Scenario, number[]] | null =>
      plan.problems.length === 0 ? [spec, settled, triedDays(today, before)] : null,
    [plan.problems.length, spec, settled, today, before],
  )
  const dayArgs = useMemo(
    (): [typeof spec, typeof bed.soil, number, number] => [spec, bed.soil, today, MOIST_LOOK_DAYS],
    [spec, bed, today],
  )
  const outlook = useAnswer('sowingOutlook', outlookArgs, `sowing ${stand.id}`)
  const days = useAnswer('sowingDays', dayArgs)
  const areaM2 = segmentAreaM2(bed, stand.segment)
  const tried = outlook.value ?? outlook.soFar ?? outlook.last ?? []
  const best = bestSowingDays(tried).slice(0, SHOWN)
  const latest = latestSowing(tried)
  const moist = (day: number) => days.value?.find((entry) => entry.day === day)
  const planned = latestOf(stand.start)?.date
  return (
    <details className="no-print mt-5" open>
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">When, and water</summary>
      <Waiting
        what="Trying the plan on other sowing days"
        running={outlook.running}
        progress={outlook.progress}
        error={outlook.error}
        onCancel={outlook.cancel}
        onRetry={outlook.retry}
      />
      <Failed what="Looking at the coming days" failure={days} />
      {outlook.value && tried.length > 0 && (
        <p className="mt-1" data-testid="sowing-latest">
          {latest === null
            ? 'On none of the days looked at is the plan’s chance one to rely on (80 in 100).'
            : `Last sowing day to rely on, of those looked at: ${shortDate(latest)}.`}
        </p>
      )}
      {best.length > 0 && (
        <Scroll label="Sowing days">
          <table className="table table-sm mt-2 w-auto" data-testid="sowing-days" data-help="sowing-days">
            <thead>
              <tr>
                <th>Sown on</th>
                <th>The plan’s chance</th>
                <th>Moist for twelve days by itself</th>
                <th>Else water, in all</th>
                <th>
                  <span className="sr-only">Take it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {best.map((entry) => {
                const water = moist(entry.day)
                return (
                  <tr key={entry.day} data-chance={inHundred(entry.chance)}>
                    <td>{shortDate(entry.day)}</td>
                    <td>
                      <Chance share={entry.chance} />
                      <span className="quiet text-sm"> {failsText(entry.failures, 1)}</span>
                    </td>
                    <td>{water ? chanceText(water.moistChance) : '–'}</td>
                    <td>{water ? waterText(water.needMm.p50, areaM2, units) : '–'}</td>
                    <td>
                      {!stand.start.actual && planned !== isoDate(entry.day) && (
                        <button
                          type="button"
                          className="btn btn-xs whitespace-nowrap"
                          aria-label={`Try sowing on ${shortDate(entry.day)}`}
                          onClick={() => plan.change({ sowing: { date: isoDate(entry.day) } })}
                        >
                          Try it
                        </button>
                      )}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </Scroll>
      )}
      <Sprinkler needMm={days.value?.[0]?.needMm.p50 ?? 0} units={units} />
      <Hose litres={litresFor(days.value?.[0]?.needMm.p50 ?? 0, areaM2)} units={units} />
      <Why>
        The whole plan is evaluated for each day, its end and what follows as planned: ground that can be
        worked, a cover that establishes, an end in time. Days within five points count as equal, the earlier
        first. Moist: the seed layer (the top {centimetres(0.05, units)}) followed day by day with rain,
        evaporation and this soil’s hold of water.
      </Why>
    </details>
  )
}

/** Minutes for a hose of some length, at an ordinary tap. */
function Hose({ litres, units }: { litres: number; units: Units }) {
  const [length, setLength] = useState(() => writeQuantity(USUAL_HOSE_M, 'length', units))
  const lengthM = readQuantity(length, 'length', units)
  const known = lengthM >= 1 && lengthM <= 200
  const flow = hoseLitresPerMinute(lengthM)
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-sm">Minutes for my hose</summary>
      <TextField
        label={`Length of the hose, ${unitOf('length', units)}`}
        className="mt-1 w-40"
        error={known ? undefined : 'The length of the hose must be a number such as 25.'}
        value={length}
        onChange={setLength}
      />
      {known && (
        <p className="mt-1">
          About {litresText(flow, units)} a minute through a half-inch hose; the tap may give half or twice
          that, so fill a can by the clock.{' '}
          {litres >= 1 &&
            `${Math.max(1, Math.round(litres / flow))} minutes for what this ground wants from today.`}
        </p>
      )}
    </details>
  )
}
const USUAL_HOSE_M = 25

/** Minutes for an own sprinkler, from what it puts into some cups. */
function Sprinkler({ needMm, units }: { needMm: number; units: Units }) {
  const [cups, setCups] = useState('')
  const [minutes, setMinutes] = useState('30')
  const found = sprinklerFrom(
    cups
      .split(/[\s;]+/)
      .filter(Boolean)
      .map((cup) => readQuantity(cup, 'rain', units)),
    Number(minutes),
  )
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-sm">Minutes for my sprinkler</summary>
      <div className="mt-1 flex flex-wrap items-start gap-3">
        <TextField
          label={`Water in each cup, ${unitOf('rain', units)}`}
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
            Cups: give at least three amounts in {unitOf('rain', units)}, and the minutes.
          </p>
        ))}
    </details>
  )
}
