import { useState } from 'react'
import { useAnswer } from '../../compute/useAnswer'
import { dayNumber } from '../../core/foundations/day'
import type { SiteClimate } from '../../core/garden/site'
import {
  problemsOf,
  type AnswerProblem,
  type ClimateAnswers,
  type FittedClimate,
} from '../../core/site/fitClimate'
import { Field } from '../../parts/Field'
import { Waiting } from '../../parts/Waiting'
import { typedNumber } from '../../parts/typed'
import { monthName, shortDate, temperature, type Units } from '../../text/format'

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

type Typed = {
  lastFrost: string
  firstFrost: string
  coldest: string
  high: string
  low: string
  wet: number[]
  dry: number[]
}

const EMPTY: Typed = { lastFrost: '', firstFrost: '', coldest: '', high: '', low: '', wet: [], dry: [] }

const celsiusOf = (text: string, units: Units) =>
  units === 'imperial' ? (typedNumber(text) - 32) / 1.8 : typedNumber(text)

type Place = Pick<ClimateAnswers, 'latitude' | 'elevationM' | 'coastal'>

/** The answers typed, or what is missing or wrong. */
function readAnswers(place: Place, typed: Typed, units: Units): ClimateAnswers | string[] {
  // The day counts, not its year.
  const frost = (date: string) => (date === '' ? null : date.slice(5).replace('02-29', '02-28'))
  const answers: ClimateAnswers = {
    ...place,
    lastFrost: frost(typed.lastFrost),
    firstFrost: frost(typed.firstFrost),
    coldestNightC: celsiusOf(typed.coldest, units),
    hottestHighC: celsiusOf(typed.high, units),
    hottestLowC: celsiusOf(typed.low, units),
    wetMonths: typed.wet,
    dryMonths: typed.dry,
  }
  if (!(Math.abs(place.latitude) <= 66)) return ['Latitude: between −66 and 66.']
  if (!Number.isFinite(place.elevationM)) return ['Elevation: a number.']
  const { coldestNightC, hottestHighC, hottestLowC } = answers
  if (![coldestNightC, hottestHighC, hottestLowC].every((value) => value >= -60 && value <= 55))
    return [
      'Coldest night, and high and low of the hottest month: numbers between −60 and 55 °C (−76 and 131 °F).',
    ]
  const problems = problemsOf(answers).map((problem) => PROBLEM_TEXT[problem])
  return problems.length > 0 ? problems : answers
}

/** Normals from what a grower knows: frosts, the coldest night, the hottest month, wet and dry months. */
export function ClimateByFrosts({
  place,
  units,
  onFitted,
}: {
  place: Place
  units: Units
  onFitted: (site: SiteClimate) => void
}) {
  const [typed, setTyped] = useState(EMPTY)
  const [problems, setProblems] = useState<string[]>([])
  const [asked, setAsked] = useState<ClimateAnswers | null>(null)
  const fitted = useAnswer('fitClimate', asked && [asked])
  const text = (name: 'lastFrost' | 'firstFrost' | 'coldest' | 'high' | 'low') => ({
    value: typed[name],
    onChange: (event: { target: { value: string } }) => setTyped({ ...typed, [name]: event.target.value }),
  })
  const unit = units === 'imperial' ? '°F' : '°C'

  function ask() {
    const read = readAnswers(place, typed, units)
    setProblems(Array.isArray(read) ? read : [])
    setAsked(Array.isArray(read) ? null : read)
  }

  return (
    <details className="max-w-5xl">
      <summary className="cursor-pointer font-semibold">Work the normals out from frosts you know</summary>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        <Field label="Last frost" hint="half the years are past it; empty for none">
          <input type="date" className="input w-44" {...text('lastFrost')} />
        </Field>
        <Field label="First frost" hint="any year">
          <input type="date" className="input w-44" {...text('firstFrost')} />
        </Field>
        <Field label={`Coldest night, ${unit}`} hint="of a usual winter">
          <input className="input w-28" {...text('coldest')} />
        </Field>
        <Field label={`Hottest month, high, ${unit}`} hint="usual afternoon">
          <input className="input w-28" {...text('high')} />
        </Field>
        <Field label={`Hottest month, low, ${unit}`} hint="usual night">
          <input className="input w-28" {...text('low')} />
        </Field>
      </div>
      <Months label="Wet months" chosen={typed.wet} onChange={(wet) => setTyped({ ...typed, wet })} />
      <Months label="Dry months" chosen={typed.dry} onChange={(dry) => setTyped({ ...typed, dry })} />
      {problems.map((problem) => (
        <p key={problem} role="alert" className="mt-1 font-semibold text-error">
          {problem}
        </p>
      ))}
      <button type="button" className="btn btn-sm mt-2" onClick={ask}>
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
          {monthName(month * 30.44 + 15)}
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
