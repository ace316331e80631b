import { PURPOSES } from '../../core/choosing/purposes'
import type { Bed, Garden } from '../../core/garden/schema'
import { parseDay } from '../../core/foundations/day'
import { findCrop } from '../../core/plants/crops'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText, TypedTick } from '../../parts/form/fields'
import type { Typed } from '../../parts/form/useTyped'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { TickField } from '../../parts/SelectField'
import { GroundFields, groundWords } from '../../parts/ground/GroundFields'
import { NarrowFold } from '../../parts/NarrowFold'
import { useGarden } from '../../state/garden'
import { metres, shortDate } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { MOST_PURPOSES, type chooseForm } from './question'

type Props = {
  bed: Bed
  garden: Garden
  under: boolean
  form: Typed<ReturnType<typeof chooseForm>, undefined>
}

const PLACES = ['first', 'second', 'third']

/** The window, what it is for, and what the cover must be. */
export function Question(props: Props) {
  return (
    <NarrowFold known={knownText(props)} open={props.form.value === null}>
      <Form className="flex flex-col gap-3" aria-label="Window and purpose">
        <WindowFields {...props} />
        <Purposes {...props} />
        <LimitFields {...props} />
        <WhatIf {...props} />
      </Form>
    </NarrowFold>
  )
}

/** The question in a line: what for, where, when, and for which crop. */
function knownText({ form: { text, value } }: Props): string {
  const purposes = PURPOSES.filter(({ id }) => text.purposes.includes(id)).map(({ name }) => name)
  const ground = groundWords(text.ground)
  const day = parseDay(text.freeFrom)
  const from = value ? shortDate(value.freeFrom) : day === null ? '' : shortDate(day)
  const until = value?.neededBy ? ` to ${shortDate(value.neededBy)}` : ''
  const crop = findCrop(text.cropId)
  return `${purposes.length > 0 ? purposes.join(', ') : 'No purpose chosen'}; ${ground}, ${from}${until}${crop ? `, then ${crop.name.toLowerCase()}` : ''}.`
}

/** Paths narrower than this are not sown, m. */
const NARROW_PATH_M = 0.1

function WindowFields({ bed, under, form }: Props) {
  const { today } = useGarden()
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <TypedDay form={form} name="freeFrom" label="Free from" />
        <TypedDay form={form} name="neededBy" label="Needed by" />
      </div>
      {!under && (
        <GroundFields
          bed={bed}
          form={form}
          path={bed.pathWidthM > NARROW_PATH_M}
          day={form.value?.freeFrom ?? today}
        />
      )}
      <div className="grid grid-cols-2 gap-3">
        <TypedChoice
          form={form}
          name="cropId"
          label="Next crop"
          onChoose={(cropId) => {
            const crop = findCrop(cropId)
            if (crop) form.set({ establishment: crop.establishment })
          }}
        >
          <CropOptions blank="not decided" />
        </TypedChoice>
        <TypedChoice form={form} name="establishment" label="It is">
          <EstablishmentOptions />
        </TypedChoice>
      </div>
    </>
  )
}

function Purposes({ form }: Props) {
  const { purposes } = form.text
  const toggle = (id: (typeof purposes)[number]) =>
    form.set({
      purposes: purposes.includes(id)
        ? purposes.filter((item) => item !== id)
        : [...purposes, id].slice(-MOST_PURPOSES),
    })
  return (
    <fieldset>
      <legend className="text-sm font-semibold">What for? Up to three, first is first</legend>
      {PURPOSES.map((purpose) => {
        const place = purposes.indexOf(purpose.id)
        return (
          <TickField
            key={purpose.id}
            checked={place >= 0}
            onChange={() => toggle(purpose.id)}
            label={
              <>
                {purpose.name}
                {place >= 0 && purposes.length > 1 && <span className="quiet text-sm">{PLACES[place]}</span>}
              </>
            }
          />
        )
      })}
      {form.problem('purposes') && (
        <p role="alert" className="text-sm font-semibold text-error">
          {form.problem('purposes')}
        </p>
      )}
      {purposes.includes('smother') && (
        <TypedChoice
          form={form}
          name="weeds"
          label="Which weeds"
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

function LimitFields({ garden, form }: Props) {
  const { text } = form
  const set =
    WISHES.filter(([name]) => text[name]).length +
    (text.winter === 'either' ? 0 : 1) +
    [text.deadBy, text.maxHeightM, text.budget].filter(Boolean).length
  return (
    <details open={set > 0}>
      <summary className="cursor-pointer font-semibold">
        It must {set > 0 && <span className="quiet font-normal">{set} set</span>}
      </summary>
      <div className="mt-2 flex flex-col gap-2">
        <TypedChoice
          form={form}
          name="winter"
          label="Through winter"
          options={[
            ['either', 'no matter'],
            ['must live', 'must live'],
            ['must die', 'must die'],
          ]}
        />
        {WISHES.map(([name, label]) => (
          <TypedTick key={name} form={form} name={name} label={label} />
        ))}
        {text.seedAtHandOnly && (
          <p className="quiet text-sm">Bags written down in Seed, and what is marked in Plants.</p>
        )}
        <TypedDay form={form} name="deadBy" label="Dead by" />
        <div className="grid grid-cols-2 gap-3">
          <TypedText
            form={form}
            name="maxHeightM"
            label={`Not taller than, ${unitOf('length', garden.units)}`}
            decimal
          />
          <TypedText form={form} name="budget" label={`Seed for at most, ${garden.currency}`} decimal />
        </div>
      </div>
    </details>
  )
}

function WhatIf({ garden, form }: Props) {
  const tools = garden.tools.filter((tool) => tool.kind !== 'rake')
  const without = form.text.withoutTools
  return (
    <details open={form.text.sowOn !== '' || without.length > 0}>
      <summary className="cursor-pointer font-semibold">What if</summary>
      <div className="mt-2 flex flex-col gap-2">
        <TypedDay form={form} name="sowOn" label="Sown on" />
        <fieldset>
          <legend className="text-sm font-semibold">With these tools</legend>
          {tools.map((tool) => (
            <TickField
              key={tool.id}
              label={toolName(tool, garden)}
              checked={!without.includes(tool.id)}
              onChange={(checked) =>
                form.set({
                  withoutTools: checked
                    ? without.filter((other) => other !== tool.id)
                    : [...without, tool.id],
                })
              }
            />
          ))}
          {tools.length === 0 && <p className="quiet text-sm">No tools are listed in the Shed.</p>}
        </fieldset>
      </div>
    </details>
  )
}

/** A tool with its size, where it has one: `black tarp 2 m × 20 m`. */
function toolName({ kind, widthM, lengthM }: Garden['tools'][number], { units }: Garden): string {
  const sizes = [widthM, lengthM].flatMap((size) => (size === null ? [] : metres(size, units)))
  return [kind, sizes.join(' × ')].filter(Boolean).join(' ')
}
