import { useTold } from '../../state/useTold'
import { useMemo } from 'react'
import { addCut, cutDone, takeOutCut } from '../../actions/cutStand'
import { useAnswer } from '../../compute/useAnswer'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { findSpecies } from '../../core/plants/catalogue'
import { cutHeight } from '../../core/termination/workPlan'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedNote, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { Waiting } from '../../parts/Waiting'
import { useAct, useGarden } from '../../state/garden'
import { centimetres, grams, kilos, longDate, type Units } from '../../text/format'
import { inUnits } from '../../text/inUnits'
import { unitOf, writeQuantity } from '../../text/quantity'
import { Aisle } from './Aisle'
import { CutOutcome } from './CutOutcome'
import { CUT_KINDS, cutForm, cutOf, FATES, type CutKindId } from './cutForm'
import type { EndView } from './useEnd'

/** Cuts that let the stand live: what leaves, what grows again, and where it goes. */
export function Cuts({ end }: { end: EndView }) {
  const { stand, view, spec, today, horizon, garden } = end
  const { data } = useGarden()
  const told = useTold(view.bed, stand.segment)
  const act = useAct()
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  const form = useTyped({
    schema: useMemo(() => cutForm(stand, horizon, garden.units), [stand, horizon, garden.units]),
    draft: { name: `cut ${stand.id}` },
    live: true,
    blank: { ...fieldsOf('mow', garden.units), day: isoDate(today), toBedId: '', note: '' },
  })
  const { text, value } = form
  const cut = useMemo(() => value && cutOf(value), [value])
  const args = useMemo(
    (): Parameters<typeof useAnswer<'cutting'>>[1] =>
      cut ? [spec, { ...view.standCase, nextStartDay: null }, { ...cut, note: '' }] : null,
    [cut, spec, view.standCase],
  )
  const answer = useAnswer('cutting', args, `cutting ${stand.id}`)
  const shown = answer.value ?? answer.last
  const done = text.day <= isoDate(today)
  const keep = form.submit(({ value }) => {
    const took =
      shown && value.fate !== 'dropped'
        ? { massKg: round(shown.massKg), nitrogenG: round(shown.nitrogenTotalG) }
        : undefined
    return act(addCut(stand, { ...cutOf(value), took }, today))
  })
  return (
    <div data-testid="cuts">
      {stand.segment.kind === 'path' && <Aisle end={end} />}
      <Form className="flex flex-wrap items-start gap-4" aria-label="A cut" onSubmit={keep}>
        <TypedChoice
          form={form}
          name="kind"
          label="What for"
          className="w-64"
          onChoose={(kind) =>
            form.set(fieldsOf(kind as CutKindId, garden.units, components[1] && components[0]))
          }
          options={CUT_KINDS.filter(({ id }) => id !== 'partner' || components.length > 1).map(
            (entry) => [entry.id, entry.name] as const,
          )}
          hint={inUnits(kindOf(text.kind).hint, garden.units)}
        />
        <TypedDay form={form} name="day" label="On" />
        <TypedText
          form={form}
          name="heightCm"
          label={`Height left, ${unitOf('height', garden.units)}`}
          className="w-28"
          decimal
        />
        <TypedText form={form} name="groundShare" label="Share of the ground, %" className="w-32" decimal />
        <TypedChoice
          form={form}
          name="fate"
          label="The cuttings are"
          error={components.length > 1 ? undefined : form.problem('speciesId')}
          className="w-48"
          options={FATES}
        />
        {components.length > 1 && (
          <TypedChoice
            form={form}
            name="speciesId"
            label="Which plants"
            className="w-44"
            options={[
              ['', 'all of them'],
              ...components.map(
                (component) =>
                  [
                    component.speciesId,
                    findSpecies(component.speciesId)?.name ?? component.speciesId,
                  ] as const,
              ),
            ]}
          />
        )}
        {text.fate === 'carried off' && (
          <TypedChoice
            form={form}
            name="toBedId"
            label="To"
            className="w-36"
            options={[
              ['', 'the store'],
              ...data.beds.filter((bed) => bed.id !== view.bed.id).map((bed) => [bed.id, bed.label] as const),
            ]}
          />
        )}
        <TypedNote form={form} name="note" />
        <button className="btn btn-primary mt-6" disabled={!value}>
          {done ? 'Record the cut' : 'Plan the cut'}
        </button>
      </Form>
      <p className="quiet mt-1 text-sm" data-testid="live-heights">
        To grow on, leave at least{' '}
        {components
          .flatMap((component) => {
            const plant = findSpecies(component.speciesId)
            return plant
              ? [
                  `${plant.name.toLowerCase()} ${centimetres(cutHeight(plant.endingClass).liveM, garden.units)}`,
                ]
              : []
          })
          .join(', ')}
        .
      </p>
      <Waiting
        what="Growing it on with the cut"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {shown && cut && (
        <CutOutcome
          answer={shown}
          cut={cut}
          target={data.beds.find((bed) => bed.id === text.toBedId) ?? null}
          units={garden.units}
          told={told}
          drying={text.kind === 'mulch'}
        />
      )}
      <Earlier stand={stand} />
    </div>
  )
}

const kindOf = (id: CutKindId) => CUT_KINDS.find((entry) => entry.id === id)!

/** What the fields hold for a kind of cut, until they are changed. */
function fieldsOf(kind: CutKindId, units: Units, partner?: { speciesId: string }) {
  const { heightCm, sharePct, fate } = kindOf(kind)
  return {
    kind,
    heightCm: writeQuantity(heightCm, 'height', units),
    groundShare: String(sharePct),
    fate,
    speciesId: kind === 'partner' && partner ? partner.speciesId : '',
  }
}

const round = (value: number) => Math.round(value * 10) / 10

/** Cuts planned or done, each to be marked done or taken out. */
function Earlier({ stand }: { stand: Stand }) {
  const act = useAct()
  const { data, today } = useGarden()
  if (stand.cuts.length === 0) return null
  return (
    <section className="mt-5" aria-label="Cuts so far">
      <h2>Cuts so far</h2>
      <ul className="divide-y divide-base-300 border-y border-base-300">
        {stand.cuts.map(({ id, cut }) => {
          const details = latest(cut)!
          const to = data.beds.find((bed) => bed.id === details.toBedId)
          return (
            <li key={id} className="flex flex-wrap items-center gap-3 py-1">
              <span>
                {cut.actual ? 'Cut' : 'Planned for'} {longDate(dayNumber(details.date))} to{' '}
                {centimetres(details.heightCm / 100, data.garden.units)}, {details.fate}
                {to ? ` to ${to.label}` : ''}
                {details.took
                  ? `, about ${kilos(details.took.massKg, data.garden.units)} dry with ${grams(details.took.nitrogenG, data.garden.units)} nitrogen`
                  : ''}
                {details.speciesId ? `, only ${findSpecies(details.speciesId)?.name.toLowerCase()}` : ''}
              </span>
              {!cut.actual && (
                <button className="btn btn-xs" onClick={single(() => act(cutDone(stand, id, today)))}>
                  Done
                </button>
              )}
              <button className="btn btn-ghost btn-xs" onClick={single(() => act(takeOutCut(stand, id)))}>
                Take out
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
