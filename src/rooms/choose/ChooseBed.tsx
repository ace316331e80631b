import type { Bed } from '../../core/garden/schema'
import type { BedWindow } from '../../core/garden/windows'
import { partAreaM2 } from '../../core/garden/area'
import { PURPOSES } from '../../core/choosing/purposes'
import { SPECIES } from '../../core/plants/catalogue'
import { findCrop } from '../../core/plants/crops'
import { area, longDate } from '../../parts/format'
import { DateField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { Waiting } from '../../parts/Waiting'
import { useGarden } from '../../state/garden'
import { Answer } from './Answer'
import { useChoose, type ChooseForm } from './useChoose'

/** Choosing a cover for one bed: the window on the left, what fits it on the right. */
export function ChooseBed({ bed, day }: { bed: Bed; day: number }) {
  const { data, today } = useGarden()
  const { window, next, form, change, problems, answer, choose, asked } = useChoose(bed, day)
  return (
    <section className="py-3">
      <h1>
        Choose a cover for {bed.label}{' '}
        <span className="quiet font-sans text-base font-normal">
          {area(partAreaM2(bed, { kind: 'whole' }), data.garden.units)}
        </span>
      </h1>
      <p className="mt-1">
        {window
          ? windowText(
              window,
              today,
              next
                ? next.content.kind === 'crop'
                  ? (findCrop(next.content.cropId)?.name.toLowerCase() ?? '')
                  : 'the next cover'
                : null,
            )
          : 'This bed is not bare then. You can still ask what would fit.'}
      </p>
      <div className="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[19rem_minmax(0,1fr)]">
        <Question form={form} change={change} problems={problems} />
        <div>
          <Waiting
            what={`Growing ${SPECIES.length} covers through a hundred seasons`}
            running={answer.running}
            progress={answer.progress}
            error={answer.error}
            onCancel={answer.cancel}
            onRetry={answer.retry}
          />
          {!asked && <p>Complete the window to see what fits it.</p>}
          {answer.value && <Answer answer={answer.value} onChoose={choose} units={data.garden.units} />}
        </div>
      </div>
    </section>
  )
}

function windowText(window: BedWindow, today: number, next: string | null): string {
  const from = window.freeFromDay <= today ? 'Bare now' : `Bare from ${longDate(window.freeFromDay)}`
  if (!window.nextStandId) return `${from}; nothing is planned after it.`
  const weeks = Math.round((window.neededByDay - Math.max(today, window.freeFromDay)) / 7)
  return `${from}, for ${weeks} weeks, until ${next} on ${longDate(window.neededByDay)}.`
}

const MOST_PURPOSES = 2

function Question({
  form,
  change,
  problems,
}: {
  form: ChooseForm
  change: (part: Partial<ChooseForm>) => void
  problems: ReturnType<typeof useChoose>['problems']
}) {
  const toggle = (id: ChooseForm['purposes'][number]) =>
    change({
      purposes: form.purposes.includes(id)
        ? form.purposes.filter((item) => item !== id)
        : [...form.purposes, id].slice(-MOST_PURPOSES),
    })
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => event.preventDefault()}
      aria-label="Window and purpose"
    >
      <div className="grid grid-cols-2 gap-3">
        <DateField
          label="Free from"
          error={problems.freeFrom}
          value={form.freeFrom}
          onChange={(freeFrom) => change({ freeFrom })}
        />
        <DateField
          label="Needed by"
          error={problems.neededBy}
          value={form.neededBy}
          onChange={(neededBy) => change({ neededBy })}
        />
      </div>
      <Field label="Next crop">
        <select
          className="select w-full"
          value={form.cropId}
          onChange={(event) =>
            change({
              cropId: event.target.value,
              establishment: findCrop(event.target.value)?.establishment ?? form.establishment,
            })
          }
        >
          <option value="">not decided</option>
          <CropOptions />
        </select>
      </Field>
      <Field label="It is">
        <select
          className="select w-full"
          value={form.establishment}
          onChange={(event) => change({ establishment: event.target.value as ChooseForm['establishment'] })}
        >
          <EstablishmentOptions />
        </select>
      </Field>
      <fieldset>
        <legend className="text-sm font-semibold">What for? Up to two, first is first</legend>
        {PURPOSES.map((purpose) => {
          const place = form.purposes.indexOf(purpose.id)
          return (
            <label key={purpose.id} className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={place >= 0}
                onChange={() => toggle(purpose.id)}
              />
              {purpose.name}
              {place >= 0 && form.purposes.length > 1 && (
                <span className="quiet text-sm">{place === 0 ? 'first' : 'second'}</span>
              )}
            </label>
          )
        })}
        {problems.purposes && (
          <p role="alert" className="text-sm font-semibold text-error">
            {problems.purposes}
          </p>
        )}
      </fieldset>
      <Field label="Through winter">
        <select
          className="select w-full"
          value={form.winter}
          onChange={(event) => change({ winter: event.target.value as ChooseForm['winter'] })}
        >
          <option value="either">no matter</option>
          <option value="must live">must live</option>
          <option value="must die">must die</option>
        </select>
      </Field>
    </form>
  )
}
