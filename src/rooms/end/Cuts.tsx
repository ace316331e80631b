import { useMemo, useState } from 'react'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { CutDetails, Stand } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import { latest } from '../../core/garden/timeline'
import { cutHeight } from '../../core/termination/workPlan'
import { centimetres, longDate } from '../../text/format'
import { DateField, NoteField } from '../../parts/DateField'
import { standName } from '../../parts/names'
import { SelectField, TextField } from '../../parts/SelectField'
import { Waiting } from '../../parts/Waiting'
import { newId } from '../../data/ids'
import { useCommit, useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import { CutOutcome } from './CutOutcome'
import { CUT_KINDS, cutOf, cutProblems, type CutForm, type CutKindId } from './cutForm'
import type { EndView } from './useEnd'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

const FATES = [
  ['dropped', 'dropped where it stood'],
  ['carried off', 'carried off'],
  ['eaten', 'eaten'],
  ['grazed', 'grazed'],
] as const

/** Cuts that let the stand live: what leaves, what grows again, and where it goes. */
export function Cuts({ end }: { end: EndView }) {
  const { stand, view, spec, today, horizon, garden } = end
  const { data } = useGarden()
  const commit = useCommit()
  const [kind, setKind] = useState<CutKindId>('mow')
  const [form, setForm] = useState<CutForm>({
    date: isoDate(today),
    heightCm: '10',
    sharePct: '100',
    fate: 'dropped',
    speciesId: '',
    toBedId: '',
    note: '',
  })
  const change = (part: Partial<CutForm>) => setForm({ ...form, ...part })
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  const problems = cutProblems(form, stand, horizon)
  const right = Object.keys(problems).length === 0
  const args = useMemo(
    (): Parameters<typeof useAnswer<'cutting'>>[1] =>
      right ? [spec, { ...view.standCase, nextStartDay: null }, { ...cutOf(form), note: '' }] : null,
    [right, spec, view.standCase, form],
  )
  const answer = useAnswer('cutting', args, `cutting ${stand.id}`)
  const shown = answer.value ?? answer.last
  const choose = (id: CutKindId) => {
    const chosen = CUT_KINDS.find((entry) => entry.id === id)!
    setKind(id)
    change({
      heightCm: String(chosen.heightCm),
      sharePct: String(chosen.sharePct),
      fate: chosen.fate,
      speciesId: id === 'partner' && components.length > 1 ? components[0].speciesId : '',
    })
  }
  const done = dayNumber(form.date) <= today
  async function keep() {
    if (!right) return
    const took =
      shown && form.fate !== 'dropped'
        ? { massKg: round(shown.massKg), nitrogenG: round(shown.nitrogenTotalG) }
        : undefined
    const details: CutDetails = { ...cutOf(form), took }
    const cut = done ? { plan: null, actual: details } : { plan: details, actual: null }
    await commit(`${done ? 'Recorded' : 'Planned'} a cut of ${standName(stand).toLowerCase()}`, [
      changed('stands', stand, { cuts: [...stand.cuts, { id: newId('cut'), cut }] }),
    ])
  }
  return (
    <div data-testid="cuts">
      <Form className="flex flex-wrap items-start gap-4" aria-label="A cut" onSubmit={keep}>
        <SelectField
          label="What for"
          className="w-64"
          value={kind}
          onChange={choose}
          options={CUT_KINDS.filter(({ id }) => id !== 'partner' || components.length > 1).map(
            (entry) => [entry.id, entry.name] as const,
          )}
          hint={CUT_KINDS.find((entry) => entry.id === kind)!.hint}
        />
        <DateField label="On" error={problems.date} value={form.date} onChange={(date) => change({ date })} />
        <TextField
          label="Height left, cm"
          className="w-28"
          decimal
          error={problems.heightCm}
          value={form.heightCm}
          onChange={(heightCm) => change({ heightCm })}
        />
        <TextField
          label="Share of the ground, %"
          className="w-32"
          decimal
          error={problems.sharePct}
          value={form.sharePct}
          onChange={(sharePct) => change({ sharePct })}
        />
        <SelectField
          label="The cuttings are"
          error={components.length > 1 ? undefined : problems.speciesId}
          className="w-48"
          value={form.fate}
          onChange={(fate) => change({ fate })}
          options={FATES}
        />
        {components.length > 1 && (
          <SelectField
            label="Which plants"
            error={problems.speciesId}
            className="w-44"
            value={form.speciesId}
            onChange={(speciesId) => change({ speciesId })}
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
        {form.fate === 'carried off' && (
          <SelectField
            label="To"
            className="w-36"
            value={form.toBedId}
            onChange={(toBedId) => change({ toBedId })}
            options={[
              ['', 'the store'],
              ...data.beds.filter((bed) => bed.id !== view.bed.id).map((bed) => [bed.id, bed.label] as const),
            ]}
          />
        )}
        <NoteField value={form.note} onChange={(note) => change({ note })} />
        <button className="btn btn-primary mt-6" disabled={!right}>
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
      {shown && right && (
        <CutOutcome
          answer={shown}
          cut={cutOf(form)}
          target={data.beds.find((bed) => bed.id === form.toBedId) ?? null}
          units={garden.units}
          drying={kind === 'mulch'}
        />
      )}
      <Earlier stand={stand} />
    </div>
  )
}

const round = (value: number) => Math.round(value * 10) / 10

/** Cuts planned or done, each to be marked done or taken out. */
function Earlier({ stand }: { stand: Stand }) {
  const commit = useCommit()
  const { data, today } = useGarden()
  if (stand.cuts.length === 0) return null
  const put = (label: string, cuts: Stand['cuts']) => commit(label, [changed('stands', stand, { cuts })])
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
                {cut.actual ? 'Cut' : 'Planned for'} {longDate(dayNumber(details.date))} to {details.heightCm}{' '}
                cm, {details.fate}
                {to ? ` to ${to.label}` : ''}
                {details.took
                  ? `, about ${details.took.massKg} kg dry with ${Math.round(details.took.nitrogenG)} g nitrogen`
                  : ''}
                {details.speciesId ? `, only ${findSpecies(details.speciesId)?.name.toLowerCase()}` : ''}
              </span>
              {!cut.actual && (
                <button
                  className="btn btn-xs"
                  onClick={single(() =>
                    put(
                      'Recorded a cut',
                      stand.cuts.map((other) =>
                        other.id === id
                          ? {
                              id,
                              cut: {
                                ...cut,
                                actual: {
                                  ...details,
                                  date: isoDate(Math.min(today, dayNumber(details.date))),
                                },
                              },
                            }
                          : other,
                      ),
                    ),
                  )}
                >
                  Done
                </button>
              )}
              <button
                className="btn btn-ghost btn-xs"
                onClick={single(() =>
                  put(
                    'Took out a cut',
                    stand.cuts.filter((other) => other.id !== id),
                  ),
                )}
              >
                Take out
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
