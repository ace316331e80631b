import { useState } from 'react'
import { RAINS, SUMMERS, WINTERS } from '../../core/site/askedClimate'
import { Chip } from '../../parts/Chip'
import { ProblemLine } from '../../parts/ProblemLine'
import { TypedText } from '../../parts/form/fields'
import { writeQuantity } from '../../text/quantity'
import { temperature, type Units } from '../../text/format'
import type { StartForm } from './forms'
import { TownField } from './TownField'

/** What is meant by a word of the climate, in the garden's units. */
const meant = (units: Units) => {
  const at = (celsius: number) => temperature(celsius, units)
  return {
    'no frost': 'none, or hardly ever',
    'light frosts': `some nights, seldom below ${at(-6)}`,
    cold: `weeks of frost, down to about ${at(-15)}`,
    severe: 'long, frozen and snowy',
    cool: `afternoons below ${at(21)}`,
    warm: `afternoons of ${at(21)} to ${at(27)}`,
    hot: `afternoons of ${at(27)} to ${at(33)}`,
    'very hot': `often above ${at(33)}`,
  } as const
}

/** Where the garden lies, and two or three questions of its climate that anybody can answer. */
export function StartPlace({ form, units }: { form: StartForm; units: Units }) {
  const { text } = form
  const words = meant(units)
  const pick = (town: string, latitude: number) =>
    form.set({ town, latitude: writeQuantity(latitude, 'degrees', units) })
  if (text.place === 'later')
    return (
      <section aria-label="Place" className="flex flex-col gap-2">
        <h2>Where?</h2>
        <p>
          Later. Until then Kilim assumes cold winters and warm summers at 45° north: dates may be a month
          off.{' '}
          <button type="button" className="btn btn-sm" onClick={() => form.set({ place: 'told' })}>
            Say it now
          </button>
        </p>
      </section>
    )
  return (
    <section aria-label="Place" className="flex flex-col gap-3">
      <h2>Where?</h2>
      <div className="flex flex-wrap items-start gap-3">
        <TownField onPick={pick} />
        <TypedText
          form={form}
          name="latitude"
          label="or its latitude"
          hint="south is negative"
          className="h-11 w-28"
        />
        <Here onFound={(latitude) => pick('', latitude)} />
      </div>
      <Chips
        label="Frost in winter"
        options={WINTERS}
        words={words}
        chosen={text.winter}
        onChoose={(winter) => form.set({ winter })}
        problem={form.problem('winter')}
      />
      <Chips
        label="High summer"
        options={SUMMERS}
        words={words}
        chosen={text.summer}
        onChoose={(summer) => form.set({ summer })}
        problem={form.problem('summer')}
      />
      <Chips
        label="Rain"
        options={RAINS}
        words={{}}
        chosen={text.rain}
        onChoose={(rain) => form.set({ rain })}
        problem={form.problem('rain')}
      />
      <p className="quiet text-sm">
        With your own days of frost, under Weather, dates become surer by a week or two.{' '}
        <button type="button" className="link" onClick={() => form.set({ place: 'later' })}>
          Ask me all of this later
        </button>
      </p>
    </section>
  )
}

/** The browser's own knowledge of where it is, asked for only here; the latitude alone is taken. */
function Here({ onFound }: { onFound: (latitude: number) => void }) {
  const [said, setSaid] = useState('')
  if (!('geolocation' in navigator)) return null
  const ask = () => {
    setSaid('Asking the browser …')
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setSaid('')
        onFound(Math.round(coords.latitude * 10) / 10)
      },
      () => setSaid('The browser does not tell. Name a town, or type the latitude.'),
      { timeout: 10_000 },
    )
  }
  return (
    <div className="sm:mt-6">
      <button type="button" className="btn h-11" onClick={ask}>
        Where I am now
      </button>
      {said && (
        <p role="status" className="quiet mt-1 max-w-64 text-sm">
          {said}
        </p>
      )}
    </div>
  )
}

/** One of a few answers, each with what it means. */
function Chips<T extends string>({
  label,
  options,
  words,
  chosen,
  onChoose,
  problem,
}: {
  label: string
  options: readonly T[]
  words: Partial<Record<T, string>>
  chosen: string
  onChoose: (value: T) => void
  problem?: string
}) {
  return (
    <fieldset>
      <legend className="text-sm font-semibold">{label}</legend>
      <div className="mt-1 grid grid-cols-2 gap-1.5 md:grid-cols-4">
        {options.map((option) => (
          <Chip key={option} chosen={chosen === option} onPress={() => onChoose(option)}>
            {option}
            {words[option] && <span className="quiet block text-sm font-normal">{words[option]}</span>}
          </Chip>
        ))}
      </div>
      <ProblemLine text={problem ?? null} />
    </fieldset>
  )
}
