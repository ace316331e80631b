import { PURPOSES } from '../../core/choosing/purposes'
import type { WeedKind, WinterWish } from '../../core/choosing/types'
import type { Bed, Garden } from '../../core/garden/schema'
import { findCrop } from '../../core/plants/crops'
import { DateField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { MOST_PURPOSES, type ChooseForm, type Ground, type ProblemField } from './question'

type Props = {
  bed: Bed
  garden: Garden
  under: boolean
  form: ChooseForm
  change: (part: Partial<ChooseForm>) => void
  problems: Partial<Record<ProblemField, string>>
}

const PLACES = ['first', 'second', 'third']

/** The window, what it is for, and what the cover must be. */
export function Question(props: Props) {
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => event.preventDefault()}
      aria-label="Window and purpose"
    >
      <WindowFields {...props} />
      <Purposes {...props} />
      <LimitFields {...props} />
      <WhatIf {...props} />
    </form>
  )
}

function WindowFields({ bed, under, form, change, problems }: Props) {
  return (
    <>
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
      {!under && (
        <Field label="Ground" error={problems.strip}>
          <select
            className="select w-full"
            value={form.ground}
            onChange={(event) => change({ ground: event.target.value as Ground })}
          >
            <option value="whole">the whole bed</option>
            <option value="first half">its first half</option>
            <option value="second half">its second half</option>
            <option value="strip">a strip of it</option>
            {bed.pathWidthM > 0.1 && <option value="path">the path beside it</option>}
          </select>
        </Field>
      )}
      {form.ground === 'strip' && !under && (
        <div className="grid grid-cols-2 gap-3">
          <Field label="From, m">
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.stripFrom}
              onChange={(event) => change({ stripFrom: event.target.value })}
            />
          </Field>
          <Field label="To, m">
            <input
              className="input w-full"
              inputMode="decimal"
              placeholder={String(bed.lengthM)}
              value={form.stripTo}
              onChange={(event) => change({ stripTo: event.target.value })}
            />
          </Field>
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
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
      </div>
    </>
  )
}

function Purposes({ form, change, problems }: Props) {
  const toggle = (id: ChooseForm['purposes'][number]) =>
    change({
      purposes: form.purposes.includes(id)
        ? form.purposes.filter((item) => item !== id)
        : [...form.purposes, id].slice(-MOST_PURPOSES),
    })
  return (
    <fieldset>
      <legend className="text-sm font-semibold">What for? Up to three, first is first</legend>
      <div className="grid grid-cols-1">
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
                <span className="quiet text-sm">{PLACES[place]}</span>
              )}
            </label>
          )
        })}
      </div>
      {problems.purposes && (
        <p role="alert" className="text-sm font-semibold text-error">
          {problems.purposes}
        </p>
      )}
      {form.purposes.includes('smother') && (
        <div className="mt-2">
          <Field label="Which weeds">
            <select
              className="select w-full"
              value={form.weeds}
              onChange={(event) => change({ weeds: event.target.value as WeedKind })}
            >
              <option value="any">all through the year</option>
              <option value="cool season">those of the cool season</option>
              <option value="warm season">those of the warm season</option>
              <option value="creeping">creeping ones that come back</option>
            </select>
          </Field>
        </div>
      )}
    </fieldset>
  )
}

const WISHES: [
  keyof ChooseForm &
    ('noGrasses' | 'notRootKnotHost' | 'noGreenBridge' | 'neverReseeds' | 'seedAtHandOnly' | 'organicSeed'),
  string,
][] = [
  ['noGrasses', 'no grasses'],
  ['neverReseeds', 'never sows itself'],
  ['notRootKnotHost', 'no host of root-knot nematodes'],
  ['noGreenBridge', 'three weeks without green before seedlings'],
  ['seedAtHandOnly', 'only seed at hand'],
  ['organicSeed', 'organic or untreated seed'],
]

function LimitFields({ garden, form, change, problems }: Props) {
  const set =
    WISHES.filter(([name]) => form[name]).length +
    (form.winter === 'either' ? 0 : 1) +
    [form.deadBy, form.maxHeight, form.budget].filter(Boolean).length
  return (
    <details open={set > 0}>
      <summary className="cursor-pointer font-semibold">
        It must {set > 0 && <span className="quiet font-normal">{set} set</span>}
      </summary>
      <div className="mt-2 flex flex-col gap-2">
        <Field label="Through winter">
          <select
            className="select w-full"
            value={form.winter}
            onChange={(event) => change({ winter: event.target.value as WinterWish })}
          >
            <option value="either">no matter</option>
            <option value="must live">must live</option>
            <option value="must die">must die</option>
          </select>
        </Field>
        {WISHES.map(([name, label]) => (
          <label key={name} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={form[name]}
              onChange={(event) => change({ [name]: event.target.checked })}
            />
            {label}
          </label>
        ))}
        {form.seedAtHandOnly && (garden.seedAtHand ?? []).length === 0 && (
          <p className="quiet text-sm">No seed is marked as at hand yet; mark it in the Plants room.</p>
        )}
        <DateField
          label="Dead by"
          error={problems.deadBy}
          value={form.deadBy}
          onChange={(deadBy) => change({ deadBy })}
        />
        <div className="grid grid-cols-2 gap-3">
          <Field label="Not taller than, m" error={problems.maxHeight}>
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.maxHeight}
              onChange={(event) => change({ maxHeight: event.target.value })}
            />
          </Field>
          <Field label={`Seed for at most, ${garden.currency}`} error={problems.budget}>
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.budget}
              onChange={(event) => change({ budget: event.target.value })}
            />
          </Field>
        </div>
      </div>
    </details>
  )
}

function WhatIf({ garden, form, change, problems }: Props) {
  const tools = garden.tools.filter((tool) => tool.kind !== 'rake')
  const without = form.withoutTools
  return (
    <details open={form.sowOn !== '' || without.length > 0}>
      <summary className="cursor-pointer font-semibold">What if</summary>
      <div className="mt-2 flex flex-col gap-2">
        <DateField
          label="Sown on"
          error={problems.sowOn}
          value={form.sowOn}
          onChange={(sowOn) => change({ sowOn })}
        />
        <fieldset>
          <legend className="text-sm font-semibold">With these tools</legend>
          {tools.map((tool) => (
            <label key={tool.id} className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={!without.includes(tool.id)}
                onChange={(event) =>
                  change({
                    withoutTools: event.target.checked
                      ? without.filter((other) => other !== tool.id)
                      : [...without, tool.id],
                  })
                }
              />
              {tool.kind}
              {tool.widthM ? ` ${tool.widthM} m` : ''}
              {tool.lengthM ? ` × ${tool.lengthM} m` : ''}
            </label>
          ))}
          {tools.length === 0 && <p className="quiet text-sm">No tools are listed in the Garden room.</p>}
        </fieldset>
      </div>
    </details>
  )
}
