import type { UseFormRegister } from 'react-hook-form'
import type { UsualYear } from '../../core/site/usualYear'
import { degrees, temperature, type Units } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { TypedDay, TypedText, TypedTick } from '../form/fields'
import type { Typed } from '../form/useTyped'
import { ProblemLine } from '../ProblemLine'
import { frostText } from './HomeYear'
import type { homeForm } from './homeForm'

export type HomeForm = Pick<
  Typed<ReturnType<typeof homeForm>>,
  'text' | 'problem' | 'problemsIn' | 'register' | 'set'
>

/** How much of the rain there is. */
const rainText = (percent: number) => (percent === 100 ? 'as around here' : `${percent} % of it`)
const seasonText = (celsius: number, units: Units) =>
  celsius === 0 ? 'as around here' : degrees(celsius, units)

/** What a grower corrects of a usual year: winters, summers and rain by slider, and further what is known. */
export function HomeFields({
  form,
  year,
  units,
}: {
  form: HomeForm
  year: UsualYear | undefined
  units: Units
}) {
  const { text } = form
  const unit = unitOf('temperature', units)
  const table = year?.uncorrected
  const says = (value: string | undefined) => (value === undefined ? '' : `places around: ${value}`)
  const at = (celsius: number | undefined) =>
    celsius === undefined ? undefined : temperature(celsius, units)
  const hottest = table && table.site.tMaxC.indexOf(Math.max(...table.site.tMaxC))
  const moved = text.winter !== '0' || text.summer !== '0' || text.rain !== '100'
  return (
    <div className="flex flex-col gap-2">
      <div className="grid gap-x-6 gap-y-2 sm:grid-cols-3">
        <Slider
          form={form}
          name="winter"
          label="Winters"
          ends={['colder', 'milder']}
          said={seasonText(Number(text.winter), units)}
          low={-8}
          high={8}
          step={0.5}
        />
        <Slider
          form={form}
          name="summer"
          label="Summers"
          ends={['cooler', 'hotter']}
          said={seasonText(Number(text.summer), units)}
          low={-8}
          high={8}
          step={0.5}
        />
        <Slider
          form={form}
          name="rain"
          label="Rain"
          ends={['drier', 'wetter']}
          said={rainText(Number(text.rain))}
          low={30}
          high={250}
          step={5}
        />
      </div>
      {moved && (
        <button
          type="button"
          className="btn btn-sm w-fit"
          onClick={() => form.set({ winter: '0', summer: '0', rain: '100' })}
        >
          Back to how it is around here
        </button>
      )}
      <details>
        <summary className="cursor-pointer py-1 font-semibold">
          Frosts, coldest night, hottest month: if you know them
        </summary>
        <div className="mt-1 flex flex-wrap items-start gap-3">
          <TypedDay
            form={form}
            name="lastFrost"
            label="Last frost"
            hint={says(table && frostText(table.nights.lastFrost))}
            className="w-44"
          />
          <TypedDay
            form={form}
            name="firstFrost"
            label="First frost"
            hint={says(table && frostText(table.nights.firstFrost))}
            className="w-44"
          />
          <TypedText
            form={form}
            name="coldestC"
            label={`Coldest night, ${unit}`}
            hint={says(at(table?.nights.coldestC))}
            className="w-36"
          />
          <TypedText
            form={form}
            name="hottestHighC"
            label={`Hottest month, high, ${unit}`}
            hint={says(at(table && table.site.tMaxC[hottest!]))}
            className="w-36"
          />
          <TypedText
            form={form}
            name="hottestLowC"
            label={`Hottest month, low, ${unit}`}
            hint={says(at(table && table.site.tMinC[hottest!]))}
            className="w-36"
          />
        </div>
        <TypedTick form={form} name="noFrost" label="Most years have no frost" />
        <p className="quiet text-sm">
          A frost is the day that half of all years have it behind them; its year does not count. What is left
          empty stays as it is above.
        </p>
      </details>
      {form.problemsIn('known').map((problem) => (
        <ProblemLine key={problem} text={problem} />
      ))}
    </div>
  )
}

function Slider({
  form,
  name,
  label,
  ends: [less, more],
  said,
  low,
  high,
  step,
}: {
  form: HomeForm
  name: 'winter' | 'summer' | 'rain'
  label: string
  ends: readonly [string, string]
  said: string
  low: number
  high: number
  step: number
}) {
  const register = form.register as unknown as UseFormRegister<Record<typeof name, string>>
  return (
    <label className="block">
      <span className="flex flex-wrap justify-between gap-x-2 text-sm">
        <strong>{label}</strong>
        <span aria-hidden="true">{said}</span>
      </span>
      <input
        type="range"
        className="range range-sm my-2 w-full"
        min={low}
        max={high}
        step={step}
        aria-label={label}
        aria-valuetext={said}
        {...register(name)}
      />
      <span className="quiet flex justify-between text-sm" aria-hidden="true">
        <span>{less}</span>
        <span>{more}</span>
      </span>
    </label>
  )
}
