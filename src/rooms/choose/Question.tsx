import { PURPOSES } from '../../core/choosing/purposes'
import type { Bed, Garden } from '../../core/garden/schema'
import { findCrop } from '../../core/plants/crops'
import { DateField } from '../../parts/DateField'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { SelectField, TextField, TickField } from '../../parts/SelectField'
import { MOST_PURPOSES, type ChooseForm, type ProblemField } from './question'
import { Form } from '../../parts/Form'

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
    <Form className="flex flex-col gap-3" aria-label="Window and purpose">
      <WindowFields {...props} />
      <Purposes {...props} />
      <LimitFields {...props} />
      <WhatIf {...props} />
    </Form>
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
        <SelectField
          label="Ground"
          error={problems.strip}
          value={form.ground}
          onChange={(ground) => change({ ground })}
          options={[
            ['whole', 'the whole bed'],
            ['first half', 'its first half'],
            ['second half', 'its second half'],
            ['strip', 'a strip of it'],
            ...(bed.pathWidthM > 0.1 ? ([['path', 'the path beside it']] as const) : []),
          ]}
        />
      )}
      {form.ground === 'strip' && !under && (
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="From, m"
            decimal
            value={form.stripFrom}
            onChange={(stripFrom) => change({ stripFrom })}
          />
          <TextField
            label="To, m"
            decimal
            placeholder={String(bed.lengthM)}
            value={form.stripTo}
            onChange={(stripTo) => change({ stripTo })}
          />
        </div>
      )}
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Next crop"
          value={form.cropId}
          onChange={(cropId) =>
            change({ cropId, establishment: findCrop(cropId)?.establishment ?? form.establishment })
          }
        >
          <CropOptions blank="not decided" />
        </SelectField>
        <SelectField
          label="It is"
          value={form.establishment}
          onChange={(establishment) => change({ establishment })}
        >
          <EstablishmentOptions />
        </SelectField>
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
      {PURPOSES.map((purpose) => {
        const place = form.purposes.indexOf(purpose.id)
        return (
          <TickField
            key={purpose.id}
            checked={place >= 0}
            onChange={() => toggle(purpose.id)}
            label={
              <>
                {purpose.name}
                {place >= 0 && form.purposes.length > 1 && (
                  <span className="quiet text-sm">{PLACES[place]}</span>
                )}
              </>
            }
          />
        )
      })}
      {problems.purposes && (
        <p role="alert" className="text-sm font-semibold text-error">
          {problems.purposes}
        </p>
      )}
      {form.purposes.includes('smother') && (
        <SelectField
          label="Which weeds"
          value={form.weeds}
          onChange={(weeds) => change({ weeds })}
          options={[
            ['any', 'all through the year'],
            ['cool season', 'those of the cool season'],
            ['warm season', 'those of the warm season'],
            ['creeping', 'creeping ones that come back'],
          ]}
        />
      )}
    </fieldset>
  )
}

const WISHES = [
  ['noGrasses', 'no grasses'],
  ['neverReseeds', 'never sows itself'],
  ['notRootKnotHost', 'no host of root-knot nematodes'],
  ['noGreenBridge', 'three weeks without green before seedlings'],
  ['seedAtHandOnly', 'only seed at hand'],
  ['organicSeed', 'organic or untreated seed'],
] as const

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
        <SelectField
          label="Through winter"
          value={form.winter}
          onChange={(winter) => change({ winter })}
          options={[
            ['either', 'no matter'],
            ['must live', 'must live'],
            ['must die', 'must die'],
          ]}
        />
        {WISHES.map(([name, label]) => (
          <TickField
            key={name}
            label={label}
            checked={form[name]}
            onChange={(checked) => change({ [name]: checked })}
          />
        ))}
        {form.seedAtHandOnly && (
          <p className="quiet text-sm">Bags written down in Seed, and what is marked in Plants.</p>
        )}
        <DateField
          label="Dead by"
          error={problems.deadBy}
          value={form.deadBy}
          onChange={(deadBy) => change({ deadBy })}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Not taller than, m"
            decimal
            error={problems.maxHeight}
            value={form.maxHeight}
            onChange={(maxHeight) => change({ maxHeight })}
          />
          <TextField
            label={`Seed for at most, ${garden.currency}`}
            decimal
            error={problems.budget}
            value={form.budget}
            onChange={(budget) => change({ budget })}
          />
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
            <TickField
              key={tool.id}
              label={[
                tool.kind,
                [tool.widthM, tool.lengthM].filter(Boolean).join(' × '),
                tool.widthM ? 'm' : '',
              ]
                .filter(Boolean)
                .join(' ')}
              checked={!without.includes(tool.id)}
              onChange={(checked) =>
                change({
                  withoutTools: checked
                    ? without.filter((other) => other !== tool.id)
                    : [...without, tool.id],
                })
              }
            />
          ))}
          {tools.length === 0 && <p className="quiet text-sm">No tools are listed in the Garden room.</p>}
        </fieldset>
      </div>
    </details>
  )
}
