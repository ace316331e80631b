import { useMemo, useState } from 'react'
import { z } from 'zod'
import { useAnswer } from '../../compute/useAnswer'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { SiteClimate } from '../../core/garden/site'
import {
  problemsOf,
  type AnswerProblem,
  type ClimateAnswers,
  type FittedClimate,
} from '../../core/site/fitClimate'
import { dayOrNone, quantity } from '../../parts/form/codecs'
import { TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { ProblemLine } from '../../parts/ProblemLine'
import { Waiting } from '../../parts/Waiting'
import { shortDate, temperature, type Units } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { monthWord } from './place'

const PROBLEM_TEXT: Record<AnswerProblem, string> = {
  'one frost only': 'Give both the last and the first frost, or neither where most years have none.',
  'frosts the wrong way round':
    'The last frost must come before summer and the first after it. North of the equator that is spring and autumn; check the dates, and the sign of the latitude.',
  'high below low': 'The hottest month: the high must be above the low.',
  'night above summer low': 'The coldest night must be colder than the nights of the hottest month.',
  'frosts without a frosty night':
    'There are frosts, yet the coldest night is above freezing. Check it, or leave the frosts empty.',
  'frosty night without frosts': 'The coldest night freezes: give the last and the first frost.',
  'no summer':
    'No cover grows where the hottest month stays so cold. Check its high: it is what a usual afternoon reaches.',
}

type Place = Pick<ClimateAnswers, 'latitude' | 'elevationM' | 'coastal'>

/** What a grower knows of the climate; the days of frosts count, not their years. */
function answersForm(place: Place, units: Units) {
  const degrees = (name: string) => quantity('temperature', units, { name, low: -60, high: 55 })
  return z
    .object({
      lastFrost: dayOrNone(),
      firstFrost: dayOrNone(),
      coldestNightC: degrees('The coldest night'),
      hottestHighC: degrees('The high of the hottest month'),
      hottestLowC: degrees('The low of the hottest month'),
      wetMonths: z.array(z.number()),
      dryMonths: z.array(z.number()),
    })
    .superRefine((typed, context) => {
      const say = (message: string) => context.addIssue({ code: 'custom', path: ['climate'], message })
      if (!(Math.abs(place.latitude) <= 66)) say('Latitude: between −66 and 66.')
      else if (!Number.isFinite(place.elevationM)) say('Elevation: a number.')
      else for (const problem of problemsOf(answersOf(place, typed))) say(PROBLEM_TEXT[problem])
    })
}
type Typed = z.output<ReturnType<typeof answersForm>>

function answersOf(place: Place, { lastFrost, firstFrost, ...typed }: Typed): ClimateAnswers {
  const ofYear = (day: number | null) =>
    day === null ? null : isoDate(day).slice(5).replace('02-29', '02-28')
  return { ...place, ...typed, lastFrost: ofYear(lastFrost), firstFrost: ofYear(firstFrost) }
}

const EMPTY = {
  lastFrost: '',
  firstFrost: '',
  coldestNightC: '',
  hottestHighC: '',
  hottestLowC: '',
  wetMonths: [],
  dryMonths: [],
}

/** Normals from what a grower knows: frosts, the coldest night, the hottest month, wet and dry months. */
export function ClimateByFrosts({
  place: { latitude, elevationM, coastal },
  units,
  onFitted,
}: {
  place: Place
  units: Units
  onFitted: (site: SiteClimate) => void
}) {
  const form = useTyped({
    schema: useMemo(
      () => answersForm({ latitude, elevationM, coastal }, units),
      [latitude, elevationM, coastal, units],
    ),
    draft: { name: 'frosts' },
    blank: EMPTY,
  })
  const [asked, setAsked] = useState<ClimateAnswers | null>(null)
  const fitted = useAnswer('fitClimate', asked && [asked])
  const unit = unitOf('temperature', units)
  // What was answered stays, to be corrected when the two columns do not agree.
  const ask = form.submit(async ({ value }) => {
    setAsked(answersOf({ latitude, elevationM, coastal }, value))
    return false
  })
  const climate = form.problemsIn('climate')[0]

  return (
    <details className="max-w-5xl">
      <summary className="cursor-pointer font-semibold">Work the normals out from frosts you know</summary>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <TypedDay
          form={form}
          name="lastFrost"
          label="Last frost"
          hint="half the years are past it; empty for none"
          className="w-44"
        />
        <TypedDay form={form} name="firstFrost" label="First frost" hint="any year" className="w-44" />
        <TypedText
          form={form}
          name="coldestNightC"
          label={`Coldest night, ${unit}`}
          hint="of a usual winter"
          className="w-28"
        />
        <TypedText
          form={form}
          name="hottestHighC"
          label={`Hottest month, high, ${unit}`}
          hint="usual afternoon"
          className="w-28"
        />
        <TypedText
          form={form}
          name="hottestLowC"
          label={`Hottest month, low, ${unit}`}
          hint="usual night"
          className="w-28"
        />
      </div>
      <Months
        label="Wet months"
        chosen={form.text.wetMonths}
        onChange={(wetMonths) => form.set({ wetMonths })}
      />
      <Months
        label="Dry months"
        chosen={form.text.dryMonths}
        onChange={(dryMonths) => form.set({ dryMonths })}
      />
      <ProblemLine text={climate ?? null} />
      <button type="button" className="btn btn-sm mt-2" onClick={() => void ask()}>
        Work out
      </button>
      <Waiting
        what="Trying normals against your answers"
        running={fitted.running}
        progress={fitted.progress}
        error={fitted.error}
        onCancel={fitted.cancel}
        onRetry={fitted.retry}
      />
      {asked && fitted.value && (
        <Reproduced
          asked={asked}
          fitted={fitted.value}
          units={units}
          onUse={() => onFitted(fitted.value!.site)}
        />
      )}
    </details>
  )
}

function Months({
  label,
  chosen,
  onChange,
}: {
  label: string
  chosen: number[]
  onChange: (months: number[]) => void
}) {
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <legend className="text-sm font-semibold">{label}</legend>
      {Array.from({ length: 12 }, (_, month) => (
        <label key={month} className="flex items-center gap-1">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={chosen.includes(month)}
            onChange={(event) =>
              onChange(event.target.checked ? [...chosen, month] : chosen.filter((one) => one !== month))
            }
          />
          {monthWord(month)}
        </label>
      ))}
    </fieldset>
  )
}

const monthDay = (of: string | null) =>
  of === null ? 'none in most years' : shortDate(dayNumber(`2023-${of}`))

/** What generated years come to beside each answer. */
function Reproduced({
  asked,
  fitted: { reproduced },
  units,
  onUse,
}: {
  asked: ClimateAnswers
  fitted: FittedClimate
  units: Units
  onUse: () => void
}) {
  const rows = [
    ['Last frost', monthDay(asked.lastFrost), monthDay(reproduced.lastFrost)],
    ['First frost', monthDay(asked.firstFrost), monthDay(reproduced.firstFrost)],
    ...(
      [
        ['Coldest night', 'coldestNightC'],
        ['Hottest month, high', 'hottestHighC'],
        ['Hottest month, low', 'hottestLowC'],
      ] as const
    ).map(([name, key]) => [name, temperature(asked[key], units), temperature(reproduced[key], units)]),
  ]
  return (
    <div className="mt-2" data-testid="reproduced">
      <table className="table table-sm w-auto">
        <thead>
          <tr>
            <th />
            <th>You said</th>
            <th>120 generated years</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, said, got]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>{said}</td>
              <td>{got}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet mt-1 text-sm">
        Where the two columns lie far apart, the answers do not agree with one another: check the one that is
        least sure.
      </p>
      <button type="button" className="btn btn-primary btn-sm mt-1" onClick={onUse}>
        Fill the table below
      </button>
    </div>
  )
}
